import { v4 as uuid } from 'uuid';
import type { Model } from '@/core/procedure/model';
import type { Outcome, Refusal } from '@/core/shared/outcome';
import { emptyOutbox, oneByOne, Outbox, type Letter, type LetterStore, type OutboxState } from '@/ui/server/outbox';

/** One save of a draft; its id is the draft's, so that a later save takes its place. */
export interface DraftLetter extends Letter {
  readonly document: Model;
  /** The server's version that it was written over. */
  readonly expects: number;
  readonly saveId: string;
}

export type SaveState =
  | { readonly is: 'saved' }
  | { readonly is: 'saving' }
  | { readonly is: 'away' }
  | { readonly is: 'stale'; readonly by: string }
  | { readonly is: 'refused'; readonly refusal: Refusal };

export interface DraftState {
  readonly model: Model;
  readonly save: SaveState;
  readonly version: number;
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** What the store needs of the world: a way to the server, the browser's own keeping, and time. */
export interface DraftWorld {
  readonly store: LetterStore<DraftLetter>;
  readonly put: (letter: DraftLetter) => Promise<Outcome<{ readonly version: number }>>;
  readonly later: (work: () => void, ms: number) => void;
}

const savesAfterMs = 350;
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
  private readonly outbox: Outbox<DraftLetter, { readonly version: number }>;
  private sent: OutboxState<DraftLetter> = emptyOutbox;

  constructor(
    private readonly id: string,
    document: Model,
    version: number,
    { put, ...world }: DraftWorld,
  ) {
    this.state = { model: document, version, save: { is: 'saved' }, canUndo: false, canRedo: false };
    this.outbox = new Outbox({
      ...world,
      gathersMs: savesAfterMs,
      ...oneByOne(put),
      onAnswer: (_letter, answer) => {
        if (answer.ok) this.saved(answer.value.version);
      },
      onState: (sent) => {
        this.sent = sent;
        this.set({ save: saveOf(sent) });
      },
    });
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

  /** Fetches back what this browser kept when it was closed before the server had it. */
  async resume(): Promise<void> {
    const { waiting, rejected } = await this.outbox.resume();
    const left = waiting.at(-1) ?? rejected.at(-1)?.letter;
    if (!left || left.document === this.state.model) return;
    this.past = [...this.past, this.state.model];
    this.set({ model: left.document, version: left.expects });
  }

  /** Takes what somebody else saved; the own one can be fetched back by undo. */
  takeTheirs(document: Model, version: number): void {
    this.past = [...this.past, this.state.model];
    this.future = [];
    this.set({ model: document, version });
    this.outbox.discard(this.id);
  }

  /** Forgets what this browser keeps of it: it is kept elsewhere. */
  letGo(): void {
    this.outbox.discard(this.id);
  }

  /** Saves what is not saved, now. */
  flush(): Promise<void> {
    return this.outbox.flush();
  }

  private show(model: Model): void {
    this.set({ model });
    const letter = { id: this.id, document: model, expects: this.state.version, saveId: uuid() };
    const [rejected] = this.sent.rejected;
    // Over somebody else's save nothing is sent until a person has said whose it shall be.
    if (rejected?.refusal.reason === 'draft-stale') this.outbox.reject(letter, rejected.refusal);
    else this.outbox.add(letter);
  }

  /** What was written meanwhile is written over the new version. */
  private saved(version: number): void {
    this.set({ version });
    const next = this.sent.waiting.at(-1);
    if (next) this.outbox.add({ ...next, expects: version });
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
}

function saveOf({ waiting, rejected, away }: OutboxState<DraftLetter>): SaveState {
  const [first] = rejected;
  if (first?.refusal.reason === 'draft-stale') return { is: 'stale', by: String(first.refusal.values.by ?? '') };
  if (first) return { is: 'refused', refusal: first.refusal };
  if (waiting.length === 0) return { is: 'saved' };
  return { is: away ? 'away' : 'saving' };
}
