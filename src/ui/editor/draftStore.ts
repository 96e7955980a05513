import { v4 as uuid } from 'uuid';
import type { Model } from '@/core/procedure/model';
import type { Outcome } from '@/core/shared/outcome';
import type { DraftCopy } from './draftCopy';

export type SaveState =
  | { readonly is: 'saved' }
  | { readonly is: 'saving' }
  | { readonly is: 'away' }
  | { readonly is: 'stale'; readonly by: string }
  | { readonly is: 'refused'; readonly says: Outcome<never> };

export interface DraftState {
  readonly model: Model;
  readonly save: SaveState;
  readonly version: number;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** What the store needs of the world: a way to the server, the browser's own keeping, and time. */
export interface DraftWorld {
  readonly put: (document: Model, expects: number, saveId: string) => Promise<Outcome<{ readonly version: number }>>;
  readonly keep: (copy: DraftCopy) => void;
  readonly drop: () => void;
  readonly later: (work: () => void, ms: number) => () => void;
}

const savesAfterMs = 350;
const triesAgainMs = 2000;
const mostSteps = 500;

/**
 * A draft being edited: every change can be taken back and done again, is kept in the browser at once and saved to the
 * server a moment later. A save over somebody else's stops saving until a person says whose it shall be; nothing is lost
 * meanwhile.
 */
export class DraftStore {
  private past: readonly Model[] = [];
  private future: readonly Model[] = [];
  private state: DraftState;
  private readonly listeners = new Set<() => void>();
  private stopTimer: (() => void) | null = null;
  private isSending = false;

  constructor(
    document: Model,
    version: number,
    private readonly world: DraftWorld,
  ) {
    this.state = { model: document, version, save: { is: 'saved' }, canUndo: false, canRedo: false };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): DraftState => this.state;

  change(model: Model): void {
    if (model === this.state.model) return;
    this.past = [...this.past, this.state.model].slice(-mostSteps);
    this.future = [];
    this.show(model);
  }

  undo(): void {
    const before = this.past.at(-1);
    if (!before) return;
    this.past = this.past.slice(0, -1);
    this.future = [this.state.model, ...this.future];
    this.show(before);
  }

  redo(): void {
    const [next, ...rest] = this.future;
    if (!next) return;
    this.future = rest;
    this.past = [...this.past, this.state.model];
    this.show(next);
  }

  /** A copy that this browser kept when it was closed before the server had it. */
  restore(copy: DraftCopy, savedBy: string): void {
    if (copy.version === this.state.version) return this.change(copy.document);
    this.set({ model: copy.document, version: copy.version, save: { is: 'stale', by: savedBy } });
  }

  /** Takes what somebody else saved; the own one can be fetched back by undo. */
  takeTheirs(document: Model, version: number): void {
    this.past = [...this.past, this.state.model];
    this.future = [];
    this.set({ model: document, version, save: { is: 'saved' } });
    this.world.drop();
  }

  /** Saves what is not saved, now. */
  async flush(): Promise<void> {
    this.stopTimer?.();
    this.stopTimer = null;
    if (this.state.save.is === 'saving' || this.state.save.is === 'away') await this.sendNow();
  }

  private show(model: Model): void {
    const isStale = this.state.save.is === 'stale';
    this.set({ model, save: isStale ? this.state.save : { is: 'saving' } });
    this.world.keep({ document: model, version: this.state.version });
    if (!isStale) this.sendLater(savesAfterMs);
  }

  private set(change: Partial<DraftState>): void {
    this.state = {
      ...this.state,
      ...change,
      canUndo: this.past.length > 0,
      canRedo: this.future.length > 0,
    };
    for (const listener of this.listeners) listener();
  }

  private sendLater(ms: number): void {
    this.stopTimer?.();
    this.stopTimer = this.world.later(() => void this.sendNow(), ms);
  }

  private async sendNow(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    const { model, version } = this.state;
    const outcome = await this.world.put(model, version, uuid());
    this.isSending = false;
    if (outcome.ok) {
      const isNewest = this.state.model === model;
      this.set({ version: outcome.value.version, save: { is: isNewest ? 'saved' : 'saving' } });
      if (isNewest) return this.world.drop();
      this.world.keep({ document: this.state.model, version: outcome.value.version });
      return this.sendLater(savesAfterMs);
    }
    const { reason, facts } = outcome.refusal;
    if (reason === 'draft-stale') return this.set({ save: { is: 'stale', by: String(facts.by ?? '') } });
    if (reason === 'server-away' || reason === 'database-away' || reason === 'not-signed-in') {
      this.set({ save: { is: 'away' } });
      return this.sendLater(triesAgainMs);
    }
    this.set({ save: { is: 'refused', says: outcome } });
  }
}
