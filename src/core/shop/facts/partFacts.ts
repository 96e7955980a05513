import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { gradePart } from '@/core/grading/gradePart';
import type { GradeVerdict, Part } from '@/core/entities/entities';
import { gradingRulesVersion, type Readings } from '@/core/grading/rules';
import { define, type Said, type TakenIn } from '../define';
import { partChange, type World } from '../world';

interface Graded {
  readonly readings: Readings;
  readonly verdict?: GradeVerdict;
}

function partAt(
  world: World,
  fact: Pick<Said<unknown>, 'subjectId'>,
  ...places: readonly Part['place'][]
): Outcome<Part> {
  const part = world.find('part', fact.subjectId);
  if (!part) return refuse('not-found', { id: fact.subjectId });
  return places.includes(part.place) ? accept(part) : refuse('wrong-stage', { tag: part.tag, stage: part.place });
}

/** Grade and Shelf: measured, put away, or scrapped. */
export const partFacts = {
  /** The verdict is written in by the server, so that the log keeps it when the rules change. */
  'part-graded': define<Graded>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    completed: withVerdict,
    effect: (world, fact) => {
      const found = partAt(world, fact, 'grade', 'to-shelve');
      if (!found.ok) return found;
      const { readings, verdict } = fact.payload;
      const judged = verdict ? accept(verdict) : gradePart(found.value.category, readings, found.value.findings);
      if (!judged.ok) return judged;
      const { grade, limiting } = judged.value;
      const place = grade === 'X' ? 'scrap' : 'to-shelve';
      return accept([partChange(found.value, { ...found.value, readings, grade, limiting, place })]);
    },
  }),

  'part-shelved': define<{ readonly bin: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: (world, fact) => {
      const found = partAt(world, fact, 'to-shelve', 'shelf');
      if (!found.ok) return found;
      const part = found.value;
      if (!part.isDataCleared) return refuse('data-bearing', { tag: part.tag });
      return accept([partChange(part, { ...part, place: 'shelf', bin: fact.payload.bin })]);
    },
  }),

  'part-scrapped': define<{ readonly because: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: (world, fact) => {
      const found = partAt(world, fact, 'grade', 'to-shelve', 'shelf');
      if (!found.ok) return found;
      return accept([partChange(found.value, { ...found.value, place: 'scrap', bin: null })]);
    },
  }),
};

/** The grade that the rules of today gave is kept in the log: a replay takes it as it stands. */
function withVerdict(payload: Graded, { changes }: TakenIn): Graded {
  const [change] = changes;
  if (change?.kind !== 'part' || !change.after?.grade || !change.after.limiting) return payload;
  const { grade, limiting } = change.after;
  return { readings: payload.readings, verdict: { grade, limiting, rules: gradingRulesVersion } };
}
