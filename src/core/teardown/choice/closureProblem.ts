/** Things that can be taken, what each brings or costs, and what must be taken before it. */
export interface ClosureProblem {
  /** What taking an item brings (above 0) or costs (below 0). Whole numbers. */
  readonly weights: readonly number[];
  /** Per item, its clauses: of each, one item must be taken before. An empty clause can never be satisfied. */
  readonly clauses: readonly (readonly (readonly number[])[])[];
  /** Items that must be taken. */
  readonly forced?: readonly number[];
  /** Items that must not. */
  readonly barred?: readonly number[];
}

/**
 * Which of some items can be taken one after the other, each with all its clauses satisfied by earlier ones.
 *
 * @returns the items in such an order; those that wait for each other, or for something that is not there, are left out
 * Cost: O(items + all alternatives)
 */
export function takeable(
  count: number,
  clauses: ClosureProblem['clauses'],
  isThere: (item: number) => boolean,
): readonly number[] {
  const open = new Int32Array(count);
  const waitingFor: { readonly item: number; readonly clause: number }[][] = Array.from({ length: count }, () => []);
  const isMet = clauses.map((own) => own.map(() => false));
  const order: number[] = [];
  for (let item = 0; item < count; item += 1) {
    const own = clauses[item] ?? [];
    open[item] = own.length;
    own.forEach((clause, index) => {
      for (const other of clause) waitingFor[other]?.push({ item, clause: index });
    });
    if (own.length === 0 && isThere(item)) order.push(item);
  }
  for (let head = 0; head < order.length; head += 1) {
    for (const { item, clause } of waitingFor[order[head] as number] as (typeof waitingFor)[number]) {
      const met = isMet[item] as boolean[];
      if (met[clause]) continue;
      met[clause] = true;
      open[item] = (open[item] as number) - 1;
      if (open[item] === 0 && isThere(item)) order.push(item);
    }
  }
  return order;
}
