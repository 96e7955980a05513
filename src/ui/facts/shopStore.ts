import { applyEvent } from '@/core/bench/applyEvent';
import type { Entities, EntityKind } from '@/core/bench/entities';
import type { BenchEvent, EventType, Payloads, Touched } from '@/core/bench/events';
import { MemoryWorld } from '@/core/bench/memoryWorld';
import type { Model } from '@/core/procedure/model';
import { refuse, type Outcome, type Refusal } from '@/core/shared/outcome';
import type { Unsettled } from './unsettledFacts';
import type { Answer, EventQueue, QueueState } from './eventQueue';

/** What a screen got from the server. */
export interface Seeds {
  readonly models: readonly Model[];
  readonly parcels?: readonly Entities['parcel'][];
  readonly lines?: readonly Entities['line'][];
  readonly units?: readonly Entities['unit'][];
  readonly parts?: readonly Entities['part'][];
  /** Serials that were reported lost. */
  readonly lostSerials?: readonly string[];
}

/** What is laid over one thing. */
export interface Overlaid {
  readonly kind: EntityKind;
  readonly entity: Entities[EntityKind] | null;
  readonly version: number;
}

export interface Notice {
  readonly key: number;
  readonly refusal: Refusal;
}

const longestMemory = 200;

/**
 * What this browser knows ahead of the server: the results of facts that were made here, laid over what the server last
 * said. The server's word replaces ours as soon as it is as new.
 */
export class ShopStore {
  private overlay = new Map<string, Overlaid>();
  private made: { readonly event: BenchEvent; readonly touched: readonly Touched[] }[] = [];
  private listeners = new Set<() => void>();
  private snapshotNumber = 0;
  private noticeKey = 0;
  notice: Notice | null = null;
  /** When the page was kept, if this one comes from the browser because the server does not answer. */
  keptAt: string | null = null;
  queueState: QueueState = { waiting: 0, away: null, isUnkept: false };
  /** Facts that the server refused, until a person has settled each. */
  unsettled: readonly Unsettled[] = [];
  /** Milliseconds from making to acknowledging, newest last: for `npm run bench`. */
  readonly acknowledgedMs: number[] = [];
  private readonly madeAt = new Map<string, number>();

  constructor(
    private readonly queue: () => EventQueue,
    private readonly makeId: () => string,
    private readonly now: () => Date,
    private readonly onServerNews: () => void,
    private readonly onRefused: (unsettled: Unsettled) => void = () => undefined,
    private readonly onLaid: (id: string, overlaid: Overlaid | null) => void = () => undefined,
  ) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): number => this.snapshotNumber;

  /** The newer of ours and the server's; undefined when it was taken away here. */
  merged<K extends EntityKind>(kind: K, served: Entities[K]): Entities[K] | undefined {
    const ours = this.overlay.get(served.id);
    if (!ours || ours.kind !== kind || ours.version < served.version) return served;
    return (ours.entity ?? undefined) as Entities[K] | undefined;
  }

  /** Things made here that the server has not shown yet. */
  madeHere<K extends EntityKind>(kind: K): readonly Entities[K][] {
    return [...this.overlay.values()].flatMap((ours) =>
      ours.kind === kind && ours.entity ? [ours.entity as Entities[K]] : [],
    );
  }

  /**
   * Makes a fact: applied here at once by the core, then queued.
   *
   * @returns the fact's refusal at once when the core already knows it cannot be; the id otherwise
   */
  act<T extends EventType>(seeds: Seeds, type: T, subjectId: string, payload: Payloads[T]): Outcome<string> {
    const world = this.worldOf(seeds);
    const subject = ['unit', 'part', 'parcel'].map((kind) => world.find(kind as EntityKind, subjectId)).find(Boolean);
    const makesSubject = type === 'parcel-made' || type === 'unit-tagged';
    const expects = makesSubject || type === 'undone' ? null : (subject?.version ?? null);
    if (!makesSubject && type !== 'undone' && expects === null)
      return this.refused(refuse('not-found', { id: subjectId }));
    const event: BenchEvent = { id: this.makeId(), type, subjectId, expects, at: this.now().toISOString(), payload };
    const outcome = applyEvent(world, event);
    if (!outcome.ok) return this.refused(outcome);
    for (const { kind, id, before, after } of outcome.value) {
      this.lay(id, { kind, entity: after, version: after?.version ?? (before?.version ?? 0) + 1 });
    }
    this.made = [
      ...this.made,
      { event, touched: outcome.value.map(({ kind, id, before }) => ({ kind, id, before })) },
    ].slice(-longestMemory);
    if (type === 'undone')
      this.made = this.made.filter(
        ({ event: made }) => made.id !== (payload as Payloads['undone']).eventId && made.id !== event.id,
      );
    this.notice = null;
    this.madeAt.set(event.id, performance.now());
    this.queue().add(event);
    this.tell();
    return { ok: true, value: event.id };
  }

  /** Takes back the last fact made here, or the last about one thing. */
  takeBack(seeds: Seeds, about?: string): Outcome<string> {
    const last = this.made.findLast(
      ({ event, touched }) =>
        about === undefined || event.subjectId === about || touched.some(({ id }) => id === about),
    );
    if (!last) return this.refused(refuse('undo-too-late'));
    return this.act(seeds, 'undone', last.event.subjectId, { eventId: last.event.id });
  }

  lastMade(): BenchEvent | undefined {
    return this.made.at(-1)?.event;
  }

  answered(event: BenchEvent, answer: Answer): void {
    const since = this.madeAt.get(event.id);
    if (since !== undefined) {
      this.acknowledgedMs.push(performance.now() - since);
      this.madeAt.delete(event.id);
    }
    // Whoever answers is there.
    this.keptAt = null;
    if (answer.ok) {
      for (const { kind, id, after } of answer.value.results) {
        const ours = this.overlay.get(id);
        if (after && (!ours || ours.version <= after.version))
          this.lay(id, { kind, entity: after, version: after.version });
      }
    } else {
      // What stood on the refused fact goes with it; the server says how things are.
      const gone = this.made.find(({ event: made }) => made.id === event.id);
      for (const { id } of gone?.touched ?? []) this.lay(id, null);
      this.lay(event.subjectId, null);
      this.made = this.made.filter(({ event: made }) => made.id !== event.id);
      this.show(answer.refusal);
      this.onRefused({ event, refusal: answer.refusal });
    }
    this.onServerNews();
    this.tell();
  }

  /** What an earlier page had laid over, for a page that is older than it. */
  recall(laid: Iterable<readonly [string, Overlaid]>): void {
    for (const [id, overlaid] of laid) if (!this.overlay.has(id)) this.overlay.set(id, overlaid);
    this.tell();
  }

  setKeptAt(keptAt: string | null): void {
    if (this.keptAt === keptAt) return;
    this.keptAt = keptAt;
    this.tell();
  }

  setQueueState(state: QueueState): void {
    this.queueState = state;
    this.tell();
  }

  setUnsettled(unsettled: readonly Unsettled[]): void {
    this.unsettled = unsettled;
    this.tell();
  }

  show(refusal: Refusal | null): void {
    this.noticeKey += 1;
    this.notice = refusal && { key: this.noticeKey, refusal };
    this.tell();
  }

  private lay(id: string, overlaid: Overlaid | null): void {
    if (overlaid) this.overlay.set(id, overlaid);
    else this.overlay.delete(id);
    this.onLaid(id, overlaid);
  }

  private refused(outcome: Outcome<never>): Outcome<never> {
    if (!outcome.ok) this.show(outcome.refusal);
    return outcome;
  }

  /** Enough of the shop to judge a fact: what the screen shows, and what was made here. */
  private worldOf({ models, parcels = [], lines = [], units = [], parts = [], lostSerials = [] }: Seeds): MemoryWorld {
    const world = new MemoryWorld(models);
    const put = <K extends EntityKind>(kind: K, served: readonly Entities[K][]) => {
      for (const entity of this.madeHere(kind)) world.put(kind, entity);
      for (const entity of served) {
        const merged = this.merged(kind, entity);
        if (merged) world.put(kind, merged);
      }
    };
    put('parcel', parcels);
    put('line', lines);
    put('unit', units);
    put('part', parts);
    world.reportLost(lostSerials);
    for (const { event, touched } of this.made) world.remember(event.id, touched, event.type === 'undone');
    return world;
  }

  private tell(): void {
    this.snapshotNumber += 1;
    for (const listener of this.listeners) listener();
  }
}
