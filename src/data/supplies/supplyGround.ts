import type { Knex } from 'knex';
import { modelBySchools } from '@/core/schools/modelBySchools';
import { suppliesOf } from '@/core/supplies/supplies';
import { usedByDay, type UsedByDay } from '@/core/supplies/usedByDay';
import type { Model } from '@/core/procedure/model';
import { newestModels } from '@/data/models/modelRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { readTallies } from '@/data/tallies/readTallies';

export interface SupplyGround {
  readonly models: readonly Model[];
  readonly supplies: ReturnType<typeof suppliesOf>;
  readonly used: UsedByDay;
}

/** All supplies that the sheets of this house use up, and what they used by day. */
export async function supplyGround(db: Knex): Promise<SupplyGround> {
  const [newest, rules, tallies] = await Promise.all([
    newestModels(db),
    currentRules(db),
    readTallies(db, ['closed', 'screwed']),
  ]);
  const models = newest.map((model) => modelBySchools(model, rules));
  return { models, supplies: suppliesOf(models), used: usedByDay(models, tallies) };
}

/** All that was used of one so far. */
export const usedSoFar = (used: UsedByDay, key: string): number =>
  [...(used.get(key)?.values() ?? [])].reduce((sum, count) => sum + count, 0);
