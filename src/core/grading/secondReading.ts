import normalQuantile from '@stdlib/stats-base-dists-normal-quantile/lib/main.js';
import type { GradingInstrument } from '@/core/shared/gradingRules';
import { grades, worstGrade, type Grade } from '@/core/shared/grades';
import { per95 } from '@/core/statistics/per95';
import type { NumberAttribute } from './attributes';
import { certain, chancesOf, clampTo, plusMinusOf, worstOfAll, type GradeChances, type PlusMinus } from './doubt';
import { gradeReading, type Judgement } from './gradePart';

/** Cents that a part of each grade is worth; what is left out is worth nothing. */
export type GradeValues = Readonly<Partial<Record<Grade, number>>>;

export interface SecondReading {
  /** Chance that the grade given now is another than the true one. */
  readonly wrongNow: number;
  /** Expected cents that a wrong grade costs, by one reading and by the mean of two. */
  readonly centsNow: number;
  readonly centsAfter: number;
}

/** Attended minutes that one more reading takes; an analyser runs by itself once the cell hangs on it. */
export const readingMinutes: Readonly<Record<GradingInstrument, number>> = {
  analyser: 2,
  calliper: 0.3,
  'flatness-gauge': 0.5,
  'surface-probe': 0.6,
  'torque-driver': 0.5,
  'sound-level': 0.5,
  'leak-tester': 1.5,
  scale: 0.2,
  screen: 0.5,
  hand: 0.5,
};

/** Points of the second reading's distribution that are looked at: equally likely each. */
const points = 400;

/**
 * What a second reading of one attribute is worth before deciding. A wrong grade costs the difference in money between what was
 * given and what is true, either way. The true value is normal about the first reading, with its standard deviation s; the mean
 * of two readings has s/√2, and lies about the first with s/√2. The grade by the reading is the one that costs least, since it
 * is the median of what is true. The costs are averaged over equally likely means.
 *
 * @returns null where the attribute was not read, or has no spread
 */
export function secondReading(
  judgement: Judgement,
  attribute: NumberAttribute,
  said: PlusMinus,
  values: GradeValues,
): SecondReading | null {
  const reading = judgement.attributes.find((entry) => entry.attribute.id === attribute.id)?.reading;
  const sd = plusMinusOf(attribute, said) / per95;
  if (typeof reading !== 'number' || sd <= 0) return null;
  // Of the others only what they hold it down to counts: their own doubt stays, whatever is read now.
  const others = judgement.attributes.filter((entry) => entry.attribute.id !== attribute.id).map(({ grade }) => grade);
  const held = worstGrade(judgement.cap ? [...others, judgement.cap.grade] : others);
  const weigh = (mean: number, spread: number) => {
    const given = worstGrade([gradeReading(attribute, clampTo(attribute, mean)) ?? 'X', held]);
    const chances = worstOfAll([chancesOf(attribute, mean, spread), certain(held)]);
    return { wrong: 1 - chances[given], cents: costOf(given, chances, values) };
  };
  const now = weigh(reading, sd);
  const half = sd / Math.SQRT2;
  const after = Array.from({ length: points }, (_, point) =>
    weigh(normalQuantile((point + 0.5) / points, reading, half), half),
  );
  return {
    wrongNow: now.wrong,
    centsNow: now.cents,
    centsAfter: after.reduce((total, { cents }) => total + cents, 0) / points,
  };
}

const costOf = (given: Grade, chances: GradeChances, values: GradeValues): number =>
  grades.reduce((cost, truth) => cost + chances[truth] * Math.abs((values[given] ?? 0) - (values[truth] ?? 0)), 0);
