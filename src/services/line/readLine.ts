import type { Knex } from 'knex';
import { lineStages, type LineStage } from '@/core/entities/stages';
import { latelyDays, slowestStage, workingFlows } from '@/core/flow/slowestStage';
import { passedStages } from '@/data/flow/passedStages';
import { readTallies } from '@/data/tallies/readTallies';
import { waitingAtStages } from '@/data/flow/waitingAtStages';
import { listBenches } from '@/data/people/benchRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

export interface LineView {
  readonly shopName: string;
  /** Where this browser stands. */
  readonly benchName: string;
  readonly states: readonly { readonly stage: LineStage; readonly count: number }[];
  readonly tight: LineStage | null;
}

/** What waits at every stage of the line, and which is the slowest. */
export async function readLine(db: Knex, now: Date, bench: string): Promise<LineView> {
  const [waiting, passed, rules, benches] = await Promise.all([
    readTallies(db, ['stage', 'place', 'lined']).then((tallies) => waitingAtStages(db, tallies)),
    passedStages(db, new Date(now.getTime() - latelyDays * 24 * 3600 * 1000)),
    currentRules(db),
    listBenches(db),
  ]);
  return {
    shopName: rules.shop.name,
    benchName: benches.find(({ id }) => id === bench)?.name ?? bench,
    states: lineStages.map((stage) => ({ stage, count: waiting[stage] })),
    tight: slowestStage(workingFlows(waiting, passed))?.stage ?? null,
  };
}
