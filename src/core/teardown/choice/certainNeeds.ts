import { takeable } from './closureProblem';

/**
 * What is done before an operation in whatever way it is reached: its single alternatives with all they need, and what all
 * alternatives of a clause have in common.
 *
 * @param clauses  per operation, the alternatives of each of its clauses
 * @returns per operation its certain needs, itself among them; undefined for one that can never be done
 * Cost: O(arcs · operations)
 */
export function certainNeeds(
  clauses: readonly (readonly (readonly number[])[])[],
  isThere: (operation: number) => boolean,
): readonly (ReadonlySet<number> | undefined)[] {
  const order = takeable(clauses.length, clauses, isThere);
  const can = new Set(order);
  const needs = new Array<ReadonlySet<number> | undefined>(clauses.length).fill(undefined);
  for (const operation of order) {
    const own = new Set([operation]);
    for (const any of clauses[operation] ?? []) {
      for (const need of inCommon(any.flatMap((other) => (can.has(other) ? [needs[other] ?? none] : []))))
        own.add(need);
    }
    needs[operation] = own;
  }
  return needs;
}

/** A circle of alternatives is walked from one end: of what is not known yet nothing is certain. */
const none: ReadonlySet<number> = new Set();

/** What all of some sets have in common; nothing, where there are none. */
export function inCommon(sets: readonly ReadonlySet<number>[]): readonly number[] {
  const [first, ...rest] = sets;
  return first ? [...first].filter((item) => rest.every((other) => other.has(item))) : [];
}
