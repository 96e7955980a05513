import { capOf, type Cap } from '@/core/findings/partHarm';
import type { Finding } from '@/core/procedure/vocabulary';
import { grades, gradeRank, worstGrade, type Grade } from '@/core/shared/grades';
import type { GradingRules } from '@/core/shared/gradingRules';
import { message, type Message } from '@/core/shared/message';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { attributesOf, type Attribute, type AttributeId, type Gradable, type Readings } from './attributes';

/**
 * What holds a grade down: the first of the worst attributes; what was found in the unit; that it is used once; or how it
 * came out.
 */
export type Limiting = AttributeId | `found-${Finding}` | 'used-once' | 'hazard' | 'broken-by-us' | 'broken-before';

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
 * @param rules     of the house, for what is measured and seen
 * @param readings  one reading for each attribute of the part that is not optional
 * @refuses 'readings-missing' with the first attribute not read; 'bad-input' for a reading outside its range or choices
 */
export function gradePart(part: Gradable, readings: Readings, rules: GradingRules): Outcome<Judgement> {
  const attributes: AttributeGrade[] = [];
  for (const attribute of attributesOf(part, rules)) {
    const reading = readings[attribute.id];
    if (reading === undefined && attribute.isOptional) continue;
    if (reading === undefined) return refuse('readings-missing', { attribute: attribute.id });
    const grade = gradeReading(attribute, reading);
    if (!grade) return refuse('bad-input', { field: attribute.id, says: rangeOf(attribute) });
    attributes.push({ attribute, reading, grade });
  }
  return accept(judge(part, attributes));
}

/**
 * The grade by what was read, be it all or not: what was not read, or is not asked any more, holds nothing down.
 *
 * @returns undefined when nothing that is asked today was read
 */
export function gradeByRead(part: Gradable, readings: Readings, rules: GradingRules): Judgement | undefined {
  const attributes = attributesOf(part, rules).flatMap((attribute) => {
    const reading = readings[attribute.id];
    const grade = reading === undefined ? undefined : gradeReading(attribute, reading);
    return reading === undefined || !grade ? [] : [{ attribute, reading, grade }];
  });
  return attributes.length === 0 ? undefined : judge(part, attributes);
}

/** @param attributes  at least one */
function judge(part: Gradable, attributes: readonly AttributeGrade[]): Judgement {
  const grade = worstGrade(attributes.map((entry) => entry.grade));
  if (part.reuse === 'never') return { grade: 'X', limiting: 'used-once', attributes, cap: null, without: grade };
  const cap = capOf(part.category, part.findings);
  if (cap && worstGrade([cap.grade, grade]) !== grade)
    return { grade: cap.grade, limiting: `found-${cap.finding}`, attributes, cap, without: grade };
  const limiting = attributes.find((entry) => entry.grade === grade) as AttributeGrade;
  return {
    grade,
    limiting: limiting.attribute.id,
    attributes,
    cap: null,
    without: worstGrade(attributes.filter((entry) => entry !== limiting).map((entry) => entry.grade)),
  };
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
