import gammaln from '@stdlib/math-base-special-gammaln';

/** Successes among trials, and the share that is expected of them in general. */
export interface PooledCount {
  readonly good: number;
  readonly sought: number;
  readonly prior: number;
}

/** Weights that are tried, each a tenth more than the one before. */
const tried = Array.from({ length: 70 }, (_, at) => 0.5 * 1.1 ** at);

/**
 * How many trials a general share is worth where single ones are drawn towards it: as many as makes what was seen likeliest
 * (each share a Beta of the general one and that weight), starting from a guess that counts for little.
 *
 * @param start  the guess, above 0: what is returned without any counts
 * @returns between 0.5 and some 360
 * Cost: O(counts)
 * Source: empirical Bayes for the beta-binomial; the guess enters as a log-normal prior of one unit of logarithm
 */
export function pooledWeight(counts: readonly PooledCount[], start: number): number {
  const seen = counts.filter(({ sought, prior }) => sought > 0 && prior > 0 && prior < 1);
  if (seen.length === 0) return start;
  const likelihood = (weight: number) =>
    seen.reduce(
      (sum, { good, sought, prior }) => {
        const [a, b] = [weight * prior, weight * (1 - prior)];
        return sum + logBeta(a + good, b + sought - good) - logBeta(a, b);
      },
      -0.5 * Math.log(weight / start) ** 2,
    );
  let [best, most] = [tried[0] as number, -Infinity];
  for (const weight of tried) {
    const own = likelihood(weight);
    if (own > most) [best, most] = [weight, own];
  }
  return best;
}

const logBeta = (a: number, b: number): number => gammaln(a) + gammaln(b) - gammaln(a + b);
