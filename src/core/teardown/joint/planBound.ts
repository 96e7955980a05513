import { FlowNetwork } from '@/core/graph/minimumCut';
import type { CompiledProblem } from '../order/compiledProblem';
import type { SequenceProblem } from '../order/sequenceProblem';
import { bitsOf, hasBit, overlap } from './bits';
import { needsOf, type Reach } from './planMoney';
import type { PlanProblem } from './planProblem';
import type { UnitOnTheWay } from './unitOnTheWay';

/** Money is shared out in thousandths of a cent. */
const fine = 1000;

/** What can still be won: a prize, what an assembly saves, or a part that must come out. */
interface Source {
  readonly parts: readonly number[];
  readonly cents: number;
  readonly isWanted: boolean;
  /** Less comes in where something on the way may break it. */
  readonly canBreak: boolean;
  readonly needs: Int32Array;
  /** What of it no cost takes away. */
  readonly left: number;
  /** Operations that it pays for, and how much of each. */
  readonly operations: readonly number[];
  readonly paid: readonly number[];
  /** Tools, faces and postures whose first use it pays for, and how much of each. */
  readonly entries: readonly number[];
  readonly paidEntries: readonly number[];
}

/**
 * How much more than it has a state can bring at most.
 *
 * Each prize pays for what it certainly needs, as a greatest flow shares that out (where it ends is the closure of Picard
 * 1976). What is left over can be won; and what is done has been paid for, so that its share is free again for the prize
 * that pays it. No completion brings more than the sum of those, since each cost is shared out once. Beside the operations
 * stands the first use of every tool, face and posture, at its cheapest entry.
 */
export class PlanBound {
  private readonly sources: readonly Source[];
  /** The same, when the first uses are counted otherwise. */
  private readonly withoutEntries: readonly Source[];
  /** More than all costs together: a part that must come out pays for everything. */
  private readonly much: number;
  private readonly words: number;
  /** Per operation, as words, the entries that doing it may have paid for. */
  readonly entriesOf: readonly Int32Array[];
  readonly entryWords: number;

  constructor(
    problem: PlanProblem,
    { leastMinutes }: CompiledProblem,
    { needs, comes, done, prize }: Reach,
    words: number,
  ) {
    const { operations, sequence, prizes, carried, wanted, centsPerMinute } = problem;
    const count = operations.length;
    const entries = entriesOf(sequence, centsPerMinute);
    this.words = words;
    this.entryWords = Math.max(1, Math.ceil(entries.cents.length / 32));
    this.entriesOf = entries.used.map((used) => bitsOf(used, this.entryWords));
    const costs = [
      ...operations.map(
        ({ cents }, at) => ((leastMinutes[at] as number) * centsPerMinute + cents) * (comes[at] as number),
      ),
      ...entries.cents,
    ].map((cents) => Math.floor(cents * fine));
    this.much = (costs.reduce((sum, cost) => sum + cost, 0) + 1) / fine;
    const freers = (part: number) =>
      operations.flatMap(({ frees }, at) => (needs[at] && frees.includes(part) ? [at] : []));
    const reach = ([part, ...others]: readonly number[], at: number) =>
      others.length > 0
        ? (prize[at] as number)
        : Math.max(0, ...freers(part as number).map((by) => done[by] as number));
    const offered = [
      ...prizes.map(({ parts, cents }, at) => ({
        parts,
        cents: cents * reach(parts, at),
        isWanted: false,
        canBreak: true,
      })),
      ...carried.map(({ assembly, cents }) => ({ parts: [assembly], cents, isWanted: false, canBreak: false })),
      ...wanted.map((part) => ({ parts: [part], cents: this.much, isWanted: true, canBreak: false })),
    ]
      .filter(({ parts, cents, isWanted }) => isWanted || (cents > 0 && parts.every((part) => freers(part).length > 0)))
      .map((source) => ({ ...source, whole: Math.ceil(source.cents * fine) }));
    const share = (withEntries: boolean): readonly Source[] => {
      const needed = offered.map(({ parts }) => {
        const all = [...new Set(parts.flatMap((part) => needsOf(part, operations, needs)))];
        const first = new Set(withEntries ? all.flatMap((at) => entries.needed[at] as readonly number[]) : []);
        return { all, items: [...all, ...[...first].map((entry) => count + entry)] };
      });
      const shares = shareOut(
        offered.map(({ whole }) => whole),
        costs,
        needed.map(({ items }) => items),
      );
      return offered.map(({ whole, ...source }, at) => {
        const { all, items } = needed[at] as (typeof needed)[number];
        const given = items
          .map((item, index) => [item, (shares[at]?.[index] as number) / fine] as const)
          .filter(([, cents]) => cents > 0);
        const [own, first] = [given.filter(([item]) => item < count), given.filter(([item]) => item >= count)];
        return {
          ...source,
          needs: bitsOf(all, words),
          left: whole / fine - given.reduce((sum, [, cents]) => sum + cents, 0),
          operations: own.map(([item]) => item),
          paid: own.map(([, cents]) => cents),
          entries: first.map(([item]) => item - count),
          paidEntries: first.map(([, cents]) => cents),
        };
      });
    };
    this.sources = share(true);
    this.withoutEntries = share(false);
  }

  /**
   * @returns cents that can still come in at most; −Infinity when a wanted part cannot come out any more
   */
  most({ done, gone, entered, isOut, alive }: UnitOnTheWay): number {
    return this.mostOf(this.sources, done, gone, entered, isOut, alive);
  }

  /** The same without the first uses: for who knows better what the changes still cost. */
  mostWithoutEntries({ done, gone, entered, isOut, alive }: UnitOnTheWay): number {
    return this.mostOf(this.withoutEntries, done, gone, entered, isOut, alive);
  }

  private mostOf(
    sources: readonly Source[],
    done: Int32Array,
    gone: Int32Array,
    entered: Int32Array,
    isOut: Uint8Array,
    alive: Float64Array,
  ): number {
    let sum = 0;
    for (const source of sources) {
      const { parts, isWanted, needs, operations, paid, entries, paidEntries } = source;
      if (areOut(parts, isOut)) continue;
      if (overlap(needs, gone, this.words)) {
        if (isWanted) return -Infinity;
        continue;
      }
      let own = source.left;
      for (let at = 0; at < operations.length; at += 1) {
        if (hasBit(done, operations[at] as number)) own += paid[at] as number;
      }
      for (let at = 0; at < entries.length; at += 1) {
        if (hasBit(entered, entries[at] as number)) own += paidEntries[at] as number;
      }
      if (isWanted) sum += own - this.much;
      else {
        if (source.canBreak) own -= source.cents * (1 - chanceOf(parts, alive));
        if (own > 0) sum += own;
      }
    }
    return sum;
  }
}

function chanceOf(parts: readonly number[], alive: Float64Array): number {
  let chance = 1;
  for (const part of parts) chance *= alive[part] as number;
  return chance;
}

function areOut(parts: readonly number[], isOut: Uint8Array): boolean {
  for (const part of parts) if (isOut[part] === 0) return false;
  return true;
}

/** How much of each cost each source pays: a greatest flow, so that as little as possible is left over. */
function shareOut(
  sources: readonly number[],
  costs: readonly number[],
  needed: readonly (readonly number[])[],
): readonly (readonly number[])[] {
  const [source, sink] = [sources.length + costs.length, sources.length + costs.length + 1];
  const network = new FlowNetwork(sink + 1);
  const edges = sources.map((cents, at) => {
    network.addEdge(source, at, cents);
    return (needed[at] as readonly number[]).map((item) => network.addEdge(at, sources.length + item, Infinity));
  });
  costs.forEach((cost, item) => network.addEdge(sources.length + item, sink, cost));
  network.minimumCut(source, sink);
  return edges.map((own) => own.map((edge) => network.flowOn(edge)));
}

/** First uses: their cheapest entry in cents, what each operation needs of them for certain, and what it may use. */
function entriesOf({ operations, toolMinutes, faceMinutes, postureMinutes, start }: SequenceProblem, cents: number) {
  const first = (table: readonly (readonly number[])[], at: number, held: number | undefined) => {
    const ways = table.flatMap((row, from) => (from === at ? [] : [row[at] as number]));
    return at === held || ways.length === 0 ? 0 : Math.min(...ways) * cents;
  };
  const [faceFrom, postureFrom] = [toolMinutes.length, toolMinutes.length + faceMinutes.length];
  return {
    cents: [
      ...toolMinutes.map((_, at) => first(toolMinutes, at, start?.tool)),
      ...faceMinutes.map((_, at) => first(faceMinutes, at, start?.face)),
      ...postureMinutes.map((_, at) => first(postureMinutes, at, start?.posture)),
    ],
    needed: operations.map(({ tools, face, posture }) => [
      ...(tools.every(({ tool }) => tool === tools[0]?.tool) ? [tools[0]?.tool as number] : []),
      faceFrom + face,
      postureFrom + posture,
    ]),
    used: operations.map(({ tools, face, posture }) => [
      ...tools.map(({ tool }) => tool),
      faceFrom + face,
      postureFrom + posture,
    ]),
  };
}
