import { ClauseGraph } from './clauseGraph';
import type { ClosureProblem } from './closureProblem';
import { flagsIn, notOf } from './flags';
import { PricedNetwork, type Cut, type Decided } from './pricedNetwork';

export interface Closure {
  /** Items taken, each after what it waits for. */
  readonly items: readonly number[];
  readonly weight: number;
  /** No choice weighs more than this; equal to the weight when the search ended by itself. */
  readonly upperBound: number;
  readonly isProven: boolean;
  /** Branches that were looked at. */
  readonly branches: number;
}

/** What is asked of a choice. */
export interface Asked {
  /** Items that are taken in any case, and items that are not. */
  readonly isIn?: readonly number[];
  readonly isOut?: readonly number[];
  /** Branches looked at before the search gives up its proof. */
  readonly mostNodes?: number;
}

/** A branch that needs no further look for the question of its search, with what flows there. */
interface Leaf {
  readonly cut: Cut;
  readonly flow: Float64Array;
  /** No choice in it weighs more. */
  readonly bound: number;
}

interface Search {
  /** 1 for what brings something or is forced. */
  readonly isEnd: Uint8Array;
  readonly most: number;
  found: readonly number[];
  weight: number;
  looked: number;
  /** The most that a branch promises which was not looked at. */
  open: number;
  /** Where it ended; null when that is not kept. */
  leaves: Leaf[] | null;
}

/** So many ends of a first search are kept for later questions: each is as large as the network. */
const mostLeaves = 64;

/** Branches that are looked at before a search gives up its proof: a second at the most, milliseconds as models are. */
const usualNodes = 4000;

/**
 * One set of weights, for which the best choice is asked again and again with some items forced in or left out.
 *
 * With one alternative in every clause this is maximum-weight closure, solved by one minimum cut. With alternatives:
 * branch and bound over a clause that the cut left open, bounded by the cut of what is certain in a branch, with prices on
 * clauses (`PricedNetwork`). Later questions begin in the branches in which the first ended, with what flows there.
 *
 * Cost: some forty cuts to tune the prices where the first leaves anything open, a small part of one per branch;
 * exponential in the number of alternatives at worst
 * Source: J.-C. Picard, Maximal closure of a graph and applications to combinatorial problems, Management Science 22
 * (1976); the prices are Lagrange's (`clausePrices.ts`); the branching is ours.
 */
export class ChoiceOfWeights {
  private readonly graph: ClauseGraph;
  private readonly count: number;
  /** Weights so many times finer that how many items bring something decides between equals. */
  private readonly fine: readonly number[];
  private readonly finer: number;
  private readonly brings: Uint8Array;
  private readonly nothing: Decided;
  private readonly network: PricedNetwork;
  /** Branches that together hold every choice: at first the root alone. */
  private frontier: readonly Leaf[];
  /** The best choice that was seen with nothing forced. */
  private seen: readonly number[] = [];

  /** @throws RangeError when lengths differ or a weight is not whole */
  constructor(private readonly problem: Omit<ClosureProblem, 'forced'>) {
    const { weights, clauses, barred = [] } = problem;
    this.count = clauses.length;
    if (weights.length !== this.count) throw new RangeError('bestClosure: one list of clauses per item');
    if (!weights.every(Number.isSafeInteger)) throw new RangeError('bestClosure: weights are whole numbers');
    this.graph = new ClauseGraph(clauses);
    const all = weights.reduce((sum, weight) => sum + Math.abs(weight), 1);
    this.finer = Number.isSafeInteger(4 * all * (this.count + 1)) ? this.count + 1 : 1;
    this.fine = weights.map((weight) => weight * this.finer + (this.finer > 1 && weight > 0 ? 1 : 0));
    this.brings = Uint8Array.from(this.fine, (weight) => (weight > 0 ? 1 : 0));
    const chosen = new Int32Array(this.graph.items.length).fill(-1);
    const there = notOf(flagsIn(barred, this.count));
    const isOut = notOf(flagsIn(this.graph.takeable(there, chosen), this.count));
    this.nothing = { isIn: new Uint8Array(this.count), isOut, chosen };
    this.network = new PricedNetwork(this.graph, this.fine, all * this.finer, this.nothing);
    const root = this.network.tuned(
      (taken) => this.see(taken),
      () => this.sum(this.seen),
    );
    this.frontier = [{ cut: root, flow: this.network.saved(), bound: Infinity }];
  }

  /**
   * The choice that weighs most; of those that weigh the same one with most of what brings something.
   *
   * @returns undefined when what is forced cannot be taken
   */
  best({ isIn = [], isOut = [], mostNodes = usualNodes }: Asked): Closure | undefined {
    const any = this.anyWith(isIn, isOut);
    if (!any) return undefined;
    const isFirst = isIn.length + isOut.length === 0;
    const isEnd = this.brings.slice();
    for (const item of isIn) isEnd[item] = 1;
    const search: Search = {
      isEnd,
      most: mostNodes,
      found: any,
      weight: this.sum(any),
      looked: 0,
      open: -Infinity,
      leaves: isFirst ? [] : null,
    };
    const beside = flagsIn([...any, ...this.seen], this.count);
    for (const item of isOut) beside[item] = 0;
    this.offer(beside, this.nothing, search);
    for (const { cut, flow, bound } of this.frontier) {
      if (bound <= search.weight) continue;
      this.network.goTo(flow);
      const start = this.network.decide(cut, { isIn, isOut });
      if (start) this.explore(start, search);
    }
    if (search.leaves && search.open === -Infinity) {
      this.frontier = search.leaves.sort((a, b) => b.bound - a.bound);
      this.seen = search.found;
    }
    return this.closure(search, isIn);
  }

  /** Looks at a branch: the network is at its flow. */
  private explore(own: Cut, search: Search): void {
    // Where later questions begin the bound counts; elsewhere it is enough that it is no better than what was found.
    const enough = search.leaves ? Infinity : own.gains - own.flows - search.weight;
    const cut = this.network.flowing(own, enough);
    const bound = cut.gains - cut.flows;
    if (bound <= search.weight) return this.keep(cut, bound, search);
    const taken = this.network.taken(cut);
    const reached = this.offer(taken, cut, search);
    const clause = bound <= search.weight ? -1 : this.network.openClause(cut, taken, reached);
    if (clause === -1) return this.keep(cut, bound, search);
    const flow = this.network.saved();
    const item = this.graph.items[clause] as number;
    const ways = [...(this.graph.alternatives[clause] as readonly number[])]
      .filter((other) => cut.isOut[other] === 0)
      .sort((a, b) => (reached[b] as number) - (reached[a] as number));
    const children = [
      ...ways.map((way) => ({ isIn: [item], isOut: [], clause, way })),
      ...(cut.isIn[item] === 1 ? [] : [{ isIn: [], isOut: [item] }]),
    ];
    for (const given of children) {
      this.network.goTo(flow);
      if (bound <= search.weight) return this.keep(cut, bound, search);
      if (search.looked >= search.most) {
        search.open = Math.max(search.open, bound);
        return;
      }
      search.looked += 1;
      const next = this.network.decide(cut, given);
      if (next) this.explore(next, search);
    }
  }

  /** Here the search ended: the network is at what flows. */
  private keep(cut: Cut, bound: number, search: Search): void {
    if (search.leaves && search.leaves.length >= mostLeaves) search.leaves = null;
    search.leaves?.push({ cut, flow: this.network.saved(), bound });
  }

  /** What is forced with what it needs, any way to it: a choice to begin with, unless there is none. */
  private anyWith(isIn: readonly number[], isOut: readonly number[]): readonly number[] | undefined {
    const there = notOf(this.nothing.isOut);
    for (const item of isOut) there[item] = 0;
    const order = this.graph.takeable(there, this.nothing.chosen);
    return isIn.every((item) => order.includes(item))
      ? this.graph.trimmed(order, flagsIn(isIn, this.count))
      : undefined;
  }

  /** Takes what can be taken of a choice, without what is idle, if it is a better one. Says what can be. */
  private offer(taken: Uint8Array, { isIn, chosen }: Decided, search: Search): Uint8Array {
    const order = this.graph.takeable(taken, chosen);
    const reached = flagsIn(order, this.count);
    if (isIn.every((is, item) => is === 0 || reached[item] === 1)) {
      const items = this.graph.trimmed(order, search.isEnd);
      const weight = this.sum(items);
      if (weight > search.weight) [search.found, search.weight] = [items, weight];
    }
    return reached;
  }

  /** A choice that is seen while nothing is forced yet. */
  private see(taken: Uint8Array): void {
    const items = this.graph.trimmed(this.graph.takeable(taken, this.nothing.chosen), this.brings);
    if (this.sum(items) > this.sum(this.seen)) this.seen = items;
  }

  private sum(items: readonly number[]): number {
    return items.reduce((total, item) => total + (this.fine[item] as number), 0);
  }

  private closure({ found, weight, looked, open }: Search, forced: readonly number[]): Closure {
    const items = this.withoutIdle(found, forced);
    const own = items.reduce((total, item) => total + (this.problem.weights[item] as number), 0);
    const upperBound = open <= weight ? own : Math.max(own, Math.floor(open / this.finer));
    return { items, weight: own, upperBound, isProven: upperBound === own, branches: looked };
  }

  /**
   * Takes out, last first, what neither brings anything nor is needed by what does. In a best choice only items that cost
   * nothing can be idle.
   */
  private withoutIdle(taken: readonly number[], forced: readonly number[]): readonly number[] {
    const { weights } = this.problem;
    const { chosen } = this.nothing;
    const kept = new Set(taken);
    const order = this.graph.takeable(flagsIn(kept, this.count), chosen);
    const ends = new Set([...order].filter((item) => (weights[item] as number) > 0 || forced.includes(item)));
    for (const item of [...order].reverse()) {
      if (ends.has(item) || (weights[item] as number) !== 0 || this.graph.isSole(item, kept)) continue;
      kept.delete(item);
      const still = new Set(this.graph.takeable(flagsIn(kept, this.count), chosen));
      if (![...ends].every((end) => still.has(end))) kept.add(item);
    }
    return [...this.graph.takeable(flagsIn(kept, this.count), chosen)];
  }
}
