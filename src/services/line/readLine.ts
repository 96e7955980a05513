import type { Knex } from 'knex';
import { lineStages, type LineStage } from '@/core/entities/stages';
import { latelyDays, slowestStage, workingFlows } from '@/core/flow/slowestStage';
import type { News } from '@/core/shop/news';
import { passedStages } from '@/data/flow/passedStages';
import { readTallies } from '@/data/tallies/readTallies';
import { waitingAtStages } from '@/data/flow/waitingAtStages';
import { listBenches } from '@/data/people/benchRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

/** How much lies at every stage, and which is the slowest. */
export interface LineStates {
  readonly states: readonly { readonly stage: LineStage; readonly count: number }[];
  readonly tight: LineStage | null;
}

/** What the stream tells whenever the log has grown. */
export interface LiveMessage {
  readonly news: News;
  /** The line as it is now; null from a stream that was broken, when nobody knows. */
  readonly line: LineStates | null;
  /** How long a screen should wait at least before it is read again once more. */
  readonly gapMs: number;
}

export interface LineView extends LineStates {
  readonly shopName: string;
  /** Where this browser stands. */
  readonly benchName: string;
}

/** What waits at every stage of the line, and which is the slowest. */
export async function readLine(db: Knex, now: Date, bench: string): Promise<LineView> {
  const [line, rules, benches] = await Promise.all([readLineStates(db, now), currentRules(db), listBenches(db)]);
  return { ...line, shopName: rules.shop.name, benchName: benches.find(({ id }) => id === bench)?.name ?? bench };
}

export async function readLineStates(db: Knex, now: Date): Promise<LineStates> {
  const [tallies, passed] = await Promise.all([
    readTallies(db, ['stage', 'place', 'lined']),
    passedStages(db, new Date(now.getTime() - latelyDays * 24 * 3600 * 1000)),
  ]);
  const waiting = await waitingAtStages(db, tallies);
  return {
    states: lineStages.map((stage) => ({ stage, count: waiting[stage] })),
    tight: slowestStage(workingFlows(waiting, passed))?.stage ?? null,
  };
}
