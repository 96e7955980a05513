import type { Knex } from 'knex';
import { startingHouseRules } from '@/core/shared/houseRules';
import type { ShopKnowledge } from '@/core/triage/knowledge';
import { knownTests, knownYields, knownYieldsGiven, unseenYield } from '@/core/triage/knownYields';
import { lackingParts } from '@/core/triage/lackingParts';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { shelfStock } from '@/data/parts/partRepository';
import { marketNow } from '@/data/plans/planGround';
import { unitsAt } from '@/data/units/unitRepository';
import { outcomeCounts, outcomeCountsGiven } from '@/data/yields/outcomeCounts';
import { testCounts } from '@/data/yields/testCounts';

/** What the shop knows that proposals hang on: yields, quick tests, stock and its use, and what builds wait for. */
export async function triageKnowledge(db: Knex, now: Date): Promise<ShopKnowledge> {
  const [counts, given, tests, shelf, market, waiting] = await Promise.all([
    outcomeCounts(db),
    outcomeCountsGiven(db),
    testCounts(db),
    shelfStock(db),
    marketNow(db, now),
    unitsAt(db, ['match']),
  ]);
  const models = await modelsOfUnits(db, waiting);
  const yields = knownYields(counts);
  const common = { shelf, market, unseen: unseenYield, tests: knownTests(tests) };
  const lacking = lackingParts(
    waiting.flatMap((unit) => {
      const model = models.find(({ id, version }) => id === unit.modelId && version === unit.modelVersion);
      return model ? [{ unit, model }] : [];
    }),
    { ...common, yields: {}, yieldsGiven: {} },
    startingHouseRules,
  );
  return { known: { ...common, lacking }, yields, yieldsGiven: knownYieldsGiven(given, yields) };
}
