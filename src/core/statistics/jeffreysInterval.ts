import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';

export interface ShareInterval {
  /** Share observed, or the prior's middle when nothing was tried. */
  readonly estimate: number;
  readonly low: number;
  readonly high: number;
}

/**
 * Equal-tailed Jeffreys interval for a share: quantiles of Beta(k + ½, n − k + ½), with the lower end 0 at k = 0 and the
 * upper end 1 at k = n.
 *
 * @param good   successes, a whole number from 0 to `tried`
 * @param tried  trials, a whole number
 * @param level  coverage in (0, 1), 0.95 unless given
 * @returns shares in [0, 1]; at n = 0 the whole range
 * @throws RangeError for counts that cannot be
 * Source: Brown, Cai, DasGupta, "Interval estimation for a binomial proportion", Statistical Science 16 (2001).
 */
export function jeffreysInterval(good: number, tried: number, level = 0.95): ShareInterval {
  if (!Number.isInteger(good) || !Number.isInteger(tried) || good < 0 || good > tried) {
    throw new RangeError(`jeffreysInterval: ${good} of ${tried}`);
  }
  if (!(level > 0 && level < 1)) throw new RangeError(`jeffreysInterval: level ${level}`);
  if (tried === 0) return { estimate: 0.5, low: 0, high: 1 };
  const tail = (1 - level) / 2;
  const [a, b] = [good + 0.5, tried - good + 0.5];
  return {
    estimate: good / tried,
    low: good === 0 ? 0 : betaQuantile(tail, a, b),
    high: good === tried ? 1 : betaQuantile(1 - tail, a, b),
  };
}
