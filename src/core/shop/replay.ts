import type { HouseRules } from '@/core/shared/houseRules';
import type { Model } from '@/core/procedure/model';
import { applyFact } from './applyFact';
import type { RecordedFact } from './facts';
import { MemoryWorld } from './memoryWorld';

/**
 * Rebuilds the state of the shop from its log alone.
 *
 * @param factsSorted  the whole log by position, from 1 without gaps
 * @param models        every model version that the log speaks of
 * @param ruleBook      every version of the house rules
 * @throws RangeError when a position is missing, or a recorded fact is refused: the log is not whole
 */
export function replay(
  factsSorted: readonly RecordedFact[],
  models: readonly Model[],
  ruleBook: readonly HouseRules[],
): MemoryWorld {
  const world = new MemoryWorld(models, ruleBook, true);
  factsSorted.forEach((fact, index) => {
    if (fact.position !== index + 1) throw new RangeError(`replay: position ${index + 1} is missing`);
    const outcome = applyFact(world, fact);
    if (!outcome.ok) throw new RangeError(`replay: ${fact.position} ${fact.type} refused: ${outcome.refusal.reason}`);
    world.commit(fact, outcome.value);
  });
  return world;
}
