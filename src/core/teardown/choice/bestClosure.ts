import { FlowNetwork } from '@/core/graph/minimumCut';
import { certainNeeds, inCommon } from './certainNeeds';
import { ClauseGraph } from './clauseGraph';
import { tunedPrices, type Priced } from './clausePrices';
import type { ClosureProblem } from './closureProblem';

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

/** What is decided in a branch. */
interface Decided {
  readonly isIn: Uint8Array;
  readonly isOut: Uint8Array;
  /** Per clause the alternative that it is to be; −1 where any will do. */
  readonly chosen: Int32Array;
}

/** A branch whose cut is known. */
interface Cut extends Decided {
  /** All gains that the network holds, and what flows of them. */
  readonly gains: number;
  readonly flows: number;
}

/** A branch that needs no further look for the question of the search, with what flows there. */
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
 * The choice of items that weighs most, where each item needs one of each of its clauses taken before it.
 *
 * Items that justify only each other are no choice, so circles of alternatives are right too. Of choices that weigh the
 * same, the one with most of the items that bring something is returned, and nothing in it is there for nothing.
 *
 * @param mostNodes  branches looked at before the search gives up its proof
 * @returns undefined when what is forced cannot be taken
 * @throws RangeError when lengths differ or a weight is not whole
 * Cost: see `ChoiceOfWeights`
 */
export const bestClosure = (problem: ClosureProblem, mostNodes = usualNodes): Closure | undefined =>
  new ChoiceOfWeights(problem).best({ isIn: problem.forced ?? [], mostNodes });

/**
 * One set of weights, for which the best choice is asked again and again with some items forced in or left out.
 *
 * With one alternative in every clause this is maximum-weight closure, solved by one minimum cut. With alternatives:
 * branch and bound over a clause that the cut left open. The bound of a branch is the cut of what is certain in it (single
 * alternatives, and what all alternatives of a clause have in common), with prices on clauses: an item pays the price of
 * its clause and each alternative earns it, so that no choice weighs less for it. All that is decided in a branch widens
 * edges: its cut goes on from what flows in the branch above, and all questions from the same flow.
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
  /** Outweighs everything. */
  private readonly much: number;
  private readonly network: FlowNetwork;
  private readonly gainEdges: readonly number[];
  private readonly lossEdges: readonly number[];
  /** Per clause with alternatives, the edges to them; null for others. */
  private readonly ways: readonly (readonly number[] | null)[];
  private readonly prices: readonly number[];
  /** Branches that together hold every choice: at first the root alone, later where the first search ended. */
  private frontier: readonly Leaf[];
  private readonly nothing: Decided;
  private readonly brings: Uint8Array;
  /** The best choice that was seen while the prices were tuned. */
  private seen: readonly number[] = [];

  constructor(private readonly problem: Omit<ClosureProblem, 'forced'>) {
    const { weights, clauses, barred = [] } = problem;
    this.count = clauses.length;
    if (weights.length !== this.count) throw new RangeError('bestClosure: one list of clauses per item');
    if (!weights.every(Number.isSafeInteger)) throw new RangeError('bestClosure: weights are whole numbers');
    this.graph = new ClauseGraph(clauses);
    const all = weights.reduce((sum, weight) => sum + Math.abs(weight), 1);
    this.finer = Number.isSafeInteger(4 * all * (this.count + 1)) ? this.count + 1 : 1;
    this.fine = weights.map((weight) => weight * this.finer + (this.finer > 1 && weight > 0 ? 1 : 0));
    this.much = all * this.finer;
    this.brings = Uint8Array.from(this.fine, (weight) => (weight > 0 ? 1 : 0));
    const [source, sink] = [this.count, this.count + 1];
    this.network = new FlowNetwork(this.count + 2);
    this.gainEdges = weights.map((_, item) => this.network.addEdge(source, item, 0));
    this.lossEdges = weights.map((_, item) => this.network.addEdge(item, sink, 0));
    const decided: Decided = {
      isIn: new Uint8Array(this.count),
      isOut: new Uint8Array(this.count),
      chosen: new Int32Array(this.graph.items.length).fill(-1),
    };
    this.nothing = decided;
    for (const item of barred) decided.isOut[item] = 1;
    const can = new Set(this.graph.takeable(notOf(decided.isOut), decided.chosen));
    decided.isOut.forEach((_, item) => (decided.isOut[item] = can.has(item) ? 0 : 1));
    this.ways = this.certainEdges(can);
    const blank = this.network.saved();
    const relaxed = (prices: readonly number[]): Cut & { readonly taken: readonly boolean[] } => {
      this.network.goTo(blank);
      const own = this.pricedWeights(prices);
      own.forEach((weight, item) => this.weigh(item, can.has(item) ? weight : -this.much));
      const { value, isSourceSide } = this.network.minimumCut(source, sink);
      const gains = own.reduce((sum, weight, item) => sum + (can.has(item) ? Math.max(0, weight) : 0), 0);
      return { ...decided, gains, flows: value, taken: isSourceSide };
    };
    const choices = this.ways.flatMap((edges, clause) => (edges ? [clause] : []));
    const tuned = tunedPrices(
      choices.length,
      (some): Priced => {
        const { gains, flows, taken } = relaxed(this.spread(choices, some));
        const seen = flagsOf(taken, decided.isOut);
        this.see(seen, decided);
        return { bound: gains - flows, lacking: choices.map((clause) => this.lacking(clause, seen)) };
      },
      () => this.sum(this.seen),
    );
    this.prices = this.spread(choices, tuned);
    const { gains, flows } = relaxed(this.prices);
    this.frontier = [{ cut: { ...decided, gains, flows }, flow: this.network.saved(), bound: Infinity }];
  }

  /**
   * The choice that weighs most.
   *
   * @param isIn   items that are taken in any case
   * @param isOut  items that are not
   */
  best({
    isIn = [],
    isOut = [],
    mostNodes = usualNodes,
  }: {
    readonly isIn?: readonly number[];
    readonly isOut?: readonly number[];
    readonly mostNodes?: number;
  }): Closure | undefined {
    const isEnd = this.brings.slice();
    for (const item of isIn) isEnd[item] = 1;
    const any = this.anyWith(isIn, isOut);
    if (!any) return undefined;
    const search: Search = {
      ...{ isEnd, most: mostNodes, found: any, weight: this.sum(any) },
      ...{ looked: 0, open: -Infinity, leaves: isIn.length + isOut.length === 0 ? [] : null },
    };
    const beside = flagsIn(new Set([...any, ...this.seen]), this.count);
    for (const item of isOut) beside[item] = 0;
    this.offer(beside, this.nothing, search);
    for (const { cut, flow, bound } of this.frontier) {
      if (bound <= search.weight) continue;
      this.network.goTo(flow);
      const start = this.child(cut, { isIn, isOut });
      if (start) this.explore(start, search);
    }
    if (search.leaves && search.open === -Infinity) {
      // Where it ended the next question begins, and with what was found.
      this.frontier = search.leaves.sort((a, b) => b.bound - a.bound);
      this.seen = search.found;
    }
    return this.closure(search, isIn);
  }

  /** Looks at a branch: the network is at its flow. */
  private explore(own: Cut, search: Search): void {
    // Where later questions begin the bound counts; elsewhere it is enough that it is no better than what was found.
    const enough = search.leaves ? Infinity : own.gains - own.flows - search.weight;
    const cut = { ...own, flows: own.flows + this.network.flow(this.count, this.count + 1, enough) };
    const bound = cut.gains - cut.flows;
    if (bound <= search.weight) return this.keep(cut, bound, search);
    const taken = flagsOf(this.network.sideWithoutSink(this.count + 1), cut.isOut);
    const reached = this.offer(taken, cut, search);
    const clause = bound <= search.weight ? -1 : this.openClause(cut, taken, reached);
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
      if (bound <= search.weight) {
        this.network.goTo(flow);
        return this.keep(cut, bound, search);
      }
      if (search.looked >= search.most) {
        search.open = Math.max(search.open, bound);
        return;
      }
      search.looked += 1;
      this.network.goTo(flow);
      const next = this.child(cut, given);
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
    const ends = flagsIn(new Set(isIn), this.count);
    return isIn.every((item) => order.includes(item)) ? this.graph.trimmed(order, ends) : undefined;
  }

  /**
   * Decides more in a branch, with all that follows, and widens the network by it; undefined when something falls that is
   * forced.
   */
  private child(
    own: Cut,
    given: {
      readonly isIn: readonly number[];
      readonly isOut: readonly number[];
      readonly clause?: number;
      readonly way?: number;
    },
  ): Cut | undefined {
    const [isIn, isOut, chosen] = [own.isIn.slice(), own.isOut.slice(), own.chosen.slice()];
    for (const item of given.isIn) isIn[item] = 1;
    for (const item of given.isOut) isOut[item] = 1;
    if (given.clause !== undefined) chosen[given.clause] = given.way as number;
    const can = new Uint8Array(this.count);
    for (const item of this.graph.takeable(notOf(isOut), chosen)) can[item] = 1;
    let gains = own.gains;
    for (let item = 0; item < this.count; item += 1) {
      if (can[item] === 0) isOut[item] = 1;
      if (isIn[item] === 1 && isOut[item] === 1) return undefined;
      if (isOut[item] === 1 && own.isOut[item] === 0) this.network.widen(this.lossEdges[item] as number, this.much);
      // What is forced outweighs everything, and that is no gain.
      if (isIn[item] === 1 && own.isIn[item] === 0) this.network.widen(this.gainEdges[item] as number, this.much);
    }
    for (let clause = 0; clause < this.ways.length; clause += 1) {
      const edges = this.ways[clause];
      if (!edges) continue;
      const any = this.graph.alternatives[clause] as readonly number[];
      const item = this.graph.items[clause] as number;
      if (isOut[item] === 0 && chosen[clause] === -1) {
        const left = any.filter((other) => isOut[other] === 0);
        if (left.length === 1) chosen[clause] = left[0] as number;
      }
      const isSettled = isOut[item] === 1 || chosen[clause] !== -1;
      if (!isSettled || own.isOut[item] === 1 || own.chosen[clause] !== -1) continue;
      // What is settled has no price any more.
      const price = this.prices[clause] as number;
      for (const other of any) this.network.widen(this.lossEdges[other] as number, price);
      if (isOut[item] === 1) continue;
      this.network.widen(this.gainEdges[item] as number, price);
      gains += price;
      this.network.widen(edges[any.indexOf(chosen[clause] as number)] as number, Infinity);
    }
    return { isIn, isOut, chosen, gains, flows: own.flows };
  }

  /** Takes what can be taken of a choice, without what is idle, if it is a better one. Says what can be. */
  private offer(taken: Uint8Array, own: Decided, search: Search): Uint8Array {
    const order = this.graph.takeable(taken, own.chosen);
    const reached = new Uint8Array(this.count);
    for (const item of order) reached[item] = 1;
    if (own.isIn.every((is, item) => is === 0 || reached[item] === 1)) {
      const items = this.graph.trimmed(order, search.isEnd);
      const weight = this.sum(items);
      if (weight > search.weight) [search.found, search.weight] = [items, weight];
    }
    return reached;
  }

  /** A choice that is seen while nothing is forced yet. */
  private see(taken: Uint8Array, own: Decided): void {
    const items = this.graph.trimmed(this.graph.takeable(taken, own.chosen), this.brings);
    if (this.sum(items) > this.sum(this.seen)) this.seen = items;
  }

  /** A clause of an item taken that nothing reached meets; else the one whose price makes most of what is not there. */
  private openClause({ isOut, chosen }: Decided, taken: Uint8Array, reached: Uint8Array): number {
    let [best, most] = [-1, 0];
    for (let clause = 0; clause < this.ways.length; clause += 1) {
      const item = this.graph.items[clause] as number;
      if (!this.ways[clause] || chosen[clause] !== -1 || isOut[item] === 1) continue;
      const any = this.graph.alternatives[clause] as readonly number[];
      if (taken[item] === 1 && reached[item] === 0 && any.every((other) => reached[other] === 0)) return clause;
      const pays = -this.lacking(clause, taken) * (this.prices[clause] as number);
      if (pays > most) [best, most] = [clause, pays];
    }
    return best;
  }

  private lacking(clause: number, taken: Uint8Array): number {
    const any = this.graph.alternatives[clause] as readonly number[];
    const met = any.reduce((sum, other) => sum + (taken[other] as number), 0);
    return (taken[this.graph.items[clause] as number] as number) - met;
  }

  /** Edges to what every choice with an item has too, and closed ones to the alternatives of its other clauses. */
  private certainEdges(can: ReadonlySet<number>): readonly (readonly number[] | null)[] {
    const needs = certainNeeds(this.problem.clauses, (item) => can.has(item));
    return this.graph.alternatives.map((any, clause) => {
      const item = this.graph.items[clause] as number;
      const there = any.filter((other) => can.has(other));
      if (!can.has(item)) return null;
      if (there.length === 1) this.network.addEdge(item, there[0] as number, Infinity);
      if (there.length <= 1) return null;
      for (const other of inCommon(there.map((way) => needs[way] ?? new Set<number>())))
        if (other !== item) this.network.addEdge(item, other, Infinity);
      return any.map((other) => this.network.addEdge(item, other, 0));
    });
  }

  private weigh(item: number, weight: number): void {
    if (weight > 0) this.network.widen(this.gainEdges[item] as number, weight);
    if (weight < 0) this.network.widen(this.lossEdges[item] as number, -weight);
  }

  private pricedWeights(prices: readonly number[]): readonly number[] {
    const own = [...this.fine];
    prices.forEach((price, clause) => {
      if (price === 0) return;
      own[this.graph.items[clause] as number] = (own[this.graph.items[clause] as number] as number) - price;
      for (const other of this.graph.alternatives[clause] as readonly number[])
        own[other] = (own[other] as number) + price;
    });
    return own;
  }

  /** Prices of some clauses among those of all. */
  private spread(choices: readonly number[], some: readonly number[]): readonly number[] {
    const prices = new Array<number>(this.graph.items.length).fill(0);
    choices.forEach((clause, at) => (prices[clause] = some[at] as number));
    return prices;
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
    const any = new Int32Array(this.graph.items.length).fill(-1);
    const kept = new Set(taken);
    const order = this.graph.takeable(flagsIn(kept, this.count), any);
    const ends = new Set([...order].filter((item) => (weights[item] as number) > 0 || forced.includes(item)));
    for (const item of [...order].reverse()) {
      if (ends.has(item) || (weights[item] as number) !== 0 || this.graph.isSole(item, kept)) continue;
      kept.delete(item);
      const still = new Set(this.graph.takeable(flagsIn(kept, this.count), any));
      if (![...ends].every((end) => still.has(end))) kept.add(item);
    }
    return [...this.graph.takeable(flagsIn(kept, this.count), any)];
  }
}

const notOf = (flags: Uint8Array): Uint8Array => flags.map((flag) => 1 - flag);

const flagsOf = (taken: readonly boolean[], isOut: Uint8Array): Uint8Array =>
  isOut.map((is, item) => (taken[item] === true && is === 0 ? 1 : 0));

function flagsIn(items: ReadonlySet<number>, count: number): Uint8Array {
  const flags = new Uint8Array(count);
  for (const item of items) flags[item] = 1;
  return flags;
}
