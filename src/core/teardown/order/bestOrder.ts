import { Chance } from '@/core/shared/chance';
import { compileProblem, type CompiledProblem, type Way } from './compiledProblem';
import { lowerBoundsOf, type LowerBounds } from './lowerBounds';
import { endOf, timeOrder, workMinutes, type Placed, type SequenceProblem } from './sequenceProblem';

export interface BestOrder {
  readonly order: readonly Placed[];
  readonly minutes: number;
  /** No order takes less. */
  readonly lowerBound: number;
  readonly isProven: boolean;
  /** States that were looked at. */
  readonly states: number;
}

export interface OrderBudget {
  /** States to look at before the best so far is returned. */
  readonly states: number;
  /** States kept in each layer of the first pass: 16 when left out, 4 of many operations. */
  readonly firstWidth?: number;
  /** States from which on it is worth tuning the bounds: 400 when left out. */
  readonly tuneFrom?: number;
  /** Asked now and then: false ends the search, with the best so far. */
  readonly goOn?: () => boolean;
  /** Told of each better order, and of each better bound. */
  readonly onBetter?: (best: BestOrder) => void;
}

interface State {
  /** Per operation the clauses that are not satisfied yet, or `isDone`. */
  readonly open: Uint8Array;
  readonly done: number;
  /** What is in hand and how the unit lies, −1 before the first operation. */
  readonly type: number;
  readonly clock: number;
  /** When what hangs on a wait beside the hand may begin; empty where there is none. */
  readonly readyAt: Float64Array;
  /** Least minutes of what is left, waits away from the hand included. */
  readonly left: number;
  readonly bound: number;
  readonly hash: number;
  readonly parent: State | null;
  readonly placed: readonly Placed[];
}

type Layer = Map<number, State[]>;

const isDone = 255;
const tunedStates = 6;
const slack = 1e-9;

/**
 * The order that takes the fewest minutes: work, changes of tool, face and posture, and waits that nothing fills.
 *
 * A beam over the states (what is done, what is in hand), one more operation done in each layer, equal states merged. A
 * pass in which nothing was cut from the beam has seen everything, and is the proof; otherwise the beam widens fourfold,
 * and the least bound among what was cut is the lower bound. On entering a set-up all that can be done in it at its least
 * minutes is done at once: doing it later is never better where no set-up of it is a quicker way round between others (the
 * triangle inequality, asked of each set-up by itself), unless it may be kept back to fill a wait beside the hand: one that
 * runs, or one that is still to come and does not come after it in any case.
 *
 * @throws RangeError when the operations wait for each other, or a time is negative or no number
 * Cost: bounded by the budget's states, each O(operations · set-ups); the first answer takes a beam of 16
 * Source: layers, closure and bound are derived here and held against all orders of small problems in the tests.
 */
export function bestOrder(problem: SequenceProblem, budget: OrderBudget): BestOrder {
  return new Search(problem, budget).run();
}

class Search {
  private readonly compiled: CompiledProblem;
  private readonly bounds: LowerBounds;
  private readonly hashes: Float64Array;
  private readonly ready: Int16Array;
  private best: { readonly order: readonly Placed[]; readonly minutes: number } | null = null;
  private bestState: State | null = null;
  private lowerBound = 0;
  private looked = 0;
  private isStopped = false;

  constructor(
    private readonly problem: SequenceProblem,
    private readonly budget: OrderBudget,
  ) {
    this.compiled = compileProblem(problem);
    const { types, ways, count } = this.compiled;
    this.bounds = lowerBoundsOf(
      problem,
      types,
      ways.map((own) => own.map(({ type }) => type)),
    );
    const chance = new Chance(20261125);
    // Small enough that the sum of all of them is still exact.
    this.hashes = Float64Array.from(ways, () => Math.floor(chance.next() * 2 ** 40));
    this.ready = new Int16Array(count);
  }

  run(): BestOrder {
    for (let width = this.budget.firstWidth ?? (this.compiled.count > 150 ? 4 : 16); ; width *= 4) {
      const isProven = this.pass(width);
      if (this.best === null) throw new RangeError('bestOrder: operations wait for each other');
      if (isProven || this.isStopped) return this.answer();
    }
  }

  private answer(): BestOrder {
    const { order, minutes } = this.best as NonNullable<typeof this.best>;
    const lowerBound = Math.min(this.lowerBound, minutes);
    return { order, minutes, lowerBound, isProven: minutes - lowerBound <= slack, states: this.looked };
  }

  /** One sweep with a beam of this width. True when the best order is proven by it. */
  private pass(width: number): boolean {
    const { count } = this.compiled;
    const layers: Layer[] = Array.from({ length: count + 1 }, () => new Map());
    layers[0]?.set(0, [this.rootState()]);
    let leastCut = Infinity;
    for (let done = 0; done < count; done += 1) {
      const all = statesOf(layers[done]).filter(({ bound }) => this.canBeat(bound));
      layers[done] = new Map();
      if (all.length > width) {
        all.sort((a, b) => a.bound - b.bound || a.clock - b.clock);
        leastCut = Math.min(leastCut, (all[width] as State).bound);
        all.length = width;
      }
      for (const state of all) {
        // The first pass always ends, so that there is an answer.
        if (this.isStopped || (this.best && this.isOver())) {
          this.isStopped = true;
          leastCut = Math.min(leastCut, state.bound);
        } else this.expand(state, layers);
      }
    }
    for (const state of statesOf(layers[count])) this.offer(state);
    const minutes = this.best?.minutes ?? Infinity;
    const bound = Math.min(leastCut, minutes);
    if (bound > this.lowerBound) {
      this.lowerBound = bound;
      if (this.best) this.budget.onBetter?.(this.answer());
    }
    if (minutes - this.lowerBound <= slack) return true;
    if (this.looked >= (this.budget.tuneFrom ?? 400)) this.tune();
    return false;
  }

  /** Tunes the bounds to states along the best order: a state in a while, as its own passes come. */
  private tune(): void {
    const along: State[] = [];
    for (let at = this.bestState; at?.parent; at = at.parent) along.push(at);
    const every = Math.max(1, Math.ceil(along.length / tunedStates));
    for (let index = along.length - 1; index >= 0; index -= every) {
      const { open, type } = along[index] as State;
      const readyCount = this.readyOf(open);
      if (readyCount === 0) continue;
      this.bounds.tune(this.ready, readyCount, type);
    }
  }

  private readyOf(open: Uint8Array): number {
    let readyCount = 0;
    for (let at = 0; at < open.length; at += 1) {
      if (open[at] !== 0) continue;
      this.ready[readyCount] = at;
      readyCount += 1;
    }
    return readyCount;
  }

  private isOver(): boolean {
    if (this.looked >= this.budget.states) return true;
    return this.looked % 64 === 0 && this.budget.goOn?.() === false;
  }

  private canBeat(bound: number): boolean {
    return this.best === null || bound < this.best.minutes - slack;
  }

  private rootState(): State {
    const { count, leastMinutes, waitAway, hasWaitsBeside, startType } = this.compiled;
    const left =
      leastMinutes.reduce((sum, minutes) => sum + minutes, 0) + waitAway.reduce((sum, wait) => sum + wait, 0);
    return {
      open: Uint8Array.from(this.problem.operations, ({ after }) => after.length),
      done: 0,
      type: startType,
      clock: 0,
      readyAt: new Float64Array(hasWaitsBeside ? count : 0),
      left,
      bound: left,
      hash: 0,
      parent: null,
      placed: [],
    };
  }

  private expand(state: State, layers: Layer[]): void {
    this.looked += 1;
    const { count, ways, letsFirst } = this.compiled;
    const entered = new Set<number>();
    for (let operation = 0; operation < count; operation += 1) {
      if (state.open[operation] !== 0) continue;
      const closes = this.canClose(operation, state.open, state.readyAt, state.clock);
      if (!closes && letsFirst[operation]?.some((other) => state.open[other] === 0)) continue;
      for (const way of ways[operation] as readonly Way[]) {
        if (closes && this.isAtItsLeast(state.open, operation, way)) {
          // One child for a set-up does everything in it; which operation opens it makes no difference.
          if (entered.has(way.type)) continue;
          entered.add(way.type);
        } else if (way.type === state.type && this.canComeLater(operation, state.open)) continue;
        const child = this.child(state, operation, way);
        if (this.canBeat(child.bound)) keep(child, layers[child.done] as Layer, this.compiled);
      }
    }
  }

  private canClose(operation: number, open: Uint8Array, readyAt: Float64Array, clock: number): boolean {
    if (!this.compiled.closes[operation]) return false;
    return this.compiled.besides.every((wait) =>
      open[wait.operation] === isDone
        ? (readyAt[wait.operation] as number) <= clock
        : wait.needs.has(operation) && wait.operation !== operation,
    );
  }

  /** Nothing waits for it, and what it is done with is taken up again in any case. */
  private canComeLater(operation: number, open: Uint8Array): boolean {
    for (const other of this.compiled.comesAfter[operation] as readonly number[])
      if (open[other] !== 0 && open[other] !== isDone) return true;
    return false;
  }

  private isAtItsLeast(open: Uint8Array, operation: number, way: Way): boolean {
    return (
      way.factor <= (this.compiled.leastFactor[operation] as number) &&
      this.work(open, operation, way) <= (this.compiled.leastMinutes[operation] as number) + slack
    );
  }

  private work(open: Uint8Array, operation: number, { choice, factor }: Way): number {
    const { slowUntil, minutes } = this.problem.operations[operation] as SequenceProblem['operations'][number];
    if (!slowUntil) return minutes * factor;
    return workMinutes(this.problem, operation, choice, (other) => open[other] === isDone);
  }

  /** Does one operation, and with it all that its set-up has at its least. */
  private child(state: State, operation: number, way: Way): State {
    const { compiled } = this;
    const open = state.open.slice();
    const readyAt = compiled.hasWaitsBeside ? state.readyAt.slice() : state.readyAt;
    const placed: Placed[] = [];
    let { clock, left, hash } = state;
    if (state.type !== -1) clock += compiled.typeMinutes[state.type * compiled.types.length + way.type] as number;
    const doIt = (at: number, by: Way): void => {
      if (compiled.hasWaitsBeside) clock = this.startOf(at, open, readyAt, clock);
      clock += this.work(open, at, by) + (compiled.waitAway[at] as number);
      if (compiled.hasWaitsBeside) readyAt[at] = clock + (compiled.waitBeside[at] as number);
      left -= (compiled.leastMinutes[at] as number) + (compiled.waitAway[at] as number);
      hash += this.hashes[at] as number;
      placed.push({ operation: at, choice: by.choice });
      this.release(open, at);
    };
    doIt(operation, way);
    for (let next = this.nextIn(way.type, open, readyAt, clock); next;) {
      doIt(next.operation, next.way);
      next = this.nextIn(way.type, open, readyAt, clock);
    }
    const bound = Math.max(state.bound, this.boundOf(open, clock, left, way.type, readyAt));
    return {
      open,
      done: state.done + placed.length,
      type: way.type,
      clock,
      readyAt,
      left,
      bound,
      hash,
      parent: state,
      placed,
    };
  }

  /** An operation that can be done now in this set-up at its least minutes. */
  private nextIn(
    type: number,
    open: Uint8Array,
    readyAt: Float64Array,
    clock: number,
  ): { readonly operation: number; readonly way: Way } | null {
    for (const found of this.compiled.quickestIn[type] as readonly {
      readonly operation: number;
      readonly way: Way;
    }[]) {
      const { operation, way } = found;
      if (open[operation] !== 0 || !this.canClose(operation, open, readyAt, clock)) continue;
      if (this.isAtItsLeast(open, operation, way)) return found;
    }
    return null;
  }

  /** Marks an operation as done, and satisfies the clauses that waited for it. */
  private release(open: Uint8Array, operation: number): void {
    for (const { operation: follower, any } of this.compiled.followers[
      operation
    ] as CompiledProblem['followers'][number]) {
      if (any.length === 1 || !any.some((other) => open[other] === isDone)) {
        open[follower] = (open[follower] as number) - 1;
      }
    }
    open[operation] = isDone;
  }

  private startOf(at: number, open: Uint8Array, readyAt: Float64Array, clock: number): number {
    let start = clock;
    for (const any of this.problem.operations[at]?.after ?? []) {
      let ready = Infinity;
      for (const before of any) if (open[before] === isDone) ready = Math.min(ready, readyAt[before] as number);
      start = Math.max(start, ready);
    }
    return start;
  }

  /** No operation that can be done now begins earlier: where an alternative is still to come, it may be there at once. */
  private earliestOf(at: number, open: Uint8Array, readyAt: Float64Array, clock: number): number {
    let start = clock;
    for (const any of this.problem.operations[at]?.after ?? []) {
      let ready = Infinity;
      for (const before of any) ready = Math.min(ready, open[before] === isDone ? (readyAt[before] as number) : clock);
      start = Math.max(start, ready);
    }
    return start;
  }

  private boundOf(open: Uint8Array, clock: number, left: number, type: number, readyAt: Float64Array): number {
    const { count, hasWaitsBeside } = this.compiled;
    const { ready, bounds } = this;
    let readyCount = 0;
    let chain = clock;
    for (let at = 0; at < count; at += 1) {
      if (open[at] !== 0) continue;
      ready[readyCount] = at;
      readyCount += 1;
      if (hasWaitsBeside)
        chain = Math.max(chain, this.earliestOf(at, open, readyAt, clock) + (bounds.tail[at] as number));
    }
    if (readyCount === 0) return clock;
    return Math.max(clock + left + bounds.changes(ready, readyCount, type), chain);
  }

  private offer(state: State): void {
    const steps: (readonly Placed[])[] = [];
    for (let at: State | null = state; at; at = at.parent) steps.push(at.placed);
    const order = steps.reverse().flat();
    const minutes = endOf(this.problem, timeOrder(this.problem, order));
    if (this.best && minutes >= this.best.minutes - slack) return;
    this.best = { order, minutes };
    this.bestState = state;
    this.budget.onBetter?.(this.answer());
  }
}

const statesOf = (layer: Layer | undefined): State[] => [...(layer?.values() ?? [])].flat();

/** Keeps a state unless one that has done the same is as early in everything, whatever comes next. */
function keep(state: State, layer: Layer, { lateBy, types }: CompiledProblem): void {
  const twins = layer.get(state.hash);
  if (!twins) {
    layer.set(state.hash, [state]);
    return;
  }
  const isAsGood = (a: State, b: State) => isAsEarly(a, b, lateBy[a.type * types.length + b.type] as number);
  for (let index = twins.length - 1; index >= 0; index -= 1) {
    const twin = twins[index] as State;
    if (!isSame(twin.open, state.open)) continue;
    if (isAsGood(twin, state)) return;
    if (isAsGood(state, twin)) twins.splice(index, 1);
  }
  twins.push(state);
}

function isSame(a: Uint8Array, b: Uint8Array): boolean {
  for (let at = 0; at < a.length; at += 1) if (a[at] !== b[at]) return false;
  return true;
}

/** @param lateBy  minutes by which the next set-up comes later from what `a` holds than from what `b` holds, at most */
function isAsEarly(a: State, b: State, lateBy: number): boolean {
  if (a.clock + lateBy > b.clock + slack) return false;
  for (let at = 0; at < a.readyAt.length; at += 1) {
    const ready = a.readyAt[at] as number;
    if (ready > b.clock + slack && ready > (b.readyAt[at] as number) + slack) return false;
  }
  return true;
}
