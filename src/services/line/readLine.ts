import { currentRules } from '@/data/rules/houseRulesRepository';
import type { Knex } from 'knex';
import { lineStages, type LineStage } from '@/core/entities/stages';
import { slowestStage } from '@/core/flow/slowestStage';
import { passedStages } from '@/data/flow/passedStages';
import { waitingAtStages } from '@/data/flow/waitingAtStages';

export interface LineView {
  readonly shopName: string;
  readonly states: readonly { readonly stage: LineStage; readonly count: number }[];
  readonly tight: LineStage | null;
}

const lately = 7 * 24 * 3600 * 1000;
/** Stages where things wait for work; the dock's lines are still in the box, and the shelf is meant to be full. */
const working: ReadonlySet<LineStage> = new Set(['triage', 'teardown', 'grade', 'match', 'rebuild', 'prove', 'send']);

/** What waits at every stage of the line, and which is the slowest. */
export async function readLine(db: Knex, now: Date): Promise<LineView> {
  const [waiting, passed, rules] = await Promise.all([
    waitingAtStages(db),
    passedStages(db, new Date(now.getTime() - lately)),
    currentRules(db),
  ]);
  const states = lineStages.map((stage) => ({ stage, count: waiting[stage] }));
  const flows = states
    .filter(({ stage }) => working.has(stage))
    .map(({ stage, count }) => ({ stage, waiting: count, passed: passed[stage] ?? 0 }));
  return { shopName: rules.shop.name, states, tight: slowestStage(flows) };
}
