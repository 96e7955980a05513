import type { HarvestYield } from './harvestYield';

/**
 * The one sentence about harvest yields: the part whose range lies clearly below what all parts together give, the worst
 * first; or that none does.
 */
export function sayChange(yields: readonly (HarvestYield & { readonly name: string })[]): string {
  const good = yields.reduce((sum, entry) => sum + entry.good, 0);
  const sought = yields.reduce((sum, entry) => sum + entry.sought, 0);
  if (sought === 0) return 'No part was harvested yet';
  const overall = good / sought;
  const [worst] = yields
    .filter(({ interval }) => interval.high < overall)
    .sort((a, b) => a.interval.estimate - b.interval.estimate);
  if (worst)
    return `${worst.name}: ${worst.good} of ${worst.sought} come out good, all parts together ${Math.round(overall * 100)} in 100`;
  return `${good} of ${sought} parts come out good, and none is clearly worse than the rest`;
}
