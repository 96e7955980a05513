import type { Operation } from './operations';

/**
 * The order of the way back: the reverse of the way out, but for operations that ask for others before them. Those move
 * to right behind the last one they wait for; the rest stays where it was.
 *
 * @param order  operations in the order in which they were done on the way out
 * @returns those that have a way back; `circle` names one that waits for itself, and then the order is the plain reverse
 */
export function wayBackOrder(order: readonly Operation[]): {
  readonly order: readonly Operation[];
  readonly circle: Operation | null;
} {
  const reversed = [...order].reverse().filter(({ back }) => back !== null);
  const placed: Operation[] = [];
  const waiting: Operation[] = [];
  const here = new Set(reversed.map(({ id }) => id));
  const done = new Set<string>();
  const isReady = ({ back }: Operation) =>
    (back?.after ?? []).every(({ operation }) => !here.has(operation) || done.has(operation));
  const place = (operation: Operation) => {
    placed.push(operation);
    done.add(operation.id);
  };
  for (const operation of reversed) {
    if (!isReady(operation)) {
      waiting.push(operation);
      continue;
    }
    place(operation);
    for (let next = waiting.findIndex(isReady); next !== -1; next = waiting.findIndex(isReady)) {
      place(waiting.splice(next, 1)[0] as Operation);
    }
  }
  return waiting.length === 0 ? { order: placed, circle: null } : { order: reversed, circle: waiting[0] as Operation };
}
