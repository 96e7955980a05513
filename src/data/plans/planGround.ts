import type { Knex } from 'knex';
import type { PlanGround } from '@/core/teardown/plan/knowledgeOf';
import { knownParts } from '@/core/triage/knownYields';
import { classMarket } from '@/data/parts/classMarket';
import { outcomeCounts, outcomeCountsGiven } from '@/data/yields/outcomeCounts';
import { resistanceCounts } from '@/data/yields/resistanceCounts';

const watchedDays = 60;
const daysPerMonth = 30;

/** Stock and use of every interchange class: what one more part of it meets. */
export async function marketNow(db: Knex, now: Date): Promise<PlanGround['market']> {
  const since = new Date(now.getTime() - watchedDays * 24 * 3600 * 1000);
  return Object.fromEntries(
    (await classMarket(db, since)).map(({ interchange, stock, used }) => [
      interchange,
      // Half a part more than was seen: nothing is unsalable for want of evidence.
      { stock, usedPerMonth: ((used + 0.5) / watchedDays) * daysPerMonth },
    ]),
  );
}

/** What the shop knows that plans for a model hang on: yields and resistance from the log, stock, and how fast it is used. */
export async function planGround(db: Knex, modelId: string, now: Date): Promise<PlanGround> {
  const [outcomes, outcomesGiven, market, resistances] = await Promise.all([
    outcomeCounts(db),
    outcomeCountsGiven(db),
    marketNow(db, now),
    resistanceCounts(db),
  ]);
  const { yields, yieldsGiven, unseen } = knownParts(outcomes, outcomesGiven);
  return {
    shares: yields[modelId] ?? {},
    sharesGiven: yieldsGiven[modelId] ?? {},
    unseen,
    market,
    resistances: resistances[modelId] ?? [],
  };
}
