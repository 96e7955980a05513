import type { Operation } from '@/core/procedure/operations';
import { clausesOf, isReady } from '@/core/procedure/situation';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';

/**
 * The least costly set of operations that frees the targets.
 *
 * Every arc of a chosen operation needs one of its alternatives chosen; a target needs one of the operations that free
 * it. An alternative that does not exist in this situation counts as out of the way already, so an arc all of whose
 * alternatives are absent asks for nothing. Exact by depth-first branch and bound over the alternatives; with AND arcs
 * alone there is nothing to branch on and the answer is the closure.
 *
 * @param operations  those of the situation (`operationsFor`)
 * @param targets     part ids
 * @param cost        minutes (or money) of one operation, not negative
 * @returns ids of the chosen operations, in the order of `operations`, and their total cost
 * @refuses 'targets-unreachable' when no operation frees a target, or what frees it waits for itself
 * Cost: exponential in the number of arcs with alternatives, linear without. The bound is the cost so far.
 */
export function chooseOperations(
  operations: readonly Operation[],
  targets: readonly string[],
  cost: (operation: Operation) => number,
): Outcome<{ readonly ids: readonly string[]; readonly cost: number }> {
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const wanted = targets.map((part) => operations.filter(({ frees }) => frees.includes(part)).map(({ id }) => id));
  const stuck = targets.find((_, index) => wanted[index]?.length === 0);
  if (stuck !== undefined) return refuse('targets-unreachable', { part: stuck });

  let best: { ids: Set<string>; cost: number } | null = null;

  const take = (id: string, chosen: ReadonlySet<string>, spent: number, open: readonly (readonly string[])[]): void => {
    const operation = byId.get(id) as Operation;
    search(new Set(chosen).add(id), spent + cost(operation), [...open, ...clausesOf(operation, byId)]);
  };

  /** `open` holds clauses still to be looked at: each is a list of alternatives. */
  const search = (chosen: Set<string>, spent: number, open: readonly (readonly string[])[]): void => {
    if (best && spent >= best.cost) return;
    const [clause, ...rest] = open;
    if (clause) {
      if (clause.some((id) => chosen.has(id))) return search(chosen, spent, rest);
      for (const id of clause) take(id, chosen, spent, rest);
      return;
    }
    const stuckClauses = clausesInTheWay(chosen, byId);
    if (stuckClauses.length === 0) best = { ids: chosen, cost: spent };
    // Members that justify only each other: whichever of them comes first needs something from outside the set.
    for (const alternatives of stuckClauses) {
      for (const id of alternatives) if (!chosen.has(id)) take(id, chosen, spent, []);
    }
  };
  search(new Set(), 0, wanted);

  if (best === null) return refuse('targets-unreachable', { part: targets.join(', ') });
  const found: { ids: Set<string>; cost: number } = best;
  return accept({ ids: operations.filter(({ id }) => found.ids.has(id)).map(({ id }) => id), cost: found.cost });
}

/** Does what can be done of a set; for each operation that stays stuck, the clause that holds it up. None when all can be done. */
function clausesInTheWay(chosen: ReadonlySet<string>, byId: ReadonlyMap<string, Operation>): string[][] {
  const done = new Set<string>();
  for (let grew = true; grew;) {
    grew = false;
    for (const id of chosen) {
      if (!done.has(id) && isReady(byId.get(id) as Operation, done, byId)) {
        done.add(id);
        grew = true;
      }
    }
  }
  return [...chosen]
    .filter((id) => !done.has(id))
    .flatMap((id) => {
      const clause = clausesOf(byId.get(id) as Operation, byId).find((any) => !any.some((before) => done.has(before)));
      return clause ? [clause] : [];
    });
}
