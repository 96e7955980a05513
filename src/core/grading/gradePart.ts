import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { gradeRank, grades, worstGrade, type Grade } from '@/core/shared/grades';
import type { PartCategory } from '@/core/procedure/vocabulary';
import { attributesOf, type Attribute, type Readings } from './rules';

export interface AttributeGrade {
  readonly attribute: Attribute;
  readonly reading: number | string;
  readonly grade: Grade;
}

export interface Judgement {
  readonly grade: Grade;
  /** Name of the attribute that holds the grade down; the first of several. */
  readonly limiting: string;
  readonly attributes: readonly AttributeGrade[];
  /** The grade it would have if that one attribute were perfect. */
  readonly without: Grade;
}

/**
 * Grades a part: the worst attribute decides, and is named.
 *
 * @param readings  one reading for each attribute of the category
 * @refuses 'readings-missing' with the first attribute not read; 'bad-input' for a reading outside its range or choices
 */
export function gradePart(category: PartCategory, readings: Readings): Outcome<Judgement> {
  const attributes: AttributeGrade[] = [];
  for (const attribute of attributesOf(category)) {
    const reading = readings[attribute.id];
    if (reading === undefined) return refuse('readings-missing', { attribute: attribute.name });
    const grade = gradeReading(attribute, reading);
    if (!grade) return refuse('bad-input', { field: attribute.name, says: rangeOf(attribute) });
    attributes.push({ attribute, reading, grade });
  }
  const grade = worstGrade(attributes.map((entry) => entry.grade));
  const limiting = attributes.find((entry) => entry.grade === grade) as AttributeGrade;
  return accept({
    grade,
    limiting: limiting.attribute.name,
    attributes,
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

const rangeOf = (attribute: Attribute): string =>
  attribute.kind === 'choice'
    ? `one of ${attribute.choices.map(({ name }) => name).join(', ')}`
    : `${attribute.low} to ${attribute.high} ${attribute.unit}`.trim();

/** Number of filled holes of a punched grade: A four to D one, X none. */
export const punches = (grade: Grade): number => grades.length - 1 - gradeRank(grade);
