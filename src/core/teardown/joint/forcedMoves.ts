import type { CompiledProblem } from '../order/compiledProblem';
import { bitsOf } from './bits';
import { needsOf, type Reach } from './planMoney';
import type { PlanProblem } from './planProblem';

const slack = 1e-9;

/**
 * The rules that keep a search for the best plan small without changing its answer.
 *
 * - An operation that can be done now in the set-up in hand, at its least minutes, breaking nothing that is still in, is
 *   never better done later, as long as its set-ups obey the triangle inequality: taking it out of its later place saves a
 *   change or changes nothing, and what it frees comes out sooner. So it is done now or never.
 * - One that brings nothing by itself and helps only one other is done in a best plan only with that other: then all that
 *   the other needs is certain too.
 * - One that frees a part which nothing else frees, for more than it costs, is done as soon as it can be.
 */
export class ForcedMoves {
  /** What is certain to be done too, once an operation is. */
  readonly commits: readonly Int32Array[];
  /** Operations that may pay by themselves. */
  readonly payers: Int32Array;
  private readonly isNeverHarmful: Uint8Array;
  private readonly hasOtherUse: Uint8Array;
  private readonly goals: readonly Int32Array[];
  /** Parts that matter, that it may break, and that can come out before it. */
  private readonly atRisk: readonly Int32Array[];
  /** Per payer, what it frees alone, with the worth of each; and its cost. */
  private readonly alone: readonly { readonly part: number; readonly cents: number }[][];
  private readonly leastCents: Float64Array;

  constructor(problem: PlanProblem, compiled: CompiledProblem, reach: Reach, words: number) {
    const { operations, sequence, prizes, carried, wanted, centsPerMinute, partCount } = problem;
    const { ways, leastMinutes, waitAway, hasWaitsBeside } = compiled;
    const can = reach.needs.map((known) => known !== undefined);
    const obeys = compiled.closes;
    const wished = new Set([
      ...prizes.flatMap(({ parts }) => parts),
      ...wanted,
      ...carried.map(({ assembly }) => assembly),
    ]);
    const freers = Array.from({ length: partCount }, (_, part) =>
      operations.flatMap(({ frees }, at) => (can[at] && frees.includes(part) ? [at] : [])),
    );
    const { helped, speeds } = helpedBy(sequence, can);
    this.goals = goalsOf(operations, helped, wished, can);
    // Good for more than what waits for it: a way round to a set-up, or a wait away that fills one beside the hand.
    this.hasOtherUse = Uint8Array.from(ways, (_, at) =>
      !obeys[at] || (hasWaitsBeside && (waitAway[at] as number) > 0) ? 1 : 0,
    );
    const isIdle = (at: number) =>
      can[at] &&
      this.hasOtherUse[at] === 0 &&
      !speeds.has(at) &&
      !operations[at]?.frees.some((part) => wished.has(part));
    this.commits = operations.map((_, at) => bitsOf(certainWith(at, isIdle, helped, reach), words));
    // Freed by two of which one is done less often, a part is not better freed sooner.
    this.isNeverHarmful = Uint8Array.from(operations, ({ frees }, at) =>
      obeys[at] &&
      frees.every((part) => !wished.has(part) || freers[part]?.every((by) => reach.done[by] === reach.done[at]))
        ? 1
        : 0,
    );
    // What always comes out after it is at risk whenever it is done.
    const isBefore = (operation: number, part: number) => needsOf(part, operations, reach.needs).includes(operation);
    this.atRisk = operations.map(({ risks }, at) =>
      Int32Array.from(
        risks
          .filter(({ part, chance }) => chance > 0 && wished.has(part) && !isBefore(at, part))
          .map(({ part }) => part),
      ),
    );
    const taken = new Set(carried.map(({ part }) => part));
    this.alone = operations.map(({ frees, risks }, at) =>
      !can[at] || frees.some((part) => taken.has(part))
        ? []
        : frees.flatMap((part) => {
            if (freers[part]?.length !== 1) return [];
            const own = prizes.filter(({ parts }) => parts.length === 1 && parts[0] === part);
            const spared = risks.reduce((left, risk) => (risk.part === part ? left * (1 - risk.chance) : left), 1);
            const cents = own.reduce((sum, prize) => sum + prize.cents, 0) * spared * (reach.done[at] as number);
            return cents > 0 ? [{ part, cents }] : [];
          }),
    );
    this.payers = Int32Array.from(this.alone.flatMap((own, at) => (own.length > 0 ? [at] : [])));
    this.leastCents = Float64Array.from(
      operations,
      ({ cents }, at) => ((leastMinutes[at] as number) * centsPerMinute + cents) * (reach.comes[at] as number),
    );
  }

  /** Whether it can still help to free something that is wanted or has a worth. */
  isUseful(operation: number, isOut: Uint8Array): boolean {
    if (this.hasOtherUse[operation] === 1) return true;
    const goals = this.goals[operation] as Int32Array;
    for (let at = 0; at < goals.length; at += 1) if (isOut[goals[at] as number] === 0) return true;
    return false;
  }

  /** Whether doing it early can do no harm: it breaks nothing that is still in, and its set-up is no way round. */
  canBeEarly(operation: number, isOut: Uint8Array): boolean {
    if (this.isNeverHarmful[operation] === 0) return false;
    const atRisk = this.atRisk[operation] as Int32Array;
    for (let at = 0; at < atRisk.length; at += 1) if (isOut[atRisk[at] as number] === 0) return false;
    return true;
  }

  /** Whether what it frees by itself is worth its cost. */
  paysAlone(operation: number, isOut: Uint8Array, alive: Float64Array): boolean {
    let sum = 0;
    for (const { part, cents } of this.alone[operation] as ForcedMoves['alone'][number]) {
      if (isOut[part] === 0) sum += cents * (alive[part] as number);
    }
    return sum > 0 && sum >= (this.leastCents[operation] as number) - slack;
  }
}

/** What each operation makes possible or quicker, and which of them make something quicker. */
function helpedBy({ operations }: PlanProblem['sequence'], can: readonly boolean[]) {
  const helped: Set<number>[] = operations.map(() => new Set());
  const speeds = new Set<number>();
  operations.forEach(({ after, slowUntil = [] }, at) => {
    if (!can[at]) return;
    for (const before of after.flat()) helped[before]?.add(at);
    for (const before of slowUntil.flatMap(({ any }) => any)) {
      helped[before]?.add(at);
      speeds.add(before);
    }
  });
  return { helped, speeds };
}

/** What is done too in a best plan that has this operation: along what is good for one thing only. */
function certainWith(
  operation: number,
  isIdle: (at: number) => boolean | undefined,
  helped: readonly ReadonlySet<number>[],
  { needs }: Reach,
): ReadonlySet<number> {
  const due = new Set<number>();
  const seen = new Set<number>();
  for (let now = operation; !seen.has(now) && isIdle(now) && helped[now]?.size === 1;) {
    seen.add(now);
    now = [...(helped[now] as ReadonlySet<number>)][0] as number;
    for (const need of needs[now] ?? []) due.add(need);
  }
  return due;
}

/** Per operation the wished parts that it can help to free, by itself or by what it makes possible or quicker. */
function goalsOf(
  operations: PlanProblem['operations'],
  helped: readonly ReadonlySet<number>[],
  wished: ReadonlySet<number>,
  can: readonly boolean[],
): readonly Int32Array[] {
  const goals = operations.map(({ frees }, at) => new Set(can[at] ? frees.filter((part) => wished.has(part)) : []));
  for (let grew = true; grew;) {
    grew = false;
    helped.forEach((others, at) => {
      const own = goals[at] as Set<number>;
      const before = own.size;
      for (const other of others) for (const part of goals[other] as Set<number>) own.add(part);
      if (own.size > before) grew = true;
    });
  }
  return goals.map((own) => Int32Array.from(own));
}
