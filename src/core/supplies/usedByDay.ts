import type { Model } from '@/core/procedure/model';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
import type { Tally } from '@/core/tallies/tally';
import { usesOf } from './supplies';

/** How many of each supply the sheets used, by its key and the day (ISO, UTC). */
export type UsedByDay = ReadonlyMap<string, ReadonlyMap<string, number>>;

/**
 * What the sheets used up: what every step of the way back that was done takes, and a spare for every screw that was missing,
 * stripped, foreign or too short. A screw's trouble names its step, not the screw: where a step has screws of several kinds the
 * spare is counted as one of which it has most.
 *
 * @param closed   steps of the way back by model, operation and day
 * @param screwed  spare screws by model, step and day
 */
export function usedByDay(
  models: readonly Pick<Model, 'id' | 'operations' | 'joints'>[],
  { closed, screwed }: { readonly closed: readonly Tally[]; readonly screwed: readonly Tally[] },
): UsedByDay {
  const uses = new Map(models.map((model) => [model.id, usesOf(model)]));
  const used = new Map<string, Map<string, number>>();
  const add = (key: string, day: string, count: number) => {
    const days = used.get(key) ?? new Map<string, number>();
    days.set(day, (days.get(day) ?? 0) + count);
    used.set(key, days);
  };
  for (const { modelId, about, more: day, count } of closed)
    for (const use of uses.get(modelId)?.back.get(about) ?? []) add(use.supply.key, day, use.count * count);
  for (const { modelId, about, more: day, count } of screwed) {
    const [first] = uses.get(modelId)?.spare.get(readStepId(about).id) ?? [];
    if (first) add(first.supply.key, day, count);
  }
  return used;
}
