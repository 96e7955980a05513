import type { Way } from '../order/compiledProblem';
import type { Placed } from '../order/sequenceProblem';
import { addBit, hasBit } from './bits';
import { centsAlong, minutesAlong } from './planMoney';
import { PlanMoves } from './planMoves';
import { slack, type BestPlan, type PlanBudget, type PlanProblem } from './planProblem';
import { isAsGood, UnitDraft, type UnitOnTheWay } from './unitOnTheWay';

interface State {
  readonly unit: UnitOnTheWay;
  /** No plan that begins like this brings more. */
  readonly most: number;
  readonly parent: State | null;
  readonly placed: readonly Placed[];
}

interface Found {
  readonly order: readonly Placed[];
  readonly cents: number;
  /** Prizes that are whole. */
  readonly gained: number;
  readonly minutes: number;
}

type Layer = Map<number, State[]>;

/**
 * What to take apart and in which order, so that it brings most: `centsAlong` at its greatest over all sets of operations
 * and all their orders. Doing nothing is one of them, so no plan is worse than that, where no part is asked for.
 *
 * A beam over the states (what is done, what is in hand), one more operation done in each layer, equal states merged; a
 * pass that cuts nothing has seen everything, and is the proof. Otherwise the beam widens, and the greatest bound of what
 * was cut is the upper bound (`PlanBound`). What a part still brings depends on what is done and not on its order, so that
 * survival, obstruction and alternatives are exact here. `ForcedMoves` says what needs no choice.
 *
 * Of plans that bring the same the one that frees more for its worth is taken, then the shorter one.
 *
 * @param start  a plan that is known to be good: what cannot beat it is not looked at
 * @returns null when a wanted part cannot be freed
 * @throws RangeError when a time is negative or no number, or a table is not square; when the start is no order
 * Cost: bounded by the budget's states, each O(operations · (clauses + tools) + prizes · needs)
 * Source: dynamic programming over order ideals; bound, forced moves and the rule of what is gone are derived here and held
 * against all sets and orders of small problems in the tests.
 */
export function bestPlan(problem: PlanProblem, budget: PlanBudget, start?: readonly Placed[]): BestPlan | null {
  const moves = new PlanMoves(problem);
  const canFree = (part: number) =>
    problem.operations.some(({ frees }, at) => moves.reach.needs[at] !== undefined && frees.includes(part));
  return problem.wanted.every(canFree) ? new Search(problem, moves, budget).run(start) : null;
}

/** Beams begin so wide, and are widened so many times. */
const firstWidth = 16;
const widening = 8;

class Search {
  private readonly draft: UnitDraft;
  private best: Found | null = null;
  private upperBound = Infinity;
  private looked = 0;

  constructor(
    private readonly problem: PlanProblem,
    private readonly moves: PlanMoves,
    private readonly budget: PlanBudget,
  ) {
    this.draft = new UnitDraft(moves.root());
  }

  run(start?: readonly Placed[]): BestPlan {
    if (start) this.begin(start);
    for (let width = firstWidth * (start ? widening : 1); ; width *= widening) {
      const isProven = this.pass(width);
      if (isProven || (this.best && this.looked >= this.budget.states)) break;
    }
    const { order, cents } = this.best as Found;
    const upperBound = Math.max(cents, this.upperBound);
    return { order, cents, upperBound, isProven: upperBound - cents <= slack, states: this.looked };
  }

  private begin(order: readonly Placed[]): void {
    const out = new Set(order.flatMap(({ operation }) => this.problem.operations[operation]?.frees ?? []));
    if (!this.problem.wanted.every((part) => out.has(part))) return;
    const gained = this.problem.prizes.filter(({ parts }) => parts.every((part) => out.has(part))).length;
    const cents = centsAlong(this.problem, order, this.moves.reach);
    this.best = { order, cents, gained, minutes: minutesAlong(this.problem, order) };
  }

  /** One sweep with a beam of this width. True when the best plan is proven by it. */
  private pass(width: number): boolean {
    const layers: Layer[] = Array.from({ length: this.moves.compiled.count + 1 }, () => new Map());
    const root: State = { unit: this.moves.root(), most: Infinity, parent: null, placed: [] };
    this.offer(root.unit, root, []);
    layers[0]?.set(0, [root]);
    let mostCut = -Infinity;
    layers.forEach((layer, size) => {
      const all = [...layer.values()].flat().filter(({ most }) => this.canBeat(most));
      layers[size] = new Map();
      if (all.length > width) {
        all.sort((a, b) => b.most - a.most || b.unit.cents - a.unit.cents);
        mostCut = Math.max(mostCut, (all[width] as State).most);
        all.length = width;
      }
      for (const state of all) {
        // The first pass always ends, so that there is an answer.
        const isOver = this.best !== null && width > firstWidth && this.looked >= this.budget.states;
        if (isOver) mostCut = Math.max(mostCut, state.most);
        else this.expand(state, layers);
      }
    });
    const cents = this.best?.cents ?? -Infinity;
    this.upperBound = Math.min(this.upperBound, Math.max(mostCut, cents));
    return this.best !== null && mostCut <= cents + slack;
  }

  private canBeat(most: number): boolean {
    return this.best === null ? most > -Infinity : most >= this.best.cents - slack;
  }

  private expand(state: State, layers: Layer[]): void {
    this.looked += 1;
    const { unit } = state;
    const ready = this.moves.ready(unit);
    const { left, mustStay } = this.leftBehind(unit, ready);
    for (const operation of ready) {
      for (const way of this.moves.compiled.ways[operation] as readonly Way[]) {
        const isLeaving = way.type !== unit.type;
        if (isLeaving && mustStay) continue;
        this.draft.lay(unit);
        if (isLeaving && left) this.draft.gone.set(left);
        const placed: Placed[] = [];
        this.moves.go(this.draft, operation, way, placed);
        this.keep(state, placed, layers);
      }
    }
  }

  /** What is left undone for good when the set-up in hand is left, and whether something in it must be done first. */
  private leftBehind(unit: UnitOnTheWay, ready: readonly number[]) {
    let left: Int32Array | null = null;
    let mustStay = false;
    if (unit.type !== -1) {
      for (const operation of ready) {
        if (!this.moves.plainWay(unit, operation, unit.type)) continue;
        left ??= unit.gone.slice();
        addBit(left, operation);
        if (hasBit(unit.due, operation)) mustStay = true;
      }
    }
    return { left, mustStay };
  }

  /** Keeps what the draft has become, unless it cannot bring more, or one that has done the same is as good. */
  private keep(parent: State, placed: readonly Placed[], layers: Layer[]): void {
    const { draft, moves } = this;
    const layer = layers[draft.size] as Layer;
    const key = draft.hash ^ Math.imul(draft.type + 1, 0x9e3779b1 >> 2);
    const twins = layer.get(key);
    const alike = twins?.filter(({ unit }) => unit.type === draft.type && isSame(unit.done, draft.done)) ?? [];
    if (alike.some(({ unit }) => isAsGood(unit, draft, moves.isPaired))) return;
    const most = moves.most(draft, parent.most, (sum) => this.canBeat(sum));
    if (most === -Infinity || !this.canBeat(most)) return;
    this.offer(draft, parent, placed);
    const state = { unit: draft.kept(), most, parent, placed };
    if (!twins) layer.set(key, [state]);
    else {
      const worse = new Set(alike.filter(({ unit }) => isAsGood(draft, unit, moves.isPaired)));
      layer.set(key, [...twins.filter((twin) => !worse.has(twin)), state]);
    }
  }

  /** What is done is a plan when everything wanted is out. */
  private offer({ isOut, cents }: UnitOnTheWay, parent: State, placed: readonly Placed[]): void {
    const { best, problem } = this;
    if (best && cents < best.cents - slack) return;
    if (!problem.wanted.every((part) => isOut[part] === 1)) return;
    const gained = problem.prizes.filter(({ parts }) => parts.every((part) => isOut[part] === 1)).length;
    const isMore = !best || cents > best.cents + slack;
    if (!isMore && gained < best.gained) return;
    const steps = [placed];
    for (let at: State | null = parent; at; at = at.parent) steps.push(at.placed);
    const order = steps.reverse().flat();
    const minutes = minutesAlong(problem, order);
    if (!isMore && gained === best.gained && minutes >= best.minutes - slack) return;
    this.best = { order, cents: centsAlong(problem, order, this.moves.reach), gained, minutes };
  }
}

function isSame(a: Int32Array, b: Int32Array): boolean {
  for (let at = 0; at < a.length; at += 1) if (a[at] !== b[at]) return false;
  return true;
}
