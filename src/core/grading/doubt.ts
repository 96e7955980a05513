import normalCdf from '@stdlib/stats-base-dists-normal-cdf/lib/main.js';
import { gradeRank, grades, type Grade } from '@/core/shared/grades';
import { limitedGrades } from '@/core/shared/gradingRules';
import { per95 } from '@/core/statistics/per95';
import type { NumberAttribute } from './attributes';
import { gradeReading, type Judgement } from './gradePart';

/** Half of the interval in which 95 of 100 readings lie, by attribute, where an instrument said its own. */
export type PlusMinus = Readonly<Record<string, number>>;

export type GradeChances = Readonly<Record<Grade, number>>;

/** Half of the 95 % interval of a reading: what its instrument said, or what instruments of its kind have. */
export const plusMinusOf = (attribute: NumberAttribute, said: PlusMinus): number =>
  said[attribute.id] ?? attribute.plusMinus;

/**
 * The chance of each grade for what was measured, given one reading with its spread: the true value is taken to lie about the
 * reading as a normal variable. Counts (spread 0) have one grade.
 *
 * @param sd  standard deviation of the reading, in the unit of the attribute
 */
export function chancesOf(attribute: NumberAttribute, reading: number, sd: number): GradeChances {
  const given = gradeReading(attribute, clampTo(attribute, reading)) ?? 'X';
  if (sd <= 0) return certain(given);
  // Chance that the true value is at least as good as a limit.
  const reaches = limitedGrades.map((grade) => {
    const limit = attribute.limits[grade];
    const below = normalCdf(limit, reading, sd);
    return attribute.better === 'higher' ? 1 - below : below;
  });
  return asChances([...reaches, 1].map((reach, at) => reach - (at === 0 ? 0 : (reaches[at - 1] as number))));
}

/**
 * The chance of each grade of a whole part: the worst of its attributes, each measured by itself.
 *
 * @param said  spreads that instruments gave, by attribute
 */
export function partChances(judgement: Judgement, said: PlusMinus): GradeChances {
  const each = judgement.attributes.map(({ attribute, reading, grade }) =>
    attribute.kind === 'number' && typeof reading === 'number'
      ? chancesOf(attribute, reading, plusMinusOf(attribute, said) / per95)
      : certain(grade),
  );
  if (judgement.cap || judgement.limiting === 'used-once') each.push(certain(judgement.grade));
  return worstOfAll(each);
}

/** Chances of the worst of several grades that are independent of each other. */
export function worstOfAll(each: readonly GradeChances[]): GradeChances {
  const atLeast = grades.map((_, rank) =>
    each.reduce((product, chances) => product * sum(grades.slice(0, rank + 1).map((grade) => chances[grade])), 1),
  );
  return asChances(atLeast.map((reach, at) => reach - (at === 0 ? 0 : (atLeast[at - 1] as number))));
}

/** Attributes whose interval crosses a limit that would change the part's grade, the most doubtful first. */
export function doubtful(judgement: Judgement, said: PlusMinus): readonly NumberAttribute[] {
  if (judgement.cap || judgement.limiting === 'used-once') return [];
  const rank = gradeRank(judgement.grade);
  return judgement.attributes
    .flatMap(({ attribute, reading }) => {
      if (attribute.kind !== 'number' || typeof reading !== 'number') return [];
      const half = plusMinusOf(attribute, said);
      const ends = [reading - half, reading + half].map((end) =>
        gradeRank(gradeReading(attribute, clampTo(attribute, end)) ?? 'X'),
      );
      const [best, worst] = [Math.min(...ends), Math.max(...ends)];
      // Better than it is changes nothing while another attribute holds the part down as far.
      const others = Math.max(
        0,
        ...judgement.attributes.filter((entry) => entry.attribute !== attribute).map(({ grade }) => gradeRank(grade)),
      );
      const changes = worst > rank || Math.max(best, others) < rank;
      if (!changes) return [];
      const chances = chancesOf(attribute, reading, half / per95);
      return [{ attribute, sure: chances[gradeReading(attribute, reading) ?? 'X'] }];
    })
    .sort((a, b) => a.sure - b.sure)
    .map(({ attribute }) => attribute);
}

/** A value as an instrument of this range would show it. */
export const clampTo = ({ low, high }: NumberAttribute, value: number): number => Math.min(high, Math.max(low, value));

const sum = (values: readonly number[]): number => values.reduce((total, value) => total + value, 0);

/** Chances of what is not in doubt. */
export const certain = (given: Grade): GradeChances => asChances(grades.map((grade) => (grade === given ? 1 : 0)));

/** Differences of products may fall a hair below nothing. */
const asChances = (shares: readonly number[]): GradeChances =>
  Object.fromEntries(grades.map((grade, at) => [grade, Math.max(0, shares[at] ?? 0)])) as GradeChances;
