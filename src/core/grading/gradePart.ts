import { message, type Message } from '@/core/shared/message';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { gradeRank, grades, worstGrade, type Grade } from '@/core/shared/grades';
import type { Hit } from '@/core/findings/hits';
import { capOf, type Cap } from '@/core/findings/partHarm';
import type { Finding, PartCategory } from '@/core/procedure/vocabulary';
import type { GradingLimits } from '@/core/shared/gradingLimits';
import { attributesOf, type Attribute, type AttributeId, type Readings } from './rules';

/** What holds a grade down: the first of the worst attributes; what was found in the unit; or how it came out. */
export type Limiting = AttributeId | `found-${Finding}` | 'hazard' | 'broken-by-us' | 'broken-before';

export interface AttributeGrade {
  readonly attribute: Attribute;
  readonly reading: number | string;
  readonly grade: Grade;
}

export interface Judgement {
  readonly grade: Grade;
  readonly limiting: Limiting;
  readonly attributes: readonly AttributeGrade[];
  /** What was found in its unit, where that is what holds it down. */
  readonly cap: Cap | null;
  /** The grade it would have if that one attribute were perfect. */
  readonly without: Grade;
}

/**
 * Grades a part: the worst attribute decides, and is named; what was found in its unit may hold it down further.
 *
 * @param hits      what was found in its unit and concerns it
 * @param limits    of the house, for what is measured
 * @param readings  one reading for each attribute of the category
 * @refuses 'readings-missing' with the first attribute not read; 'bad-input' for a reading outside its range or choices
 */
export function gradePart(
  category: PartCategory,
  readings: Readings,
  limits: GradingLimits,
  hits: readonly Hit[] = [],
): Outcome<Judgement> {
  const attributes: AttributeGrade[] = [];
  for (const attribute of attributesOf(category, limits)) {
    const reading = readings[attribute.id];
    if (reading === undefined) return refuse('readings-missing', { attribute: attribute.id });
    const grade = gradeReading(attribute, reading);
    if (!grade) return refuse('bad-input', { field: attribute.id, says: rangeOf(attribute) });
    attributes.push({ attribute, reading, grade });
  }
  const grade = worstGrade(attributes.map((entry) => entry.grade));
  const cap = capOf(category, hits);
  if (cap && worstGrade([cap.grade, grade]) !== grade)
    return accept({
      grade: cap.grade,
      limiting: `found-${cap.finding}`,
      attributes,
      cap,
      without: grade,
    });
  const limiting = attributes.find((entry) => entry.grade === grade) as AttributeGrade;
  return accept({
    grade,
    limiting: limiting.attribute.id,
    attributes,
    cap: null,
    without: worstGrade(attributes.filter((entry) => entry !== limiting).map((entry) => entry.grade)),
  });
}

/** Grade of one reading; undefined when the reading is not possible. */
export function gradeReading(attribute: Attribute, reading: number | string): Grade | undefined {
  if (attribute.kind === 'choice') return attribute.choices.find(({ id }) => id === reading)?.grade;
  if (typeof reading !== 'number' || !Number.isFinite(reading)) return undefined;
  if (reading < attribute.low || reading > attribute.high) return undefined;
  const { limits, better } = attribute;
  const reaches = (limit: number) => (better === 'higher' ? reading >= limit : reading <= limit);
  return (['A', 'B', 'C', 'D'] as const).find((grade) => reaches(limits[grade])) ?? 'X';
}

const rangeOf = (attribute: Attribute): Message<'refusals'> =>
  attribute.kind === 'choice'
    ? message('refusals.oneOfTheChoices')
    : message('refusals.withinRange', { low: attribute.low, high: attribute.high, unit: attribute.unit });

/** Number of filled holes of a punched grade: A four to D one, X none. */
export const punches = (grade: Grade): number => grades.length - 1 - gradeRank(grade);
