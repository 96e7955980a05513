import gammaln from '@stdlib/math-base-special-gammaln';

/** Successes among the trials of one group. */
export interface GroupCount {
  readonly good: number;
  readonly sought: number;
}

/** One thing in group after group, and what was expected of it before the first: a share, worth so many trials. */
export interface Series {
  readonly groups: readonly GroupCount[];
  readonly prior: { readonly share: number; readonly weight: number };
}

/** Weights that are tried, from groups that have little in common to ones that are as good as alike. */
const tried = Array.from({ length: 24 }, (_, at) => 1.4 ** at);

/**
 * How far groups stray: the share of one group is as uncertain about the general one as so many trials would leave it. Each
 * group is foretold from those before it, and weights count by how well they did that; the first group of a series, of which
 * nothing can be foretold but what was expected anyway, says nothing.
 *
 * @param middle  of the weights that are expected, above 0: as if they were log-normal about it, by one unit of logarithm
 * @returns the weight whose variance is that of all that are still possible: between 1 and some 2,300
 * Cost: 24 evaluations for each group
 * Source: beta-binomial with its weight integrated over a grid; foretold one by one after A. P. Dawid, The prequential
 * approach, JRSS A 147 (1984)
 */
export function strayWeight(series: readonly Series[], middle: number): number {
  const several = series
    .map((own) => ({ ...own, groups: own.groups.filter(({ sought }) => sought > 0) }))
    .filter(({ groups }) => groups.length > 1);
  const logs = tried.map(
    (weight) => several.reduce((sum, own) => sum + foretold(own, weight), 0) - 0.5 * Math.log(weight / middle) ** 2,
  );
  const top = Math.max(...logs);
  const odds = logs.map((log) => Math.exp(log - top));
  const all = odds.reduce((sum, own) => sum + own, 0);
  const alike = tried.reduce((sum, weight, at) => sum + ((odds[at] as number) / all) * alikeness(weight), 0);
  return 1 / alike - 1;
}

/** Correlation of two trials of one group. */
const alikeness = (weight: number): number => 1 / (weight + 1);

/**
 * So many trials of different groups would say as much of the general share as these of one group do.
 *
 * @param weight  how far groups stray, see `strayWeight`; Infinity where they do not
 * Source: the design effect of L. Kish, Survey Sampling (1965)
 */
export const effectiveTrials = (sought: number, weight: number): number =>
  sought <= 1 ? sought : sought / (1 + (sought - 1) * alikeness(weight));

/** Logarithm of how likely the groups are after the first, each foretold from those before it. */
function foretold({ groups, prior }: Series, weight: number): number {
  const own = alikeness(weight);
  let [good, trials] = [prior.share * prior.weight, prior.weight];
  let sum = 0;
  groups.forEach((group, at) => {
    if (at > 0) {
      // What is not known of the general share, and how far this group strays from it.
      const open = 1 / (trials + 1);
      const worth = 1 / (open + own * (1 - open)) - 1;
      const [a, b] = [(worth * good) / trials, worth * (1 - good / trials)];
      sum += logOdds(a, b, group);
    }
    const worth = effectiveTrials(group.sought, weight);
    good += (group.good / group.sought) * worth;
    trials += worth;
  });
  return sum;
}

/** More factors than these may run out of what a number holds. */
const mostFactors = 40;

/** Logarithm of B(a + good, b + bad) / B(a, b): of a few trials by the product that it is, which takes a tenth of the time. */
function logOdds(a: number, b: number, { good, sought }: GroupCount): number {
  const bad = sought - good;
  if (sought > mostFactors || !Number.isInteger(good) || !Number.isInteger(bad))
    return logBeta(a + good, b + bad) - logBeta(a, b);
  let odds = 1;
  for (let at = 0; at < good; at += 1) odds *= (a + at) / (a + b + at);
  for (let at = 0; at < bad; at += 1) odds *= (b + at) / (a + b + good + at);
  return Math.log(odds);
}

const logBeta = (a: number, b: number): number => gammaln(a) + gammaln(b) - gammaln(a + b);
