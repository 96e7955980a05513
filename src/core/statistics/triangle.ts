import quantile from '@stdlib/stats-base-dists-triangular-quantile/lib/main.js';
import variance from '@stdlib/stats-base-dists-triangular-variance/lib/main.js';
import type { Chance } from '@/core/shared/chance';

/** Three guesses of a length of time: at best, most likely, at worst. */
export interface Triangle {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/**
 * The value below which a share of the triangular distribution lies.
 *
 * @param share  in [0, 1]
 * @returns in [low, high]; that one value when all three are the same
 * @throws RangeError for a share outside, or guesses out of order
 */
export function triangleQuantile({ low, likely, high }: Triangle, share: number): number {
  if (!(share >= 0 && share <= 1)) throw new RangeError(`triangleQuantile: share ${share}`);
  if (!(low <= likely && likely <= high)) throw new RangeError(`triangleQuantile: ${low}, ${likely}, ${high}`);
  return low === high ? low : quantile(share, low, high, likely);
}

export const triangleVariance = ({ low, likely, high }: Triangle): number => variance(low, high, likely);

/** A number from a triangle, by the inverse of its distribution. */
export const drawTriangle = (triangle: Triangle, chance: Chance): number => triangleQuantile(triangle, chance.next());
