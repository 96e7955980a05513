import { endOf, timeOrder, type Placed } from '../order/sequenceProblem';
import { certainNeeds, inCommon } from '../choice/certainNeeds';
import type { PlanProblem } from './planProblem';

/** Chances that hang on nothing but which operations need which. */
export interface Reach {
  /** Per operation: that it is come to, since all it certainly needs is done. */
  readonly comes: Float64Array;
  /** And that it is done itself. */
  readonly done: Float64Array;
  /** Of a prize of several parts, that all of them can be reached. */
  readonly prize: Float64Array;
  readonly needs: readonly (ReadonlySet<number> | undefined)[];
}

export function reachOf({ sequence, operations, prizes }: PlanProblem): Reach {
  const needs = certainNeeds(
    sequence.operations.map(({ after }) => after),
    (at) => operations[at]?.isBarred !== true,
  );
  const chanceOf = (all: Iterable<number>, but = -1) => {
    let chance = 1;
    for (const need of all) if (need !== but) chance *= operations[need]?.yields as number;
    return chance;
  };
  return {
    needs,
    comes: Float64Array.from(needs, (known, at) => chanceOf(known ?? [], at)),
    done: Float64Array.from(needs, (known) => chanceOf(known ?? [])),
    prize: Float64Array.from(prizes, ({ parts }) =>
      chanceOf(new Set(parts.flatMap((part) => needsOf(part, operations, needs)))),
    ),
  };
}

/** Operations that are done whenever a part is freed. */
export const needsOf = (
  part: number,
  operations: PlanProblem['operations'],
  needs: Reach['needs'],
): readonly number[] =>
  inCommon(operations.flatMap(({ frees }, at) => (needs[at] && frees.includes(part) ? [needs[at]] : [])));

/**
 * What an order brings, in expected cents: the definition that `bestPlan` maximises.
 *
 * A part is gained when it is first freed, as often as its operation is come to and done, and as nothing before broke it;
 * bound parts only when both are out and whole. Every operation costs its minutes as often as it is come to; changes of
 * set-up, and waits beside the hand that nothing fills, always. An assembly that is out while a part of its own is not
 * saves the move of that.
 *
 * @throws RangeError when an operation comes too early or twice
 */
export function centsAlong(problem: PlanProblem, order: readonly Placed[], reach = reachOf(problem)): number {
  const { sequence, operations, prizes, centsPerMinute } = problem;
  const { alive, freedBy } = freedAlong(problem, order);
  let cents = 0;
  for (const { operation, setUp, waiting, work } of timeOrder(sequence, order)) {
    const comes = reach.comes[operation] as number;
    cents -= (setUp + waiting + work * comes) * centsPerMinute + (operations[operation]?.cents as number) * comes;
  }
  prizes.forEach(({ parts, cents: worth }, at) => {
    const [first] = parts.map((part) => freedBy[part] as number);
    if (first === undefined || !parts.every((part) => freedBy[part] !== -1)) return;
    const chance = (parts.length === 1 ? reach.done[first] : reach.prize[at]) as number;
    cents += parts.reduce((left, part) => left * (alive[part] as number), worth * chance);
  });
  return cents + savedBy(problem, freedBy);
}

/** Expected cents that assemblies save which are out with parts of theirs still on. */
export const movesSaved = (problem: PlanProblem, order: readonly Placed[]): number =>
  savedBy(problem, freedAlong(problem, order).freedBy);

const savedBy = ({ carried }: PlanProblem, freedBy: Int32Array): number =>
  carried.reduce(
    (sum, { assembly, part, cents }) => (freedBy[assembly] !== -1 && freedBy[part] === -1 ? sum + cents : sum),
    0,
  );

/** Per part, the chance that the way does not keep it from coming out whole; 0 for one that stays in. */
export function soundAlong(problem: PlanProblem, order: readonly Placed[], reach = reachOf(problem)): Float64Array {
  const { alive, freedBy } = freedAlong(problem, order);
  return alive.map((chance, part) => {
    const by = freedBy[part] as number;
    return by === -1 ? 0 : chance * (reach.done[by] as number);
  });
}

/** Per part, the operation that first frees it (−1 for none), and the chance that nothing before broke it. */
function freedAlong({ operations, partCount }: PlanProblem, order: readonly Placed[]) {
  const alive = new Float64Array(partCount).fill(1);
  const freedBy = new Int32Array(partCount).fill(-1);
  for (const { operation } of order) {
    const { frees, risks } = operations[operation] as PlanProblem['operations'][number];
    for (const { part, chance } of risks) {
      if (freedBy[part] === -1) alive[part] = (alive[part] as number) * (1 - chance);
    }
    for (const part of frees) if (freedBy[part] === -1) freedBy[part] = operation;
  }
  return { alive, freedBy };
}

/** Minutes of the hand along an order, as often as each operation is come to. */
export function chargedMinutes(problem: PlanProblem, order: readonly Placed[]): number {
  const { comes } = reachOf(problem);
  return timeOrder(problem.sequence, order).reduce(
    (sum, { operation, setUp, waiting, work }) => sum + setUp + waiting + work * (comes[operation] as number),
    0,
  );
}

/** Minutes of it between the operations: changes of set-up, and waits beside the hand that nothing fills. */
export const changeMinutes = ({ sequence }: PlanProblem, order: readonly Placed[]): number =>
  timeOrder(sequence, order).reduce((sum, { setUp, waiting }) => sum + setUp + waiting, 0);

/** Minutes of an order from beginning to end, waits included. */
export const minutesAlong = ({ sequence }: PlanProblem, order: readonly Placed[]): number =>
  endOf(sequence, timeOrder(sequence, order));
