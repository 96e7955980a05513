import type { Operation } from '@/core/procedure/operations';
import { isReady } from '@/core/procedure/situation';

/** Minutes that a change of set-up costs. */
export interface SetUpMinutes {
  readonly toolChangeMinutes: number;
  readonly turnMinutes: number;
}

/**
 * An order in which the chosen operations can be done, with few changes of face and tool.
 *
 * At each step, of what is ready, the one that needs the least set-up; among equals the author's order. This is a
 * dispatch rule, not an optimum: it proves nothing, and says so by returning no bound.
 *
 * @param chosen  operations whose arcs can be satisfied among themselves
 * @returns the same operations, reordered
 * @throws RangeError when they cannot be ordered
 */
export function orderOperations(chosen: readonly Operation[], setUp: SetUpMinutes): readonly Operation[] {
  const byId = new Map(chosen.map((operation) => [operation.id, operation]));
  const left = [...chosen];
  const done = new Set<string>();
  const order: Operation[] = [];
  while (left.length > 0) {
    const ready = left.filter((operation) => isReady(operation, done, byId));
    if (ready.length === 0) throw new RangeError(`orderOperations: ${left[0]?.id} waits for itself`);
    const next = ready.reduce((best, operation) =>
      setUpMinutes(order.at(-1), operation, setUp) < setUpMinutes(order.at(-1), best, setUp) ? operation : best,
    );
    order.push(next);
    done.add(next.id);
    left.splice(left.indexOf(next), 1);
  }
  return order;
}

/** Minutes to get from one operation's set-up to the next one's. */
export function setUpMinutes(from: Operation | undefined, to: Operation, setUp: SetUpMinutes): number {
  if (!from) return 0;
  return (
    (from.tool === to.tool ? 0 : setUp.toolChangeMinutes) +
    (from.face === to.face && (from.posture ?? '') === (to.posture ?? '') ? 0 : setUp.turnMinutes)
  );
}
