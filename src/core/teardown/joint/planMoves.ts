import { Chance } from '@/core/shared/chance';
import { compileProblem, type CompiledProblem, type Way } from '../order/compiledProblem';
import type { Placed, SequenceOperation } from '../order/sequenceProblem';
import { addBit, bitsOf, hasBit } from './bits';
import { ForcedMoves } from './forcedMoves';
import { lowerBoundsOf, type LowerBounds } from '../order/lowerBounds';
import { PlanBound } from './planBound';
import { needsOf, reachOf, type Reach } from './planMoney';
import { sureParts } from './sureParts';
import { slack, type PlanOperation, type PlanProblem, type Prize } from './planProblem';
import type { UnitDraft, UnitOnTheWay } from './unitOnTheWay';

/** What can be done to a unit, and what that costs and brings: `centsAlong`, one operation at a time. */
export class PlanMoves {
  readonly compiled: CompiledProblem;
  readonly reach: Reach;
  readonly bound: PlanBound;
  readonly forced: ForcedMoves;
  /** Parts of pairs: how they came out still matters when they are out. */
  readonly isPaired: Uint8Array;
  private readonly words: number;
  /** Operations with a wait beside the hand. */
  private readonly besides: readonly number[];
  private readonly clauses: readonly (readonly Int32Array[])[];
  private readonly hashes: Int32Array;
  private readonly prizesOf: readonly (readonly number[])[];
  /** Operations that every best plan has, and what changing set-up for them costs at least. */
  private readonly sure: readonly number[];
  private readonly changes: LowerBounds;
  private readonly waiting: Int16Array;

  constructor(readonly problem: PlanProblem) {
    this.compiled = compileProblem(problem.sequence);
    this.reach = reachOf(problem);
    this.words = Math.max(1, Math.ceil(this.compiled.count / 32));
    this.bound = new PlanBound(problem, this.compiled, this.reach, this.words);
    this.forced = new ForcedMoves(problem, this.compiled, this.reach, this.words);
    this.besides = this.compiled.besides.map(({ operation }) => operation);
    const isThere = (operation: number) => this.reach.needs[operation] !== undefined;
    this.clauses = problem.sequence.operations.map(({ after }) =>
      after.map((any) => bitsOf(any.filter(isThere), this.words)),
    );
    const chance = new Chance(20261127);
    // Small whole numbers: as keys of a map they are quickest. Sets of the same hash are compared.
    this.hashes = Int32Array.from(problem.operations, () => Math.floor(chance.next() * 2 ** 30));
    this.prizesOf = Array.from({ length: problem.partCount }, (_, part) =>
      problem.prizes.flatMap(({ parts }, at) => (parts.includes(part) ? [at] : [])),
    );
    this.isPaired = Uint8Array.from(this.prizesOf, (own) =>
      own.some((at) => (problem.prizes[at] as Prize).parts.length > 1) ? 1 : 0,
    );
    const parts = new Set([...problem.wanted, ...sureParts(problem, this.compiled, this.reach)]);
    const sure = new Set([...parts].flatMap((part) => needsOf(part, problem.operations, this.reach.needs)));
    this.sure = [...sure];
    this.changes = lowerBoundsOf(
      problem.sequence,
      this.compiled.types,
      this.compiled.ways.map((own) => own.map(({ type }) => type)),
      (operation) => sure.has(operation),
    );
    this.waiting = new Int16Array(this.sure.length);
  }

  /**
   * More than this a plan that begins so does not bring.
   *
   * @param known      what is known of that already
   * @param isHopeful  what is not is not looked at more closely
   */
  most(unit: UnitOnTheWay, known: number, isHopeful: (cents: number) => boolean): number {
    const most = Math.min(known, unit.cents + this.bound.most(unit));
    if (this.sure.length === 0 || unit.type === -1 || !isHopeful(most)) return most;
    const changes = this.changeMinutes(unit) * this.problem.centsPerMinute;
    return Math.min(most, unit.cents + this.bound.mostWithoutEntries(unit) - changes);
  }

  private changeMinutes({ done, type }: UnitOnTheWay): number {
    const { waiting, changes } = this;
    let count = 0;
    for (const operation of this.sure) {
      if (hasBit(done, operation) || !this.isReady(done, operation)) continue;
      waiting[count] = operation;
      count += 1;
    }
    if (count === 0) return 0;
    return changes.changes(waiting, count, type);
  }

  /** The unit before anything is done. */
  root(): UnitOnTheWay {
    const { problem, words, reach, compiled } = this;
    return {
      done: new Int32Array(words),
      gone: bitsOf(
        reach.needs.flatMap((known, at) => (known ? [] : [at])),
        words,
      ),
      due: bitsOf(this.sure, words),
      entered: new Int32Array(this.bound.entryWords),
      isOut: new Uint8Array(problem.partCount),
      alive: new Float64Array(problem.partCount).fill(1),
      readyAt: new Float64Array(compiled.hasWaitsBeside ? compiled.count : 0),
      size: 0,
      type: compiled.startType,
      clock: 0,
      cents: 0,
      hash: 0,
    };
  }

  /** Operations that can be done now and still help. */
  ready({ done, gone, isOut }: UnitOnTheWay): readonly number[] {
    const ready: number[] = [];
    for (let operation = 0; operation < this.compiled.count; operation += 1) {
      if (hasBit(done, operation) || hasBit(gone, operation)) continue;
      if (this.isReady(done, operation) && this.forced.isUseful(operation, isOut)) ready.push(operation);
    }
    return ready;
  }

  /** Whether it cannot be kept back to fill a wait beside the hand: none runs, and it comes before all that are to come. */
  private fillsNothing({ done, gone, isOut, readyAt, clock }: UnitOnTheWay, operation: number): boolean {
    for (const at of this.besides) {
      if (hasBit(done, at)) {
        if ((readyAt[at] as number) > clock + slack) return false;
      } else if (
        !hasBit(gone, at) &&
        this.reach.needs[at]?.has(operation) !== true &&
        this.forced.isUseful(at, isOut)
      ) {
        return false;
      }
    }
    return true;
  }

  /** How it is done in the set-up in hand, when doing it there and now is at least as good as doing it at any later time. */
  plainWay(unit: UnitOnTheWay, operation: number, type: number): Way | null {
    if (!this.forced.canBeEarly(operation, unit.isOut) || !this.fillsNothing(unit, operation)) return null;
    const ways = this.compiled.ways[operation] as readonly Way[];
    for (let at = 0; at < ways.length; at += 1) {
      const way = ways[at] as Way;
      if (way.type !== type) continue;
      if (this.work(unit.done, operation, way) <= (this.compiled.leastMinutes[operation] as number) + slack) return way;
    }
    return null;
  }

  /** Does one operation, and with it all in its set-up that needs no choice. */
  go(unit: UnitDraft, first: number, by: Way, placed: Placed[]): void {
    const { types, typeMinutes } = this.compiled;
    const changing = unit.type === -1 ? 0 : (typeMinutes[unit.type * types.length + by.type] as number);
    unit.clock += changing;
    unit.cents -= changing * this.problem.centsPerMinute;
    unit.type = by.type;
    this.doOne(unit, first, by);
    placed.push({ operation: first, choice: by.choice });
    while (this.doForced(unit, placed));
  }

  /** Something in hand that is done in a best plan: it is due, or it pays by itself. */
  private doForced(unit: UnitDraft, placed: Placed[]): boolean {
    const { done, gone, due } = unit;
    for (let word = 0; word < this.words; word += 1) {
      let left = (due[word] as number) & ~(done[word] as number) & ~(gone[word] as number);
      while (left !== 0) {
        const bit = 31 - Math.clz32(left & -left);
        left &= left - 1;
        if (this.doPlain(unit, word * 32 + bit, placed)) return true;
      }
    }
    const { payers } = this.forced;
    for (let at = 0; at < payers.length; at += 1) {
      const operation = payers[at] as number;
      if (hasBit(done, operation) || hasBit(gone, operation)) continue;
      if (this.forced.paysAlone(operation, unit.isOut, unit.alive) && this.doPlain(unit, operation, placed))
        return true;
    }
    return false;
  }

  private doPlain(unit: UnitDraft, operation: number, placed: Placed[]): boolean {
    if (!this.isReady(unit.done, operation)) return false;
    const way = this.plainWay(unit, operation, unit.type);
    if (!way) return false;
    this.doOne(unit, operation, way);
    placed.push({ operation, choice: way.choice });
    return true;
  }

  private doOne(unit: UnitDraft, operation: number, way: Way): void {
    const { compiled, problem } = this;
    const { cents, frees, risks } = problem.operations[operation] as PlanOperation;
    const comes = this.reach.comes[operation] as number;
    const start = unit.readyAt.length > 0 ? this.startOf(unit, operation) : unit.clock;
    const work = this.work(unit.done, operation, way);
    unit.cents -= (start - unit.clock + work * comes) * problem.centsPerMinute + cents * comes;
    unit.clock = start + work + (compiled.waitAway[operation] as number);
    if (unit.readyAt.length > 0) unit.readyAt[operation] = unit.clock + (compiled.waitBeside[operation] as number);
    addBit(unit.done, operation);
    unit.hash ^= this.hashes[operation] as number;
    unit.size += 1;
    addAll(unit.due, this.forced.commits[operation] as Int32Array);
    addAll(unit.entered, this.bound.entriesOf[operation] as Int32Array);
    for (let at = 0; at < risks.length; at += 1) {
      const { part, chance } = risks[at] as PlanOperation['risks'][number];
      if (unit.isOut[part] === 0) unit.alive[part] = (unit.alive[part] as number) * (1 - chance);
    }
    if (frees.length > 0) unit.cents += this.gain(unit, frees, operation);
  }

  /** Cents that come in with what an operation frees: prizes that are then whole, and what assemblies save. */
  private gain({ isOut, alive }: UnitDraft, frees: readonly number[], operation: number): number {
    let cents = -this.saved(isOut);
    for (const part of frees) {
      if (isOut[part] === 1) continue;
      isOut[part] = 1;
      for (const at of this.prizesOf[part] as readonly number[]) {
        const { parts, cents: worth } = this.problem.prizes[at] as Prize;
        let chance = parts.length === 1 ? (this.reach.done[operation] as number) : (this.reach.prize[at] as number);
        for (const other of parts) chance *= isOut[other] === 1 ? (alive[other] as number) : 0;
        cents += worth * chance;
      }
    }
    return cents + this.saved(isOut);
  }

  private saved(isOut: Uint8Array): number {
    let cents = 0;
    for (const { assembly, part, cents: own } of this.problem.carried) {
      if (isOut[assembly] === 1 && isOut[part] === 0) cents += own;
    }
    return cents;
  }

  private isReady(done: Int32Array, operation: number): boolean {
    const clauses = this.clauses[operation] as readonly Int32Array[];
    for (let index = 0; index < clauses.length; index += 1) {
      const any = clauses[index] as Int32Array;
      let met = 0;
      for (let at = 0; at < any.length; at += 1) met |= (any[at] as number) & (done[at] as number);
      if (met === 0) return false;
    }
    return true;
  }

  private work(done: Int32Array, operation: number, { factor }: Way): number {
    const { slowUntil, minutes } = this.problem.sequence.operations[operation] as SequenceOperation;
    let work = minutes * factor;
    if (!slowUntil) return work;
    for (const { any, factor: slow } of slowUntil) {
      let isSlow = true;
      for (const other of any) if (hasBit(done, other)) isSlow = false;
      if (isSlow) work *= slow;
    }
    return work;
  }

  private startOf({ done, readyAt, clock }: UnitDraft, operation: number): number {
    let start = clock;
    for (const any of (this.problem.sequence.operations[operation] as SequenceOperation).after) {
      let ready = Infinity;
      for (const before of any) if (hasBit(done, before)) ready = Math.min(ready, readyAt[before] as number);
      start = Math.max(start, ready);
    }
    return start;
  }
}

function addAll(to: Int32Array, more: Int32Array): void {
  for (let at = 0; at < more.length; at += 1) to[at] = (to[at] as number) | (more[at] as number);
}
