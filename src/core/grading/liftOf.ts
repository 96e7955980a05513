import { gradeRank, grades, worstGrade, type Grade } from '@/core/shared/grades';
import type { Attribute, AttributeId } from './attributes';
import { gradeReading, type Judgement } from './gradePart';

/** What an attribute would have to be: at least or at most a number, or the worst choice that is still good enough. */
export interface Needed {
  readonly attribute: AttributeId;
  readonly value: number | string;
}

export interface Lift {
  readonly to: Grade;
  /** All of these, since each of them holds it down now. */
  readonly needs: readonly Needed[];
}

/**
 * What would lift a part by the least there is: every attribute that is worse than the next grade, with the least it would have
 * to read. Where that leads further at once (a lock is free or it is not), the grade it leads to is named.
 *
 * @returns null at A, and where something beside the readings holds it down
 */
export function liftOf({ grade, cap, limiting, attributes }: Judgement): Lift | null {
  const next = grades[gradeRank(grade) - 1];
  if (next === undefined || cap !== null || limiting === 'used-once') return null;
  const lifted = attributes.map(({ attribute, reading, grade: has }) =>
    gradeRank(has) > gradeRank(next) ? { attribute, reading: leastFor(attribute, next) } : { attribute, reading },
  );
  return {
    to: worstGrade(lifted.map(({ attribute, reading }) => gradeReading(attribute, reading) ?? 'X')),
    needs: lifted.flatMap(({ attribute, reading }, at) =>
      reading === attributes[at]?.reading ? [] : [{ attribute: attribute.id, value: reading }],
    ),
  };
}

/** The least good reading that still has a grade, or a better one where no reading has just that. */
function leastFor(attribute: Attribute, grade: Grade): number | string {
  if (attribute.kind === 'number') return attribute.limits[grade as Exclude<Grade, 'X'>];
  const fit = attribute.choices.filter((choice) => gradeRank(choice.grade) <= gradeRank(grade));
  return (fit.at(-1) ?? attribute.choices[0])?.id ?? '';
}
