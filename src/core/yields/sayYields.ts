import type { HarvestYield } from './harvestYield';
import { message, type Message } from '@/core/shared/message';

/**
 * The one sentence about harvest yields: the worst part of those that are clearly below the others; or that none is.
 */
export function sayChange(yields: readonly (HarvestYield & { readonly name: string })[]): Message<'yields'> {
  const good = yields.reduce((sum, entry) => sum + entry.good, 0);
  const sought = yields.reduce((sum, entry) => sum + entry.sought, 0);
  if (sought === 0) return message('yields.noPartHasBeenHarvested');
  const overall = good / sought;
  const [worst] = yields.filter(({ isBelow }) => isBelow).sort((a, b) => a.interval.estimate - b.interval.estimate);
  if (worst)
    return message('yields.comeOutGoodAllParts', {
      name: worst.name,
      good: worst.good,
      sought: worst.sought,
      overall,
    });
  return message('yields.partsComeOutGoodNone', { good, sought });
}
