import { modelAmong } from '@/core/procedure/model';
import type { Knex } from 'knex';
import type { KnowledgeGround } from '@/core/triage/shopKnowledge';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { shelfStock } from '@/data/parts/partRepository';
import { marketNow } from '@/data/plans/planGround';
import { unitsAt } from '@/data/units/unitRepository';
import { lookCounts } from '@/data/yields/lookCounts';
import { outcomeCounts, outcomeCountsGiven } from '@/data/yields/outcomeCounts';
import { resistanceCounts } from '@/data/yields/resistanceCounts';
import { testCounts } from '@/data/yields/testCounts';

/** What proposals hang on, as it is counted: `shopKnowledge` makes knowledge of it. */
export async function knowledgeGround(db: Knex, now: Date): Promise<KnowledgeGround> {
  const [outcomes, outcomesGiven, tests, looks, resistances, shelf, market, units] = await Promise.all([
    outcomeCounts(db),
    outcomeCountsGiven(db),
    testCounts(db),
    lookCounts(db),
    resistanceCounts(db),
    shelfStock(db),
    marketNow(db, now),
    unitsAt(db, ['match']),
  ]);
  const models = await modelsOfUnits(db, units, now);
  const waiting = units.flatMap((unit) => {
    const model = modelAmong(models, unit);
    return model ? [{ unit, model }] : [];
  });
  return { outcomes, outcomesGiven, tests, looks, resistances, shelf, market, waiting };
}
