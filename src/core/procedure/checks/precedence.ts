import type { Operation } from '../operations';
import { clausesOf } from '../situation';

/** What is certain about the order of some operations, whatever legal order is taken. */
export interface Precedence {
  /**
   * Whether, in every legal order, the operation is one of these or comes after at least one of them. With none to come
   * after, nothing is certain.
   */
  readonly isSurelyAfter: (operation: string, some: readonly string[]) => boolean;
  /** Operations that wait, directly or over others, for themselves. */
  readonly inCircles: readonly string[];
}

/**
 * AND/OR precedence by reachability: an operation surely comes after a set when it can no longer be reached once the set
 * is taken away. Exact, because what can be done only grows with what is done.
 *
 * Cost: O(alternatives in all arcs) for each new set; answers are kept.
 */
export function precedenceOf(operations: readonly Operation[]): Precedence {
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const at = new Map(operations.map(({ id }, index) => [id, index]));
  const clauses = operations.map((operation) =>
    clausesOf(operation, byId).map((any) => any.map((id) => at.get(id) as number)),
  );
  // For every operation, the (waiting operation, clause) pairs that it satisfies.
  const serves: (readonly [number, number])[][] = operations.map(() => []);
  clauses.forEach((list, waiting) => {
    list.forEach((any, clause) => any.forEach((before) => serves[before]?.push([waiting, clause])));
  });
  const reached = new Map<string, Uint8Array>();

  const reachWithout = (some: readonly string[]): Uint8Array => {
    const key = [...some].sort().join(' ');
    const known = reached.get(key);
    if (known) return known;
    const isAway = new Set(some.map((id) => at.get(id)));
    const isDone = new Uint8Array(operations.length);
    const satisfied = clauses.map((list) => new Uint8Array(list.length));
    const open = clauses.map((list) => list.length);
    const queue = clauses.flatMap((list, index) => (list.length === 0 && !isAway.has(index) ? [index] : []));
    for (const index of queue) isDone[index] = 1;
    for (let index = queue.pop(); index !== undefined; index = queue.pop()) {
      for (const [waiting, clause] of serves[index] ?? []) {
        const flags = satisfied[waiting] as Uint8Array;
        if (flags[clause] === 1) continue;
        flags[clause] = 1;
        open[waiting] = (open[waiting] as number) - 1;
        if (open[waiting] === 0 && !isAway.has(waiting)) {
          isDone[waiting] = 1;
          queue.push(waiting);
        }
      }
    }
    reached.set(key, isDone);
    return isDone;
  };

  return {
    isSurelyAfter: (operation, some) => {
      const index = at.get(operation);
      const present = some.filter((id) => at.has(id));
      if (index === undefined || present.length === 0) return false;
      return present.includes(operation) || reachWithout(present)[index] === 0;
    },
    inCircles: circles(operations, clauses, reachWithout([])),
  };
}

/** Members of circles: stuck operations that come back to themselves along alternatives that are stuck as well. */
function circles(
  operations: readonly Operation[],
  clauses: readonly (readonly (readonly number[])[])[],
  isDone: Uint8Array,
): readonly string[] {
  const blocks = (index: number): readonly number[] =>
    (clauses[index] ?? []).filter((any) => any.every((before) => isDone[before] === 0)).flat();
  return operations.flatMap(({ id }, start) => {
    if (isDone[start] === 1) return [];
    const seen = new Set<number>();
    const queue = [...blocks(start)];
    for (let index = queue.pop(); index !== undefined; index = queue.pop()) {
      if (index === start) return [id];
      if (seen.has(index)) continue;
      seen.add(index);
      queue.push(...blocks(index));
    }
    return [];
  });
}
