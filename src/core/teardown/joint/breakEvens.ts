import type { Placed } from '../order/sequenceProblem';
import { bestPlan } from './bestPlan';
import { compileProblem } from '../order/compiledProblem';
import { centsAlong, needsOf, reachOf, type Reach } from './planMoney';
import { sureParts } from './sureParts';
import { trimmed } from './trimmed';
import { slack, type BestPlan, type PlanBudget, type PlanProblem } from './planProblem';

/** From which price a part pays. */
export interface BreakEven {
  /** The least whole price of a sound one at which the best plan frees it; null when none does. */
  readonly payFromCents: number | null;
  /** False when a search for it was cut short. */
  readonly isProven: boolean;
  /** Operations of the plan that frees it which the best plan without its worth does not do. */
  readonly extra: readonly number[];
}

/** A problem as it is when a sound one of a part fetches so many cents. */
export type AtPrice = (cents: number) => PlanProblem;

/** More than any part fetches, in cents. */
const dearest = 10_000_000;

/**
 * From which price of a sound one a part pays, everything else as it is: at that very cent the whole plan takes it, a cent
 * below it does not.
 *
 * The best plan when the part is worth nothing is compared with the best that frees it. What that one brings grows with
 * the price by the chance that the part comes out whole in it; where that chance hangs on the way, the plan that is best
 * at the price found may be another one, and the price falls to the one where that breaks even, until none is below it.
 *
 * @param part      its number
 * @param nowCents  what a sound one fetches now
 * @param best      the best plan at that price
 * @returns payFromCents 0 for a part that comes out anyway
 * Cost: one or two searches like the one for the best plan, seldom more
 */
export function breakEven(
  part: number,
  nowCents: number,
  atPrice: AtPrice,
  best: BestPlan,
  budget: PlanBudget,
): BreakEven {
  const worthless = atPrice(0);
  const reach = reachOf(worthless);
  const frees = (plan: Pick<BestPlan, 'order'>) =>
    plan.order.some(({ operation }) => worthless.operations[operation]?.frees.includes(part));
  if (frees(best) && comesAlong(worthless, part, reach)) return { payFromCents: 0, isProven: true, extra: [] };
  const without = frees(best) ? (bestPlan(worthless, budget, trimmed(worthless, best.order, reach)) as BestPlan) : best;
  if (frees(without)) return { payFromCents: 0, isProven: without.isProven, extra: [] };
  const forced = (cents: number, start?: readonly Placed[]) =>
    bestPlan({ ...atPrice(cents), wanted: [...worthless.wanted, part] }, budget, start);
  let plan = frees(best) ? best : forced(nowCents);
  if (!plan) return { payFromCents: null, isProven: true, extra: [] };
  let isProven = without.isProven && plan.isProven;
  const priceOf = ({ order }: BestPlan): number | null => {
    const none = centsAlong(worthless, order, reach);
    const each = centsAlong(atPrice(1), order, reach) - none;
    if (each <= slack) return null;
    return Math.max(0, Math.ceil((without.cents - none - slack) / each));
  };
  let price = priceOf(plan);
  if (price === null && canVary(worthless, part, reach.done)) {
    // The cheapest way breaks it for certain: at any price that counts, another is taken.
    plan = forced(dearest) ?? plan;
    isProven &&= plan.isProven;
    price = priceOf(plan);
  }
  for (let at = price; at !== null && at > 0 && canVary(worthless, part, reach.done);) {
    const cheaper = forced(at - 1, plan.order);
    isProven &&= cheaper?.isProven === true;
    const next = cheaper && priceOf(cheaper);
    if (!cheaper || next === null || next >= at) break;
    [plan, price, at] = [cheaper, next, next];
  }
  const before = new Set(without.order.map(({ operation }) => operation));
  const extra = plan.order.map(({ operation }) => operation).filter((operation) => !before.has(operation));
  return { payFromCents: price, isProven, extra };
}

/** Whether the part comes out with others that every best plan frees, whatever it is worth itself. */
function comesAlong(problem: PlanProblem, part: number, reach: Reach): boolean {
  const parts = [...problem.wanted, ...sureParts(problem, compileProblem(problem.sequence), reach)];
  return parts.some((other) =>
    needsOf(other, problem.operations, reach.needs).some((at) => problem.operations[at]?.frees.includes(part)),
  );
}

/** Whether the chance that a part comes out whole hangs on the way. */
function canVary({ operations, prizes }: PlanProblem, part: number, done: Float64Array): boolean {
  const alike = prizes.filter(({ parts }) => parts.includes(part)).flatMap(({ parts }) => parts);
  const freers = operations.flatMap(({ frees }, at) => (frees.includes(part) ? [done[at]] : []));
  return new Set(freers).size > 1 || operations.some(({ risks }) => risks.some((risk) => alike.includes(risk.part)));
}
