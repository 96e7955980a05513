import type { Model } from './model';
import type { Operation } from './operations';
import { isReady, operationsFor, type Situation } from './situation';

/**
 * What can be done of some operations, as the author wrote it down: always the first one that is ready. An operation that
 * stands in for another is done only when it is preferred, and then the other is not.
 *
 * @param preferred  an operation with `insteadOf`
 */
export function doneInOrder(operations: readonly Operation[], preferred?: Operation): readonly Operation[] {
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const left = operations.filter(
    ({ id, insteadOf }) =>
      (insteadOf === undefined || !byId.has(insteadOf) || id === preferred?.id) && id !== preferred?.insteadOf,
  );
  const done = new Set<string>();
  const order: Operation[] = [];
  for (let at = 0; at < left.length;) {
    const operation = left[at] as Operation;
    if (!isReady(operation, done, byId)) {
      at += 1;
      continue;
    }
    order.push(operation);
    done.add(operation.id);
    left.splice(at, 1);
    at = 0;
  }
  return order;
}

/** The whole teardown of a model in the author's order, as a unit in this situation meets it. */
export const authorOrder = (model: Model, situation: Situation): readonly Operation[] =>
  doneInOrder(operationsFor(model, situation));
