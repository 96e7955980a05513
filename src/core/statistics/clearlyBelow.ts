import gammaln from '@stdlib/math-base-special-gammaln';

export interface Tried {
  /** Successes, a whole number from 0 to `sought`. */
  readonly good: number;
  readonly sought: number;
}

/**
 * Which of several shares lie clearly below what all the others together give: of those named, a share `rate` at most is
 * named wrongly in the long run, however many are looked at; where all are alike, so is the chance of naming any.
 *
 * Each is held against all others (a hypergeometric tail, one-sided, exact), and all tails together against the rate.
 *
 * @throws RangeError for counts that cannot be
 * Source: R. A. Fisher's exact test; Y. Benjamini and Y. Hochberg, Controlling the false discovery rate, JRSS B 57 (1995)
 */
export function clearlyBelow(counts: readonly Tried[], rate = 0.05): readonly boolean[] {
  const good = counts.reduce((sum, own) => sum + own.good, 0);
  const sought = counts.reduce((sum, own) => sum + own.sought, 0);
  const tails = counts.map((own) => lowerTail(own, { good, sought }));
  const sorted = [...tails].sort((a, b) => a - b);
  const last = sorted.findLastIndex((tail, at) => tail <= (rate * (at + 1)) / counts.length);
  const most = last === -1 ? -1 : (sorted[last] as number);
  return tails.map((tail) => tail <= most);
}

/** Chance of so few good ones among those sought, were they drawn from all alike. */
function lowerTail({ good, sought }: Tried, all: Tried): number {
  if (!Number.isInteger(good) || !Number.isInteger(sought) || good < 0 || good > sought) {
    throw new RangeError(`clearlyBelow: ${good} of ${sought}`);
  }
  const bad = all.sought - all.good;
  let sum = 0;
  for (let few = Math.max(0, sought - bad); few <= good; few += 1) {
    sum += Math.exp(logChoose(all.good, few) + logChoose(bad, sought - few) - logChoose(all.sought, sought));
  }
  return Math.min(1, sum);
}

const logChoose = (of: number, take: number): number => gammaln(of + 1) - gammaln(take + 1) - gammaln(of - take + 1);
