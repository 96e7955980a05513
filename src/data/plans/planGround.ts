import type { Knex } from 'knex';
import type { PlanGround } from '@/core/teardown/plan/knowledgeOf';
import { classMarket } from '@/data/parts/classMarket';
import { readTallies } from '@/data/tallies/readTallies';
import { learntNow } from '@/data/triage/learntNow';
import { resistanceCounts } from '@/data/yields/resistanceCounts';

/** Stock and use of every interchange class. */
export const marketNow = async (db: Knex, now: Date): Promise<PlanGround['market']> =>
  classMarket(await readTallies(db, ['stock', 'used']), now);

/** What the shop knows that plans for a model hang on: yields and resistance from the log, stock, and how fast it is used. */
export async function planGround(db: Knex, modelId: string, now: Date): Promise<PlanGround> {
  const [{ learnt }, tallies] = await Promise.all([learntNow(db, now), readTallies(db, ['resisted', 'stock', 'used'])]);
  const { yields, yieldsGiven, unseen } = learnt.parts;
  return {
    shares: yields[modelId] ?? {},
    sharesGiven: yieldsGiven[modelId] ?? {},
    unseen,
    market: classMarket(tallies, now),
    resistances: resistanceCounts(tallies)[modelId] ?? [],
  };
}
