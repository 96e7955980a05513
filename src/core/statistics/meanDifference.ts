import tCdf from '@stdlib/stats-base-dists-t-cdf/lib/main.js';
import tQuantile from '@stdlib/stats-base-dists-t-quantile/lib/main.js';

export interface MeanDifference {
  /** Mean of the first, less that of the second. */
  readonly mean: number;
  /** Where it lies at the level asked for. */
  readonly low: number;
  readonly high: number;
  /** Chance of so great a difference, either way, if there were none. */
  readonly tail: number;
}

/**
 * How far two means lie apart, for samples whose spreads may differ.
 *
 * @param values   at least two
 * @param against  none, and the first are held against nought; otherwise at least two
 * @param level    coverage in (0, 1) of the interval
 * @throws RangeError for a single value, which has no spread
 * Source: B. L. Welch, The generalization of "Student's" problem, Biometrika 34 (1947)
 */
export function meanDifference(values: readonly number[], against: readonly number[], level: number): MeanDifference {
  const parts = [momentsOf(values), ...(against.length === 0 ? [] : [momentsOf(against)])];
  const mean = (parts[0]?.mean as number) - (parts[1]?.mean ?? 0);
  const variance = parts.reduce((sum, own) => sum + own.ofMean, 0);
  // Where nothing varies there is nothing to doubt.
  if (variance === 0) return { mean, low: mean, high: mean, tail: mean === 0 ? 1 : 0 };
  const freedom = variance ** 2 / parts.reduce((sum, { ofMean, count }) => sum + ofMean ** 2 / (count - 1), 0);
  const error = Math.sqrt(variance);
  const reach = tQuantile((1 + level) / 2, freedom) * error;
  return { mean, low: mean - reach, high: mean + reach, tail: 2 * tCdf(-Math.abs(mean) / error, freedom) };
}

function momentsOf(values: readonly number[]) {
  const count = values.length;
  if (count < 2) throw new RangeError(`meanDifference: ${count} values`);
  const mean = values.reduce((sum, value) => sum + value, 0) / count;
  const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  return { count, mean, ofMean: squares / (count - 1) / count };
}
