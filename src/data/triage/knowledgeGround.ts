import { modelAmong } from '@/core/procedure/model';
import type { Knex } from 'knex';
import type { KnowledgeGround } from '@/core/triage/shopKnowledge';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { classMarket } from '@/data/parts/classMarket';
import { shelfStock } from '@/data/parts/shelfStock';
import { readTallies } from '@/data/tallies/readTallies';
import { unitsAt } from '@/data/units/unitRepository';
import { resistanceCounts } from '@/data/yields/resistanceCounts';
import { learntNow } from './learntNow';

/** What proposals hang on, as it is counted: `shopKnowledge` makes knowledge of it. */
export async function knowledgeGround(db: Knex, now: Date): Promise<KnowledgeGround> {
  const [{ counts, learnt }, tallies, units] = await Promise.all([
    learntNow(db, now),
    readTallies(db, ['resisted', 'stock', 'whole', 'used']),
    unitsAt(db, ['match']),
  ]);
  const models = await modelsOfUnits(db, units, now);
  const waiting = units.flatMap((unit) => {
    const model = modelAmong(models, unit);
    return model ? [{ unit, model }] : [];
  });
  return {
    ...counts,
    learnt,
    resistances: resistanceCounts(tallies),
    shelf: shelfStock(tallies),
    market: classMarket(tallies, now),
    waiting,
  };
}
