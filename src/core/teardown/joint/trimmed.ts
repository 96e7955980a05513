import type { Placed } from '../order/sequenceProblem';
import { centsAlong, type Reach } from './planMoney';
import type { PlanProblem } from './planProblem';

/** An order without the steps that it is better without, from its end on; what is wanted stays. */
export function trimmed(problem: PlanProblem, order: readonly Placed[], reach: Reach): readonly Placed[] {
  let kept = order;
  let cents = centsAlong(problem, kept, reach);
  for (const placed of [...order].reverse()) {
    const fewer = kept.filter((other) => other !== placed);
    const brings = isPlan(problem, fewer) ? centsAlong(problem, fewer, reach) : -Infinity;
    if (brings > cents) [kept, cents] = [fewer, brings];
  }
  return kept;
}

/** Whether nothing comes too early, and all that is wanted comes out. */
function isPlan({ sequence, operations, wanted }: PlanProblem, order: readonly Placed[]): boolean {
  const done = new Set<number>();
  const isInOrder = order.every(({ operation }) => {
    const isReady = sequence.operations[operation]?.after.every((any) => any.some((before) => done.has(before)));
    done.add(operation);
    return isReady === true;
  });
  return (
    isInOrder && wanted.every((part) => order.some(({ operation }) => operations[operation]?.frees.includes(part)))
  );
}
