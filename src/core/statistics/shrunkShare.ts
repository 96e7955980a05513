import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';

/**
 * A share of which little is known, drawn towards what is known in general: the Beta posterior whose prior has the general
 * share and counts for `weight` trials.
 *
 * @param good    successes, from 0 to `tried`
 * @param prior   general share, in (0, 1)
 * @param level   coverage of the interval, in (0, 1)
 * @returns posterior mean and equal-tailed interval, in [0, 1], and the trials that it is worth, the prior's among them
 * @throws RangeError for counts or a prior that cannot be
 * Source: conjugate Beta-binomial model
 */
export function shrunkShare(
  good: number,
  tried: number,
  prior: number,
  weight: number,
  level: number,
): { readonly share: number; readonly low: number; readonly high: number; readonly weight: number } {
  if (!(good >= 0 && good <= tried)) throw new RangeError(`shrunkShare: ${good} of ${tried}`);
  if (!(prior > 0 && prior < 1 && weight > 0)) throw new RangeError(`shrunkShare: a prior of ${prior}, ${weight}`);
  const [a, b] = [good + weight * prior, tried - good + weight * (1 - prior)];
  const tail = (1 - level) / 2;
  return { share: a / (a + b), low: betaQuantile(tail, a, b), high: betaQuantile(1 - tail, a, b), weight: a + b };
}
