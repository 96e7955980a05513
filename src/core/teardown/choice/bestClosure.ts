import { FlowNetwork } from '@/core/graph/minimumCut';
import { takeable, type ClosureProblem } from './closureProblem';

export interface Closure {
  /** Items taken, each after what it waits for. */
  readonly items: readonly number[];
  readonly weight: number;
  /** No choice weighs more than this; equal to the weight when the search ended by itself. */
  readonly upperBound: number;
  readonly isProven: boolean;
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
export function bestClosure(problem: ClosureProblem, mostNodes = 4000): Closure | undefined {
  const { weights, clauses, forced = [], barred = [] } = problem;
  const count = weights.length;
  if (clauses.length !== count) throw new RangeError('bestClosure: one list of clauses per item');
  if (!weights.every(Number.isSafeInteger)) throw new RangeError('bestClosure: weights are whole numbers');
  const isIn = weights.map(() => false);
  for (const item of forced) isIn[item] = true;

  let best: Relaxed | undefined;
  const stack: Node[] = [];
  const open = (node: Omit<Node, 'bound'>): void => {
    const settled = settle(node);
    if (!settled) return;
    const relaxed = relax(weights, settled);
    if (!relaxed || (best && relaxed.weight <= best.weight)) return;
    const reached = new Set(takeable(count, settled.clauses, (item) => relaxed.taken[item] === true));
    const stuck = relaxed.taken.findIndex(
      (isTaken, item) => isTaken && !reached.has(item) && openClause(settled, item, reached) !== undefined,
    );
    const canDo = settled.isIn.every((isForced, item) => !isForced || reached.has(item));
    if (canDo) {
      const weight = [...reached].reduce((sum, item) => sum + (weights[item] as number), 0);
      if (!best || weight > best.weight) best = { taken: weights.map((_, item) => reached.has(item)), weight };
    }
    if (stuck === -1 || relaxed.weight <= (best?.weight ?? -Infinity)) return;
    const index = openClause(settled, stuck, reached) as number;
    const alternatives = settled.clauses[stuck]?.[index] ?? [];
    stack.push({ ...settled, isOut: withItem(settled.isOut, stuck), bound: relaxed.weight });
    for (const only of [...alternatives].reverse()) {
      const own = (settled.clauses[stuck] ?? []).map((clause, at) => (at === index ? [only] : clause));
      stack.push({
        clauses: settled.clauses.map((list, item) => (item === stuck ? own : list)),
        isIn: withItem(settled.isIn, stuck),
        isOut: settled.isOut,
        bound: relaxed.weight,
      });
    }
  };
  open({ clauses, isIn, isOut: weights.map((_, item) => barred.includes(item)) });
  let looked = 0;
  for (let node = stack.pop(); node && looked < mostNodes; node = stack.pop()) {
    looked += 1;
    if (!best || node.bound > best.weight) open(node);
    if (looked === mostNodes && stack.length > 0) break;
  }
  if (!best) return undefined;
  const upperBound = Math.max(best.weight, ...stack.map(({ bound }) => bound));
  const items = withoutIdle(problem, best.taken);
  return { items, weight: sum(weights, items), upperBound, isProven: upperBound === best.weight };
}

const sum = (weights: readonly number[], items: readonly number[]): number =>
  items.reduce((total, item) => total + (weights[item] as number), 0);

const withItem = (flags: readonly boolean[], item: number): readonly boolean[] =>
  flags.map((flag, at) => flag || at === item);

/** The first clause with a choice in it that nothing reached satisfies. */
function openClause(
  { clauses }: Pick<Node, 'clauses'>,
  item: number,
  reached: ReadonlySet<number>,
): number | undefined {
  const index = (clauses[item] ?? []).findIndex((any) => any.length > 1 && !any.some((other) => reached.has(other)));
  return index === -1 ? undefined : index;
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
function relax(weights: readonly number[], { clauses, isIn, isOut }: Omit<Node, 'bound'>): Relaxed | undefined {
  const count = weights.length;
  const [source, sink] = [count, count + 1];
  const network = new FlowNetwork(count + 2);
  // Large enough that no sum of gains outweighs it, and finite, so that what is forced adds up exactly.
  const much = weights.reduce((total, weight) => total + Math.abs(weight), 1);
  for (let item = 0; item < count; item += 1) {
    if (isOut[item]) continue;
    const weight = (weights[item] as number) + (isIn[item] ? much : 0);
    if (weight >= 0) network.addEdge(source, item, weight);
    else network.addEdge(item, sink, -weight);
    for (const needed of certainlyNeeded(clauses, item, isOut)) network.addEdge(item, needed, Infinity);
  }
  const { isSourceSide } = network.minimumCut(source, sink);
  const taken = isOut.map((isGone, item) => !isGone && isSourceSide[item] === true);
  if (isIn.some((isForced, item) => isForced && !taken[item])) return undefined;
  return {
    taken,
    weight: taken.reduce((total, isTaken, item) => total + (isTaken ? (weights[item] as number) : 0), 0),
  };
}

/** What every choice with this item has too: single alternatives, and single needs common to all alternatives. */
function certainlyNeeded(clauses: Node['clauses'], item: number, isOut: readonly boolean[]): readonly number[] {
  const needed: number[] = [];
  for (const any of clauses[item] ?? []) {
    if (any.length === 1) needed.push(any[0] as number);
    else if (any.length > 1) {
      const [first, ...rest] = any.map((other) => singleNeeds(clauses, other));
      for (const other of first ?? []) if (rest.every((needs) => needs.has(other)) && !isOut[other]) needed.push(other);
    }
  }
  return needed;
}

/** All that an item needs along single alternatives, itself included. */
function singleNeeds(clauses: Node['clauses'], item: number): ReadonlySet<number> {
  const needs = new Set([item]);
  for (const at of needs) for (const any of clauses[at] ?? []) if (any.length === 1) needs.add(any[0] as number);
  return needs;
}

/** Takes out, last first, what neither brings anything nor is needed by what does. */
function withoutIdle({ weights, clauses, forced = [] }: ClosureProblem, taken: readonly boolean[]): readonly number[] {
  const kept = [...taken];
  const ends = weights.flatMap((weight, item) => (taken[item] && (weight > 0 || forced.includes(item)) ? [item] : []));
  const order = takeable(weights.length, clauses, (item) => taken[item] === true);
  for (const item of [...order].reverse()) {
    if (ends.includes(item)) continue;
    kept[item] = false;
    const still = new Set(takeable(weights.length, clauses, (other) => kept[other] === true));
    if (!ends.every((end) => still.has(end))) kept[item] = true;
  }
  return takeable(weights.length, clauses, (item) => kept[item] === true);
}
