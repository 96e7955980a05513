import { FlowNetwork } from '@/core/graph/minimumCut';
import { takeable, type ClosureProblem } from './closureProblem';

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

interface Node {
  readonly clauses: readonly (readonly (readonly number[])[])[];
  readonly isIn: readonly boolean[];
  readonly isOut: readonly boolean[];
  readonly bound: number;
}

interface Relaxed {
  readonly taken: readonly boolean[];
  readonly weight: number;
}

/** Branches that are looked at before a search gives up its proof: seconds at the most, milliseconds as models are. */
const usualNodes = 400;

/**
 * The choice of items that weighs most, where each item needs one of each of its clauses taken before it.
 *
 * With one alternative in every clause this is maximum-weight closure, solved by one minimum cut. With alternatives:
 * branch and bound over the clause that the cut left open. The bound of a node is the cut of what is certain in it: single
 * alternatives, and what all alternatives of a clause have in common. Items that justify only each other are no choice,
 * so circles of alternatives are right too. Of choices that weigh the same, one with more of the items that bring
 * something is returned, and nothing in it is there for nothing.
 *
 * @param mostNodes  branches looked at before the search gives up its proof
 * @returns undefined when what is forced cannot be taken
 * @throws RangeError when lengths differ or a weight is not whole
 * Cost: one cut per branch; exponential in the number of alternatives at worst, a handful of branches as models are
 * Source: J.-C. Picard, Maximal closure of a graph and applications to combinatorial problems, Management Science 22
 * (1976); the branching is ours.
 */
export const bestClosure = (problem: ClosureProblem, mostNodes = usualNodes): Closure | undefined =>
  new ClosureSolver(problem.clauses, problem.barred).solve(problem.weights, problem.forced, mostNodes);

/** The same clauses with many weights: what does not depend on the weights is found out once. */
export class ClosureSolver {
  private readonly count: number;
  private readonly root: Omit<Node, 'bound'>;
  /** What every choice with an item has too, for the clauses of the root. */
  private readonly needs: readonly (readonly number[])[];
  private readonly hasChoices: boolean;

  constructor(
    private readonly clauses: ClosureProblem['clauses'],
    barred: readonly number[] = [],
  ) {
    this.count = clauses.length;
    const none = clauses.map(() => false);
    this.root = settle({ clauses, isIn: none, isOut: none.map((_, item) => barred.includes(item)) }) as Omit<
      Node,
      'bound'
    >;
    this.needs = allNeeds(this.root);
    this.hasChoices = this.root.clauses.some(
      (own, item) => !this.root.isOut[item] && own.some((any) => any.length > 1),
    );
  }

  solve(weights: readonly number[], forced: readonly number[] = [], mostNodes = usualNodes): Closure | undefined {
    if (weights.length !== this.count) throw new RangeError('bestClosure: one list of clauses per item');
    if (!weights.every(Number.isSafeInteger)) throw new RangeError('bestClosure: weights are whole numbers');
    const isIn = this.root.isIn.slice();
    for (const item of forced) isIn[item] = true;
    if (isIn.some((isForced, item) => isForced && this.root.isOut[item])) return undefined;
    const root = { ...this.root, isIn };
    if (!this.hasChoices) {
      const relaxed = relax(weights, root, this.needs);
      return relaxed && this.closure(weights, forced, relaxed, relaxed.weight, 0);
    }
    let best: Relaxed | undefined = this.firstFound(weights, root);
    if (!best) return undefined;
    const stack: Node[] = [];
    const open = (node: Omit<Node, 'bound'>): void => {
      const settled = node === root ? root : settle(node);
      if (!settled) return;
      const relaxed = relax(weights, settled, settled === root ? this.needs : allNeeds(settled));
      if (!relaxed || (best && relaxed.weight <= best.weight)) return;
      const reached = new Set(takeable(this.count, settled.clauses, (item) => relaxed.taken[item] === true));
      if (settled.isIn.every((isForced, item) => !isForced || reached.has(item))) {
        const weight = sum(weights, [...reached]);
        if (!best || weight > best.weight) best = { taken: weights.map((_, item) => reached.has(item)), weight };
      }
      if (relaxed.weight > (best?.weight ?? -Infinity)) stack.push(...branches(settled, relaxed, reached));
    };
    open(root);
    let looked = 0;
    for (let node = stack.pop(); node; node = stack.pop()) {
      if (best && node.bound <= best.weight) continue;
      if (looked >= mostNodes) {
        stack.push(node);
        break;
      }
      looked += 1;
      open(node);
    }
    return this.closure(weights, forced, best, Math.max(best.weight, ...stack.map(({ bound }) => bound)), looked);
  }

  /** What is forced with what it needs, of alternatives the one that can be taken first: any choice to begin with. */
  private firstFound(weights: readonly number[], { clauses, isIn, isOut }: Omit<Node, 'bound'>): Relaxed | undefined {
    const order = takeable(this.count, clauses, (item) => !isOut[item]);
    const place = new Map(order.map((item, at) => [item, at]));
    const taken = new Set(isIn.flatMap((isForced, item) => (isForced ? [item] : [])));
    if ([...taken].some((item) => !place.has(item))) return undefined;
    for (const item of taken) {
      for (const any of clauses[item] ?? []) {
        const before = any.filter((other) => (place.get(other) ?? Infinity) < (place.get(item) as number));
        if (!before.some((other) => taken.has(other))) {
          taken.add(before.reduce((a, b) => ((place.get(a) as number) <= (place.get(b) as number) ? a : b)));
        }
      }
    }
    return { taken: weights.map((_, item) => taken.has(item)), weight: sum(weights, [...taken]) };
  }

  private closure(
    weights: readonly number[],
    forced: readonly number[],
    { taken, weight }: Relaxed,
    upperBound: number,
    looked: number,
  ): Closure {
    const items = withoutIdle({ weights, clauses: this.clauses, forced }, taken);
    return { items, weight: sum(weights, items), upperBound, isProven: upperBound === weight, branches: looked };
  }
}

const sum = (weights: readonly number[], items: readonly number[]): number =>
  items.reduce((total, item) => total + (weights[item] as number), 0);

const withItem = (flags: readonly boolean[], item: number): readonly boolean[] =>
  flags.map((flag, at) => flag || at === item);

/** The first taken item with a clause that nothing reached satisfies: left out, or taken by each alternative in turn. */
function branches(settled: Omit<Node, 'bound'>, { taken, weight }: Relaxed, reached: ReadonlySet<number>): Node[] {
  for (let item = 0; item < taken.length; item += 1) {
    if (!taken[item] || reached.has(item)) continue;
    const index = (settled.clauses[item] ?? []).findIndex(
      (any) => any.length > 1 && !any.some((other) => reached.has(other)),
    );
    if (index === -1) continue;
    const byAlternative = [...(settled.clauses[item]?.[index] ?? [])].reverse().map((only): Node => {
      const own = (settled.clauses[item] ?? []).map((clause, at) => (at === index ? [only] : clause));
      return {
        clauses: settled.clauses.map((list, at) => (at === item ? own : list)),
        isIn: withItem(settled.isIn, item),
        isOut: settled.isOut,
        bound: weight,
      };
    });
    return [{ ...settled, isOut: withItem(settled.isOut, item), bound: weight }, ...byAlternative];
  }
  return [];
}

/** Takes out what cannot be taken any more and shortens the clauses by it; undefined when something forced falls. */
function settle(node: Omit<Node, 'bound'>): Omit<Node, 'bound'> | undefined {
  const count = node.isIn.length;
  const can = new Set(takeable(count, node.clauses, (item) => !node.isOut[item]));
  if (node.isIn.some((isForced, item) => isForced && !can.has(item))) return undefined;
  if (can.size === count) return node;
  return {
    isIn: node.isIn,
    isOut: node.isOut.map((_, item) => !can.has(item)),
    clauses: node.clauses.map((own) => own.map((any) => any.filter((item) => can.has(item)))),
  };
}

/** The cut of what is certain: no choice of the node weighs more than this. */
function relax(
  weights: readonly number[],
  { isIn, isOut }: Omit<Node, 'bound'>,
  needs: readonly (readonly number[])[],
): Relaxed | undefined {
  const count = weights.length;
  const [source, sink] = [count, count + 1];
  const network = new FlowNetwork(count + 2);
  // Large enough that no sum of gains outweighs it, and finite, so that what is forced adds up exactly.
  const much = weights.reduce((total, weight) => total + Math.abs(weight), 1);
  for (let item = 0; item < count; item += 1) {
    if (isOut[item]) continue;
    const weight = (weights[item] as number) + (isIn[item] ? much : 0);
    if (weight > 0) network.addEdge(source, item, weight);
    else if (weight < 0) network.addEdge(item, sink, -weight);
    for (const needed of needs[item] as readonly number[]) network.addEdge(item, needed, Infinity);
  }
  const { isSourceSide } = network.minimumCut(source, sink);
  const taken = isOut.map((isGone, item) => !isGone && isSourceSide[item] === true);
  if (isIn.some((isForced, item) => isForced && !taken[item])) return undefined;
  return {
    taken,
    weight: taken.reduce((total, isTaken, item) => total + (isTaken ? (weights[item] as number) : 0), 0),
  };
}

/** What every choice with an item has too: single alternatives, and single needs common to all alternatives. */
function allNeeds({ clauses, isOut }: Omit<Node, 'bound'>): readonly (readonly number[])[] {
  const known = new Map<number, ReadonlySet<number>>();
  const along = (item: number): ReadonlySet<number> => {
    const needs = known.get(item) ?? singleNeeds(clauses, item);
    known.set(item, needs);
    return needs;
  };
  return clauses.map((own, item) => {
    if (isOut[item]) return [];
    const needed: number[] = [];
    for (const any of own) {
      if (any.length === 1) needed.push(any[0] as number);
      else if (any.length > 1) {
        const [first, ...rest] = any.map(along);
        for (const other of first ?? []) if (rest.every((needs) => needs.has(other))) needed.push(other);
      }
    }
    return needed;
  });
}

/** All that an item needs along single alternatives, itself included. */
function singleNeeds(clauses: Node['clauses'], item: number): ReadonlySet<number> {
  const needs = new Set([item]);
  for (const at of needs) for (const any of clauses[at] ?? []) if (any.length === 1) needs.add(any[0] as number);
  return needs;
}

/**
 * Takes out, last first, what neither brings anything nor is needed by what does. In a best choice only items that cost
 * nothing can be idle.
 */
function withoutIdle({ weights, clauses, forced = [] }: ClosureProblem, taken: readonly boolean[]): readonly number[] {
  const kept = [...taken];
  const isThere = (item: number) => kept[item] === true;
  const isEnd = (item: number) => (weights[item] as number) > 0 || forced.includes(item);
  const order = takeable(weights.length, clauses, isThere);
  const isWanted = new Set(order.flatMap((item) => (clauses[item] ?? []).flat()));
  for (const item of [...order].reverse()) {
    if (isEnd(item) || (weights[item] as number) !== 0) continue;
    kept[item] = false;
    if (!isWanted.has(item)) continue;
    const still = new Set(takeable(weights.length, clauses, isThere));
    if (!order.every((other) => !isEnd(other) || still.has(other))) kept[item] = true;
  }
  return takeable(weights.length, clauses, isThere);
}
