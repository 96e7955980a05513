import type { Minutes, Operation } from '@/core/procedure/operations';
import { bestOrder, type BestOrder, type OrderBudget } from './order/bestOrder';
import { sequenceOf, type OrderGround, type SetUpRules } from './order/sequenceOf';
import { endOf, timeOrder, type Placed, type SequenceProblem } from './order/sequenceProblem';

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
 * @param habit  ids in an order that is kept when no other is quicker: nobody likes steps that move for nothing
 * @throws RangeError when they cannot be ordered
 * Cost: see `bestOrder`
 */
export function orderOperations(
  chosen: readonly Operation[],
  ground: OrderGround,
  rules: SetUpRules,
  budget: OrderBudget = sheetBudget,
  habit: readonly string[] = [],
): OperationOrder {
  const problem = sequenceOf(chosen, ground, rules);
  const { order, minutes, lowerBound, isProven }: BestOrder = bestOrder(problem, budget);
  const usual = asUsual(problem, chosen, order, habit, minutes) ?? order;
  return { operations: usual.map((placed) => asPlaced(chosen, placed)), minutes, lowerBound, isProven };
}

/** The same operations and tools in the habitual order, when that takes no longer. */
function asUsual(
  problem: SequenceProblem,
  chosen: readonly Operation[],
  order: readonly Placed[],
  habit: readonly string[],
  minutes: number,
): readonly Placed[] | null {
  const placeOf = new Map(habit.map((id, at) => [id, at]));
  const placeIn = ({ operation }: Placed) => placeOf.get(chosen[operation]?.id ?? '') ?? -1;
  if (order.some((placed) => placeIn(placed) === -1)) return null;
  const usual = [...order].sort((a, b) => placeIn(a) - placeIn(b));
  try {
    return endOf(problem, timeOrder(problem, usual)) <= minutes + 1e-9 ? usual : null;
  } catch {
    // What the habit rests on has changed: something would come too early.
    return null;
  }
}

export function asPlaced(chosen: readonly Operation[], { operation: index, choice }: Placed): Operation {
  const operation = chosen[index] as Operation;
  const other = choice === 0 ? undefined : operation.orTools?.[choice - 1];
  if (!other) return operation;
  // All its minutes, so that a finding or another end does not lose what the tool costs.
  const slower = (minutes: Minutes): Minutes => ({
    low: minutes.low * other.minutesFactor,
    likely: minutes.likely * other.minutesFactor,
    high: minutes.high * other.minutesFactor,
  });
  const { minutes, minutesWhen, ends } = operation;
  return {
    ...operation,
    tool: other.tool,
    minutes: slower(minutes),
    ...(minutesWhen && { minutesWhen: minutesWhen.map((entry) => ({ ...entry, minutes: slower(entry.minutes) })) }),
    ...(ends && { ends: ends.map((end) => (end.minutes ? { ...end, minutes: slower(end.minutes) } : end)) }),
  };
}
