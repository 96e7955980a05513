import type { Operation } from '@/core/procedure/operations';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { bestClosure } from './choice/bestClosure';
import { takeable } from './choice/closureProblem';
import { freeingClauses, operationClauses } from './choice/operationClauses';

/** Costs are weighed to a thousandth. */
const fine = 1000;

/**
 * The least costly set of operations that frees the targets.
 *
 * Every arc of a chosen operation needs one of its alternatives chosen; a target needs one of the operations that free
 * it. An alternative that does not exist in this situation counts as out of the way already, so an arc all of whose
 * alternatives are absent asks for nothing. Exact: see `bestClosure`.
 *
 * @param operations  those of the situation (`operationsFor`)
 * @param targets     part ids
 * @param cost        minutes (or money) of one operation, not negative
 * @param isAllowed   false for operations that exist but must not be done
 * @param must        ids of operations that are done in any case
 * @returns ids of the chosen operations, in the order of `operations`, and their total cost
 * @refuses 'targets-unreachable' when no operation frees a target, or what frees it waits for itself
 */
export function chooseOperations(
  operations: readonly Operation[],
  targets: readonly string[],
  cost: (operation: Operation) => number,
  isAllowed: (operation: Operation) => boolean = () => true,
  must: readonly string[] = [],
): Outcome<{ readonly ids: readonly string[]; readonly cost: number }> {
  const clauses = [...operationClauses(operations), ...freeingClauses(operations, targets).map((any) => [any])];
  const weights = [...operations.map((operation) => -Math.round(cost(operation) * fine) || 0), ...targets.map(() => 0)];
  const forced = [
    ...targets.map((_, index) => operations.length + index),
    ...operations.flatMap(({ id }, index) => (must.includes(id) ? [index] : [])),
  ];

  const barred = operations.flatMap((operation, index) => (isAllowed(operation) ? [] : [index]));

  const closure = bestClosure({ weights, clauses, forced, barred });
  if (!closure) {
    const can = new Set(takeable(weights.length, clauses, (item) => !barred.includes(item)));
    const stuck = targets.filter((_, index) => !can.has(operations.length + index));
    return refuse('targets-unreachable', { part: (stuck.length > 0 ? stuck : targets).join(', ') });
  }
  const taken = new Set(closure.items);
  const chosen = operations.filter((_, index) => taken.has(index));
  return accept({ ids: chosen.map(({ id }) => id), cost: chosen.reduce((sum, operation) => sum + cost(operation), 0) });
}
