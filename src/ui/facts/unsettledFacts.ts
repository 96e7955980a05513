import type { BenchEvent } from '@/core/bench/events';
import type { Refusal } from '@/core/shared/outcome';

/** A fact of this bench that the server did not take: a person settles it, nobody drops it. */
export interface Unsettled {
  readonly event: BenchEvent;
  readonly refusal: Refusal;
}

/** Where they are kept over a reload. */
export interface UnsettledStore {
  loadUnsettled(): Promise<readonly Unsettled[]>;
  keepUnsettled(unsettled: Unsettled): Promise<void>;
  dropUnsettled(id: string): Promise<void>;
}

/** Facts that were refused, in the order in which they happened. */
export class UnsettledFacts {
  private facts: readonly Unsettled[] = [];

  constructor(
    private readonly store: UnsettledStore,
    private readonly onChange: () => void,
  ) {}

  get all(): readonly Unsettled[] {
    return this.facts;
  }

  async resume(): Promise<void> {
    const left = await this.store.loadUnsettled();
    this.set([...left, ...this.facts]);
  }

  add(unsettled: Unsettled): void {
    this.set([...this.facts, unsettled]);
    void this.store.keepUnsettled(unsettled).catch(() => undefined);
  }

  settle(id: string): void {
    this.set(this.facts.filter(({ event }) => event.id !== id));
    void this.store.dropUnsettled(id).catch(() => undefined);
  }

  private set(facts: readonly Unsettled[]): void {
    const byId = new Map(facts.map((fact) => [fact.event.id, fact]));
    this.facts = [...byId.values()].sort((a, b) => a.event.at.localeCompare(b.event.at));
    this.onChange();
  }
}
