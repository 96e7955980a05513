import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { gradePart } from '@/core/grading/gradePart';
import type { Effects } from './effect';
import type { Part } from './entities';
import type { BenchEvent, EventType } from './events';
import { partChange, type World } from './world';

function partAt(world: World, event: BenchEvent<EventType>, ...places: readonly Part['place'][]): Outcome<Part> {
  const part = world.find('part', event.subjectId);
  if (!part) return refuse('not-found', { id: event.subjectId });
  return places.includes(part.place) ? accept(part) : refuse('wrong-stage', { tag: part.tag, stage: part.place });
}

/** Grade and Shelf: measured, put away, or scrapped. */
export const partEffects: Effects<'part-graded' | 'part-shelved' | 'part-scrapped'> = {
  'part-graded': (world, event) => {
    const found = partAt(world, event, 'grade', 'to-shelve');
    if (!found.ok) return found;
    const { readings, verdict } = event.payload;
    const judged = verdict ? accept(verdict) : gradePart(found.value.category, readings, found.value.findings);
    if (!judged.ok) return judged;
    const { grade, limiting } = judged.value;
    const place = grade === 'X' ? 'scrap' : 'to-shelve';
    return accept([partChange(found.value, { ...found.value, readings, grade, limiting, place })]);
  },

  'part-shelved': (world, event) => {
    const found = partAt(world, event, 'to-shelve', 'shelf');
    if (!found.ok) return found;
    const part = found.value;
    if (!part.isDataCleared) return refuse('data-bearing', { tag: part.tag });
    return accept([partChange(part, { ...part, place: 'shelf', bin: event.payload.bin })]);
  },

  'part-scrapped': (world, event) => {
    const found = partAt(world, event, 'grade', 'to-shelve', 'shelf');
    if (!found.ok) return found;
    return accept([partChange(found.value, { ...found.value, place: 'scrap', bin: null })]);
  },
};
