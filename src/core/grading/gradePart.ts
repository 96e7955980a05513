import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { gradeRank, grades, worstGrade, type Grade } from '@/core/shared/grades';
import type { Finding, PartCategory } from '@/core/procedure/vocabulary';
import { capOf, type FindingCap } from './findingCaps';
import { attributesOf, type Attribute, type Readings } from './rules';

export interface AttributeGrade {
  readonly attribute: Attribute;
  readonly reading: number | string;
  readonly grade: Grade;
}

export interface Judgement {
  readonly grade: Grade;
  /** Name of the attribute that holds the grade down, the first of several; or what was found in the unit. */
  readonly limiting: string;
  readonly attributes: readonly AttributeGrade[];
  /** What was found in its unit, where that is what holds it down. */
  readonly cap: FindingCap | null;
  /** The grade it would have if that one attribute were perfect. */
  readonly without: Grade;
}

/**
 * Grades a part: the worst attribute decides, and is named; what was found in its unit may hold it down further.
 *
 * @param findings  of the unit it came out of
 * @param readings  one reading for each attribute of the category
 * @refuses 'readings-missing' with the first attribute not read; 'bad-input' for a reading outside its range or choices
 */
export function gradePart(
  category: PartCategory,
  readings: Readings,
  findings: readonly Finding[] = [],
): Outcome<Judgement> {
  const attributes: AttributeGrade[] = [];
  for (const attribute of attributesOf(category)) {
    const reading = readings[attribute.id];
    if (reading === undefined) return refuse('readings-missing', { attribute: attribute.name });
    const grade = gradeReading(attribute, reading);
    if (!grade) return refuse('bad-input', { field: attribute.name, says: rangeOf(attribute) });
    attributes.push({ attribute, reading, grade });
  }
  const grade = worstGrade(attributes.map((entry) => entry.grade));
  const cap = capOf(category, findings);
  if (cap && worstGrade([cap.grade, grade]) !== grade)
    return accept({
      grade: cap.grade,
      limiting: findingLimits[cap.finding] ?? cap.finding,
      attributes,
      cap,
      without: grade,
    });
  const limiting = attributes.find((entry) => entry.grade === grade) as AttributeGrade;
  return accept({
    grade,
    limiting: limiting.attribute.name,
    attributes,
    cap: null,
    without: worstGrade(attributes.filter((entry) => entry !== limiting).map((entry) => entry.grade)),
  });
}

/** What a finding is called where it limits a grade. */
const findingLimits: Partial<Record<Finding, string>> = {
  liquid: 'Liquid in the unit',
  swelling: 'Swollen cell in the unit',
  dent: 'Dent in the unit',
};

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
