import type { Model } from '@/core/procedure/model';
import { applyEvent } from './applyEvent';
import type { RecordedEvent } from './events';
import { MemoryWorld } from './memoryWorld';

/**
 * Rebuilds the state of the shop from its log alone.
 *
 * @param eventsSorted  the whole log by position, from 1 without gaps
 * @param models        every model version that the log speaks of
 * @throws RangeError when a position is missing, or a recorded fact is refused: the log is not whole
 */
export function replay(eventsSorted: readonly RecordedEvent[], models: readonly Model[]): MemoryWorld {
  const world = new MemoryWorld(models, true);
  eventsSorted.forEach((event, index) => {
    if (event.position !== index + 1) throw new RangeError(`replay: position ${index + 1} is missing`);
    const outcome = applyEvent(world, event);
    if (!outcome.ok) throw new RangeError(`replay: ${event.position} ${event.type} refused: ${outcome.refusal.reason}`);
    world.commit(event, outcome.value);
  });
  return world;
}
