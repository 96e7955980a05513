import { accept, refuse } from '@/core/shared/outcome';
import { gradePart } from '@/core/grading/gradePart';
import type { GradeVerdict, Part } from '@/core/entities/entities';
import { gradedAgainAt } from '@/core/entities/stages';
import type { Readings } from '@/core/grading/rules';
import { define, on, type Finder, type TakenIn } from '../define';
import { rulesBy } from '../rulesBy';
import { partChange } from '../world';

interface Graded {
  readonly readings: Readings;
  readonly verdict?: GradeVerdict;
}

/** Finds the part a fact is about, refused unless it is in one of these places. */
const partIn =
  (...places: readonly Part['place'][]): Finder<Part, unknown> =>
  (world, { subjectId }) => {
    const part = world.find('part', subjectId);
    if (!part) return refuse('not-found', { id: subjectId });
    return places.includes(part.place) ? accept(part) : refuse('wrong-stage', { tag: part.tag, stage: part.place });
  };

/** Grade and Shelf: measured, put away, or scrapped. */
export const partFacts = {
  /** The verdict is written in by the server, so that the log keeps it when the rules change. */
  'part-graded': define<Graded>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    usesRules: true,
    completed: withVerdict,
    effect: on(partIn('grade', ...gradedAgainAt), (part, fact, world) => {
      const { readings, verdict } = fact.payload;
      const by = rulesBy(world, fact);
      if (!by.ok) return by;
      const judged = verdict
        ? accept(verdict)
        : gradePart(part.category, readings, by.value.gradingLimits, part.findings);
      if (!judged.ok) return judged;
      const { grade, limiting } = judged.value;
      // Graded again where it lies: it stays there, unless it turns out to be scrap.
      const place = grade === 'X' ? 'scrap' : part.place === 'shelf' ? 'shelf' : 'to-shelve';
      const bin = place === 'shelf' ? part.bin : null;
      return accept([partChange(part, { ...part, readings, grade, limiting, place, bin })]);
    }),
  }),

  'part-shelved': define<{ readonly bin: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('to-shelve', 'shelf'), (part, fact) => {
      if (!part.isDataCleared) return refuse('data-bearing', { tag: part.tag });
      return accept([partChange(part, { ...part, place: 'shelf', bin: fact.payload.bin })]);
    }),
  }),

  'part-scrapped': define<{ readonly because: string }>({
    subject: 'part',
    saidBy: 'technician',
    isPosted: true,
    effect: on(partIn('grade', 'to-shelve', 'shelf'), (part) =>
      accept([partChange(part, { ...part, place: 'scrap', bin: null })]),
    ),
  }),
};

/** The grade that the rules of today gave is kept in the log: a replay takes it as it stands. */
function withVerdict(payload: Graded, { changes }: TakenIn): Graded {
  const [change] = changes;
  if (change?.kind !== 'part' || !change.after?.grade || !change.after.limiting) return payload;
  const { grade, limiting } = change.after;
  return { readings: payload.readings, verdict: { grade, limiting } };
}
