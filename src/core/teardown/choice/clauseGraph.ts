import type { ClosureProblem } from './closureProblem';

/** Lists of numbers one behind the other: those of one thing lie between its start and the next one's. */
interface Lists {
  readonly starts: Int32Array;
  readonly all: Int32Array;
}

function listsOf(lists: readonly (readonly number[])[]): Lists {
  const starts = new Int32Array(lists.length + 1);
  lists.forEach(({ length }, at) => (starts[at + 1] = (starts[at] as number) + length));
  return { starts, all: Int32Array.from(lists.flat()) };
}

/** The clauses of a problem as numbered lists, for whoever asks thousands of times what can be taken. */
export class ClauseGraph {
  /** The item of each clause, and its alternatives. */
  readonly items: readonly number[];
  readonly alternatives: readonly (readonly number[])[];
  /** The clauses of each item, and those in which it is an alternative. */
  readonly own: readonly (readonly number[])[];
  readonly meets: readonly (readonly number[])[];
  private readonly sizes: Int32Array;
  private readonly meeting: Lists;
  private readonly itemOf: Int32Array;
  private readonly open: Int32Array;
  private readonly isMet: Uint8Array;
  private readonly order: Int32Array;

  constructor(clauses: ClosureProblem['clauses']) {
    this.items = clauses.flatMap((own, item) => own.map(() => item));
    this.alternatives = clauses.flat();
    const [own, meets] = [clauses.map((): number[] => []), clauses.map((): number[] => [])];
    this.items.forEach((item, clause) => own[item]?.push(clause));
    this.alternatives.forEach((any, clause) => any.forEach((other) => meets[other]?.push(clause)));
    [this.own, this.meets] = [own, meets];
    this.sizes = Int32Array.from(own, ({ length }) => length);
    this.meeting = listsOf(meets);
    this.itemOf = Int32Array.from(this.items);
    this.open = new Int32Array(clauses.length);
    this.isMet = new Uint8Array(this.items.length);
    this.order = new Int32Array(clauses.length);
  }

  /**
   * What can be taken one after the other of what is there, in such an order.
   *
   * @param isThere  1 for items that are
   * @param chosen   per clause the one alternative that counts; −1 for any
   * Cost: O(items + all alternatives)
   */
  takeable(isThere: Uint8Array, chosen: Int32Array): Int32Array {
    const { open, isMet, order, itemOf, sizes } = this;
    const { starts, all } = this.meeting;
    open.set(sizes);
    isMet.fill(0);
    let [head, tail] = [0, 0];
    for (let item = 0; item < open.length; item += 1) if (open[item] === 0 && isThere[item] === 1) order[tail++] = item;
    for (; head < tail; head += 1) {
      const taken = order[head] as number;
      const end = starts[taken + 1] as number;
      for (let at = starts[taken] as number; at < end; at += 1) {
        const clause = all[at] as number;
        const only = chosen[clause] as number;
        if (isMet[clause] === 1 || (only !== -1 && only !== taken)) continue;
        isMet[clause] = 1;
        const item = itemOf[clause] as number;
        const left = (open[item] as number) - 1;
        open[item] = left;
        if (left === 0 && isThere[item] === 1) order[tail++] = item;
      }
    }
    return order.slice(0, tail);
  }

  /**
   * The same order without what nothing in it needs and that brings nothing.
   *
   * @param isEnd  1 for items that are there for themselves
   */
  trimmed(order: Int32Array, isEnd: Uint8Array): readonly number[] {
    const place = this.open.fill(-1);
    for (let at = 0; at < order.length; at += 1) place[order[at] as number] = at;
    const isNeeded = new Uint8Array(isEnd);
    const kept: number[] = [];
    for (let at = order.length - 1; at >= 0; at -= 1) {
      const item = order[at] as number;
      if (isNeeded[item] === 0) continue;
      kept.push(item);
      for (const clause of this.own[item] as readonly number[]) {
        let first = -1;
        let isMet = false;
        for (const other of this.alternatives[clause] as readonly number[]) {
          const then = place[other] as number;
          if (then === -1 || then >= at) continue;
          isMet ||= isNeeded[other] === 1;
          if (first === -1 || then < (place[first] as number)) first = other;
        }
        if (!isMet) isNeeded[first] = 1;
      }
    }
    return kept.reverse();
  }

  /** Whether something kept has a clause that of all kept ones only this item meets. */
  isSole(item: number, kept: ReadonlySet<number>): boolean {
    return (this.meets[item] as readonly number[]).some(
      (clause) =>
        kept.has(this.items[clause] as number) &&
        (this.alternatives[clause] as readonly number[]).every((other) => other === item || !kept.has(other)),
    );
  }
}
