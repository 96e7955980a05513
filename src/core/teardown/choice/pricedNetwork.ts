import { FlowNetwork } from '@/core/graph/minimumCut';
import { certainNeeds, inCommon } from './certainNeeds';
import type { ClauseGraph } from './clauseGraph';
import { tunedPrices, type Priced } from './clausePrices';
import { flagsIn, notOf } from './flags';

/** What is decided in a branch. */
export interface Decided {
  readonly isIn: Uint8Array;
  readonly isOut: Uint8Array;
  /** Per clause the alternative that it is to be; −1 where any will do. */
  readonly chosen: Int32Array;
}

/** A branch in the network: all gains that it holds there, and what flows of them. */
export interface Cut extends Decided {
  readonly gains: number;
  readonly flows: number;
}

/** What a branch decides beyond the one above. */
export interface Decision {
  readonly isIn: readonly number[];
  readonly isOut: readonly number[];
  /** The clause that is to be met by one of its alternatives. */
  readonly clause?: number;
  readonly way?: number;
}

/**
 * Items as nodes, what they gain from the source, what they lose to the sink, and edges to what every choice with an item has too: a
 * cut is the best choice where other clauses are let go. Clauses with alternatives have prices: an item pays the price of its clause
 * and each alternative earns it, so that no choice weighs less for it, and those that do not meet the clause weigh less than without.
 *
 * All that is decided widens edges, so a cut goes on from what flows already.
 */
export class PricedNetwork {
  private readonly network: FlowNetwork;
  private readonly source: number;
  private readonly sink: number;
  private readonly gainEdges: readonly number[];
  private readonly lossEdges: readonly number[];
  /** Per clause with alternatives, the edges to them; null for others. */
  private readonly ways: readonly (readonly number[] | null)[];
  private prices: readonly number[];

  /**
   * @param weights  what taking each item brings or costs, whole numbers
   * @param much     outweighs all of them together
   * @param root     what is decided before any branch: what cannot be taken is out
   */
  constructor(
    private readonly graph: ClauseGraph,
    private readonly weights: readonly number[],
    private readonly much: number,
    private readonly root: Decided,
  ) {
    [this.source, this.sink] = [weights.length, weights.length + 1];
    this.network = new FlowNetwork(weights.length + 2);
    this.gainEdges = weights.map((_, item) => this.network.addEdge(this.source, item, 0));
    this.lossEdges = weights.map((_, item) => this.network.addEdge(item, this.sink, 0));
    this.ways = this.certainEdges();
    this.prices = this.ways.map(() => 0);
  }

  /**
   * Finds prices at which the cut's bound is low, and the cut at them: the root of all branches.
   *
   * @param see    told of what each cut takes on the way
   * @param found  the weight of the best choice seen so far
   */
  tuned(see: (taken: Uint8Array) => void, found: () => number): Cut {
    const blank = this.network.saved();
    const choices = this.ways.flatMap((edges, clause) => (edges ? [clause] : []));
    const among = (some: readonly number[]): readonly number[] => {
      const all = this.ways.map(() => 0);
      choices.forEach((clause, at) => (all[clause] = some[at] as number));
      return all;
    };
    const cutAt = (prices: readonly number[]): Cut => {
      this.prices = prices;
      this.network.goTo(blank);
      return this.flowing({ ...this.root, gains: this.weigh(), flows: 0 });
    };
    if (choices.length === 0) return cutAt(this.prices);
    const best = tunedPrices(
      choices.length,
      (some): Priced => {
        const cut = cutAt(among(some));
        const taken = this.taken(cut);
        see(taken);
        return { bound: cut.gains - cut.flows, lacking: choices.map((clause) => this.lacking(clause, taken)) };
      },
      found,
    );
    return cutAt(among(best));
  }

  /** All that flows, to come back to. */
  saved(): Float64Array {
    return this.network.saved();
  }

  goTo(flow: Float64Array): void {
    this.network.goTo(flow);
  }

  /** Lets flow what can, or what is enough: gains less flows bound what the branch can weigh. */
  flowing(own: Cut, enough = Infinity): Cut {
    return { ...own, flows: own.flows + this.network.flow(this.source, this.sink, enough) };
  }

  /** After all flows that can: what the cut takes, 1 for each. */
  taken({ isOut }: Decided): Uint8Array {
    const side = this.network.sideWithoutSink(this.sink);
    return isOut.map((is, item) => (side[item] === true && is === 0 ? 1 : 0));
  }

  /**
   * Decides more, with all that follows, and widens the network by it.
   *
   * @returns undefined when something falls that is forced
   */
  decide(own: Cut, given: Decision): Cut | undefined {
    const [isIn, isOut, chosen] = [own.isIn.slice(), own.isOut.slice(), own.chosen.slice()];
    for (const item of given.isIn) isIn[item] = 1;
    for (const item of given.isOut) isOut[item] = 1;
    if (given.clause !== undefined) chosen[given.clause] = given.way as number;
    const can = flagsIn(this.graph.takeable(notOf(isOut), chosen), isOut.length);
    for (let item = 0; item < can.length; item += 1) {
      if (can[item] === 0) isOut[item] = 1;
      if (isIn[item] === 1 && isOut[item] === 1) return undefined;
      if (isOut[item] === 1 && own.isOut[item] === 0) this.network.widen(this.lossEdges[item] as number, this.much);
      // What is forced outweighs everything, and that is no gain.
      if (isIn[item] === 1 && own.isIn[item] === 0) this.network.widen(this.gainEdges[item] as number, this.much);
    }
    const next = { isIn, isOut, chosen };
    return { ...next, gains: own.gains + this.settle(own, next), flows: own.flows };
  }

  /** A clause of an item taken that nothing reached meets; else the one whose price makes most of what is not there. */
  openClause({ isOut, chosen }: Decided, taken: Uint8Array, reached: Uint8Array): number {
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

  /** Clauses that are met by one alternative now, or whose item is out, have no price any more. Says what that gains. */
  private settle(before: Decided, { isOut, chosen }: Decided): number {
    let gains = 0;
    for (let clause = 0; clause < this.ways.length; clause += 1) {
      const edges = this.ways[clause];
      const item = this.graph.items[clause] as number;
      if (!edges || before.isOut[item] === 1 || before.chosen[clause] !== -1) continue;
      const any = this.graph.alternatives[clause] as readonly number[];
      const left = any.filter((other) => isOut[other] === 0);
      if (chosen[clause] === -1 && left.length === 1) chosen[clause] = left[0] as number;
      if (isOut[item] === 0 && chosen[clause] === -1) continue;
      const price = this.prices[clause] as number;
      for (const other of any) this.network.widen(this.lossEdges[other] as number, price);
      if (isOut[item] === 1) continue;
      this.network.widen(this.gainEdges[item] as number, price);
      this.network.widen(edges[any.indexOf(chosen[clause] as number)] as number, Infinity);
      gains += price;
    }
    return gains;
  }

  /** 1 for an item taken, less 1 for each alternative taken. */
  private lacking(clause: number, taken: Uint8Array): number {
    const any = this.graph.alternatives[clause] as readonly number[];
    const met = any.reduce((sum, other) => sum + (taken[other] as number), 0);
    return (taken[this.graph.items[clause] as number] as number) - met;
  }

  /** Edges to what every choice with an item has too, and closed ones to the alternatives of its other clauses. */
  private certainEdges(): readonly (readonly number[] | null)[] {
    const can = (item: number) => this.root.isOut[item] === 0;
    const clauses = this.graph.own.map((own) => own.map((clause) => this.graph.alternatives[clause] ?? []));
    const hasChoices = this.graph.alternatives.some((any) => any.length > 1);
    const needs = hasChoices ? certainNeeds(clauses, can) : [];
    return this.graph.alternatives.map((any, clause) => {
      const item = this.graph.items[clause] as number;
      const there = any.filter(can);
      if (!can(item)) return null;
      if (there.length === 1) this.network.addEdge(item, there[0] as number, Infinity);
      if (there.length <= 1) return null;
      for (const other of inCommon(there.map((way) => needs[way] ?? new Set<number>())))
        if (other !== item) this.network.addEdge(item, other, Infinity);
      return any.map((other) => this.network.addEdge(item, other, 0));
    });
  }

  /** Gives a blank network its weights at the prices. Says what all gains are. */
  private weigh(): number {
    const own = [...this.weights];
    this.prices.forEach((price, clause) => {
      own[this.graph.items[clause] as number] = (own[this.graph.items[clause] as number] as number) - price;
      for (const other of this.graph.alternatives[clause] as readonly number[])
        own[other] = (own[other] as number) + price;
    });
    return own.reduce((gains, weight, item) => {
      const counts = this.root.isOut[item] === 1 ? -this.much : weight;
      if (counts < 0) this.network.widen(this.lossEdges[item] as number, -counts);
      if (counts > 0) this.network.widen(this.gainEdges[item] as number, counts);
      return gains + Math.max(0, counts);
    }, 0);
  }
}
