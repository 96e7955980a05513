import type { Operation } from '@/core/procedure/operations';
import { bestOrder, type BestOrder, type OrderBudget } from './order/bestOrder';
import { sequenceOf, type OrderGround, type SetUpRules } from './order/sequenceOf';
import type { Placed } from './order/sequenceProblem';

export interface OperationOrder {
  /** The operations as they will be done: with the tool that was chosen for each. */
  readonly operations: readonly Operation[];
  readonly minutes: number;
  readonly lowerBound: number;
  readonly isProven: boolean;
}

/** What a run sheet may take: a few milliseconds. It finds the best order of all shipped models, and proves most. */
export const sheetBudget: OrderBudget = { states: 400 };

/**
 * The order of the chosen operations with the fewest expected minutes.
 *
 * @param chosen  operations whose arcs can be satisfied among themselves
 * @throws RangeError when they cannot be ordered
 * Cost: see `bestOrder`
 */
export function orderOperations(
  chosen: readonly Operation[],
  ground: OrderGround,
  rules: SetUpRules,
  budget: OrderBudget = sheetBudget,
): OperationOrder {
  const { order, minutes, lowerBound, isProven }: BestOrder = bestOrder(sequenceOf(chosen, ground, rules), budget);
  return { operations: order.map((placed) => asPlaced(chosen, placed)), minutes, lowerBound, isProven };
}

function asPlaced(chosen: readonly Operation[], { operation: index, choice }: Placed): Operation {
  const operation = chosen[index] as Operation;
  const other = choice === 0 ? undefined : operation.orTools?.[choice - 1];
  if (!other) return operation;
  const by = (minutes: number) => minutes * other.minutesFactor;
  const { low, likely, high } = operation.minutes;
  return { ...operation, tool: other.tool, minutes: { low: by(low), likely: by(likely), high: by(high) } };
}
