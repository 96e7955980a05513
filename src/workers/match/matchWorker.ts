import type { MessagePort } from 'node:worker_threads';
import type { KnownWays } from '@/core/matching/kindWays';
import type { MatchStock } from '@/core/matching/matchStock';
import type { MatchTerms } from '@/core/matching/stockProblem';
import { accept, type Outcome } from '@/core/shared/outcome';
import type { HouseRules } from '@/core/shared/houseRules';
import { judgeDocument } from '@/files/matchProblemDocument';
import {
  planStock,
  planWithout,
  worthOfMore,
  type OneMore,
  type PlanWatch,
  type ShopPlan,
  type WithoutIt,
} from './matchJobs';

/** One number that both sides see: anything but nought ends the search with what it has. */
interface CalledOff {
  readonly flag: SharedArrayBuffer;
}

/** A problem as it came from outside: it is judged here. */
interface OfProblem extends CalledOff {
  readonly problem: unknown;
  readonly cents: number;
  readonly seconds: number;
}

/** What a thread is asked: a plan of a stock, the next best to a choice, or what one more would bring. */
export type MatchTask =
  | (CalledOff & {
      readonly ask: 'plan';
      readonly stock: MatchStock;
      readonly terms: MatchTerms;
      readonly rules: HouseRules;
      /** What others have worked out of its kinds of units. */
      readonly ways: KnownWays;
      readonly seconds: number;
      readonly port: MessagePort;
    })
  | (OfProblem & { readonly ask: 'without'; readonly choice: Parameters<typeof planWithout>[2] })
  | (OfProblem & { readonly ask: 'more' });

/** How far a plan is: kinds of units that were looked at, then the best so far and its bound, in cents. */
export type MatchProgress =
  { readonly kinds: number; readonly outOf: number } | { readonly gain: number; readonly bound: number };

/** So many kinds of units at a time are told of. */
const kindsTold = 10;

/** Runs in a thread of its own: pages go on, and what goes wrong in the solver ends this thread and nothing else. */
export default async function work(
  task: MatchTask,
): Promise<ShopPlan | Outcome<WithoutIt> | Outcome<readonly OneMore[]>> {
  const flag = new Int32Array(task.flag);
  const isCancelled = () => Atomics.load(flag, 0) !== 0;
  if (task.ask !== 'plan') {
    const problem = judgeDocument(task.problem);
    if (!problem.ok) return problem;
    const { cents, seconds } = task;
    if (task.ask === 'more') return accept(await worthOfMore(problem.value, cents, seconds, { isCancelled }));
    return accept(await planWithout(problem.value, cents, task.choice, seconds, { isCancelled }));
  }
  const watch: PlanWatch = {
    isCancelled,
    onKinds: ({ kinds, outOf }) => {
      if (kinds % kindsTold === 0) task.port.postMessage({ kinds, outOf } satisfies MatchProgress);
    },
    onProgress: (progress) => task.port.postMessage(progress satisfies MatchProgress),
  };
  return planStock(task.stock, task.terms, task.rules, task.seconds, watch, task.ways);
}
