import type { HouseRules } from '@/core/shared/houseRules';
import type { Entities, EntityKind } from '@/core/entities/entities';
import type { Fact, FactType, Payloads } from '@/core/shop/facts';
import type { Touched } from '@/core/shop/world';
import type { MemoryWorld } from '@/core/shop/memoryWorld';
import type { Judge } from './judge';
import type { Model } from '@/core/procedure/model';
import { refuse, type Outcome, type Refusal } from '@/core/shared/outcome';
import { emptyOutbox, type Answer, type Outbox, type OutboxState } from '@/ui/server/outbox';
import type { Acknowledged } from '@/services/facts/recordFact';

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

export type FactOutbox = Outbox<Fact, Acknowledged>;

const longestMemory = 200;

/**
 * What this browser knows ahead of the server: the results of facts that were made here, laid over what the server last
 * said. The server's word replaces ours as soon as it is as new.
 */
export class ShopStore {
  private overlay = new Map<string, Overlaid>();
  private made: { readonly fact: Fact; readonly touched: readonly Touched[] }[] = [];
  private listeners = new Set<() => void>();
  private snapshotNumber = 0;
  private noticeKey = 0;
  private readonly servedVersions = new Map<string, number>();
  notice: Notice | null = null;
  /** Ids of what was last taken back here: a new list each time, so that who shows them can tell. */
  takenBack: readonly string[] = [];
  /** What others left in this browser and waits for them. */
  leftByOthers: readonly { readonly name: string; readonly count: number }[] = [];
  /** When the page was kept, if this one comes from the browser because the server does not answer. */
  keptAt: string | null = null;
  /** Facts that wait for the server, and those that it refused, until a person has settled each. */
  outbox: OutboxState<Fact> = emptyOutbox;
  /** Milliseconds from making to acknowledging, newest last: for `npm run bench`. */
  readonly acknowledgedMs: number[] = [];
  private readonly madeAt = new Map<string, number>();

  constructor(
    private readonly judge: () => Judge | null,
    private readonly factOutbox: () => Pick<FactOutbox, 'add'>,
    private rules: HouseRules,
    private readonly makeId: () => string,
    private readonly now: () => Pick<Fact, 'at' | 'clockOffS'>,
    private readonly onServerNews: () => void,
    private readonly onLaid: (id: string, overlaid: Overlaid | null) => void = () => undefined,
    private readonly bench?: string,
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

  /**
   * Remembers what a screen was served. What is newer than the page as it was loaded is kept, so that the page, loaded again
   * without the server, shows nothing older than what was on it.
   */
  served({ parcels = [], units = [], parts = [] }: Seeds): void {
    const isLoaded = this.servedVersions.size > 0;
    const note = (kind: EntityKind, entities: readonly Entities[EntityKind][]) => {
      for (const entity of entities) {
        const { id, version } = entity;
        if ((this.servedVersions.get(id) ?? 0) >= version) continue;
        this.servedVersions.set(id, version);
        const ours = this.overlay.get(id);
        if (isLoaded && (!ours || ours.version < version)) this.onLaid(id, { kind, entity, version });
      }
    };
    note('parcel', parcels);
    note('unit', units);
    note('part', parts);
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
   * @refuses 'still-loading' while what judges is on its way
   */
  act<T extends FactType>(seeds: Seeds, type: T, subjectId: string, payload: Payloads[T]): Outcome<string> {
    const judge = this.judge();
    if (!judge) return this.refused(refuse('still-loading'));
    const world = this.worldOf(judge, seeds);
    const made = judge.makeFact<FactType>(
      world,
      { type, subjectId, payload },
      { id: this.makeId(), ...this.now(), ...(this.bench && { bench: this.bench }) },
    );
    if (!made.ok) return this.refused(made);
    return this.take(judge, world, made.value);
  }

  private take(judge: Judge, world: MemoryWorld, fact: Fact): Outcome<string> {
    const outcome = judge.applyFact(world, fact);
    if (!outcome.ok) return this.refused(outcome);
    for (const { kind, id, before, after } of outcome.value) {
      this.lay(id, { kind, entity: after, version: after?.version ?? (before?.version ?? 0) + 1 });
    }
    this.made = [
      ...this.made,
      { fact, touched: outcome.value.map(({ kind, id, before }) => ({ kind, id, before })) },
    ].slice(-longestMemory);
    if (fact.type === 'undone') {
      const gone = [fact.payload.factId, fact.id];
      this.made = this.made.filter(({ fact: { id } }) => !gone.includes(id));
      this.takenBack = outcome.value.map(({ id }) => id);
    }
    this.notice = null;
    this.madeAt.set(fact.id, performance.now());
    this.factOutbox().add(fact);
    this.tell();
    return { ok: true, value: fact.id };
  }

  /** Takes back the last fact made here, or the last about one thing. */
  takeBack(seeds: Seeds, about?: string): Outcome<string> {
    const last = this.made.findLast(
      ({ fact, touched }) => about === undefined || fact.subjectId === about || touched.some(({ id }) => id === about),
    );
    if (!last) return this.refused(refuse('undo-too-late'));
    return this.act(seeds, 'undone', last.fact.subjectId, { factId: last.fact.id });
  }

  lastMade(): Fact | undefined {
    return this.made.at(-1)?.fact;
  }

  answered(fact: Fact, answer: Answer<Acknowledged>): void {
    const since = this.madeAt.get(fact.id);
    if (since !== undefined) {
      this.acknowledgedMs.push(performance.now() - since);
      this.madeAt.delete(fact.id);
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
      const gone = this.made.find(({ fact: made }) => made.id === fact.id);
      for (const { id } of gone?.touched ?? []) this.lay(id, null);
      this.lay(fact.subjectId, null);
      this.made = this.made.filter(({ fact: made }) => made.id !== fact.id);
      this.show(answer.refusal);
    }
    this.onServerNews();
    this.tell();
  }

  /** What an earlier page had laid over, for a page that is older than it. */
  recall(laid: Iterable<readonly [string, Overlaid]>): void {
    for (const [id, overlaid] of laid)
      if ((this.overlay.get(id)?.version ?? -1) < overlaid.version) this.overlay.set(id, overlaid);
    this.tell();
  }

  setLeftByOthers(left: ShopStore['leftByOthers']): void {
    this.leftByOthers = left;
    this.tell();
  }

  setKeptAt(keptAt: string | null): void {
    if (this.keptAt === keptAt) return;
    this.keptAt = keptAt;
    this.tell();
  }

  /** A change of the rules counts for what is done from now on. */
  setRules(rules: HouseRules): void {
    this.rules = rules;
  }

  setOutbox(state: OutboxState<Fact>): void {
    this.outbox = state;
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
  private worldOf(
    judge: Judge,
    { models, parcels = [], lines = [], units = [], parts = [], lostSerials = [] }: Seeds,
  ): MemoryWorld {
    const world = new judge.MemoryWorld(models, [this.rules]);
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
    for (const { fact, touched } of this.made) world.remember(fact.id, touched, fact.type === 'undone');
    return world;
  }

  private tell(): void {
    this.snapshotNumber += 1;
    for (const listener of this.listeners) listener();
  }
}
