import quantile from '@stdlib/stats-base-dists-negative-binomial-quantile/lib/main.js';

/** So sure one wants to be that none is missing before the next ones come. */
const serviceLevel = 0.95;

export interface ReorderLine {
  /** Order when no more than this are left. */
  readonly line: number;
  /** Expected use while one waits for them. */
  readonly expected: number;
  readonly usedPerWeek: number;
}

/**
 * The stock at which one orders: what will be used until the order comes, with 95 in 100. Use comes at a rate that is only known
 * from some days of watching, so what comes next is negative binomial (a Poisson number whose rate is uncertain; Jeffreys' prior).
 * Several that are used at once come as so many uses of that size.
 *
 * @param used      in the days that were watched
 * @param perUse    how many at a time, at least 1
 * @param days      watched, at least 1
 * @param leadDays  from the order to its coming
 */
export function reorderLine(used: number, perUse: number, days: number, leadDays: number): ReorderLine {
  const size = Math.max(1, perUse);
  const uses = used / size + 0.5;
  const line = leadDays === 0 || used === 0 ? 0 : size * quantile(serviceLevel, uses, days / (days + leadDays));
  return { line: Math.ceil(line), expected: (used / days) * leadDays, usedPerWeek: (used / days) * 7 };
}
