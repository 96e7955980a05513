import { accept, type Outcome, type Refusal } from '@/core/shared/outcome';

/** Something that was done here and that the server is to have. */
export interface Letter {
  readonly id: string;
}

/** What the server says to one letter. */
export type Answer<V> =
  | { readonly id: string; readonly ok: true; readonly value: V }
  | { readonly id: string; readonly ok: false; readonly refusal: Refusal };

/** A letter that the server did not take: a person settles it, nobody drops it. */
export interface Rejected<L extends Letter> {
  readonly letter: L;
  readonly refusal: Refusal;
}

/** Where letters are kept over a reload: one row for each id, with its refusal once it has one. */
export interface LetterStore<L extends Letter> {
  load(): Promise<readonly { readonly letter: L; readonly refusal: Refusal | null }[]>;
  keep(letter: L, refusal: Refusal | null): Promise<void>;
  drop(id: string): Promise<void>;
}

export interface OutboxState<L extends Letter> {
  readonly waiting: readonly L[];
  readonly rejected: readonly Rejected<L>[];
  /** Why letters wait, when it is not just the way to the server. */
  readonly away: Refusal | null;
  /** The browser could not keep a copy: what waits is lost when the page is closed. */
  readonly isUnkept: boolean;
}

export const emptyOutbox = { waiting: [], rejected: [], away: null, isUnkept: false } as const;

interface Doors<L extends Letter, V> {
  readonly store: LetterStore<L>;
  /** Posts the first letters that wait. A refusal of all together means that they are to wait. */
  readonly post: (letters: readonly L[]) => Promise<Outcome<readonly Answer<V>[]>>;
  readonly later: (work: () => void, ms: number) => void;
  readonly onAnswer: (letter: L, answer: Answer<V>) => void;
  readonly onState: (state: OutboxState<L>) => void;
  /** Waits so long for more before it posts. */
  readonly gathersMs?: number;
  readonly atOnce?: number;
}

const longestPauseMs = 5000;
const usuallyAtOnce = 50;
/** Reasons that pass by themselves. */
const passing: readonly string[] = ['server-away', 'database-away', 'not-signed-in', 'other-person', 'fault'];

/**
 * Posts letters in the order in which they were made, once each as far as the log can tell, and keeps them until they are
 * answered: over a lost network, a sleeping database, a reload. What the server rejects stays until a person settles it.
 */
export class Outbox<L extends Letter, V> {
  private state: OutboxState<L> = emptyOutbox;
  private posting: Promise<void> | null = null;
  private isGathering = false;
  private isLoading = false;
  private failures = 0;
  private hasFailedToKeep = false;
  /** Letters that may have arrived, answered or not. */
  private readonly posted = new WeakSet<L>();

  constructor(private readonly doors: Doors<L, V>) {}

  /** Takes up what an earlier page left behind; it goes first. */
  async resume(): Promise<Pick<OutboxState<L>, 'waiting' | 'rejected'>> {
    this.isLoading = true;
    const left = await this.doors.store.load().catch(() => {
      this.hasFailedToKeep = true;
      return [];
    });
    this.isLoading = false;
    const { waiting, rejected } = this.state;
    const known = new Set([...waiting, ...rejected.map(({ letter }) => letter)].map(({ id }) => id));
    const unknown = left.filter(({ letter }) => !known.has(letter.id));
    const found = {
      waiting: unknown.flatMap(({ letter, refusal }) => (refusal ? [] : [letter])),
      rejected: unknown.flatMap(({ letter, refusal }) => (refusal ? [{ letter, refusal }] : [])),
    };
    this.tell({ waiting: [...found.waiting, ...waiting], rejected: [...found.rejected, ...rejected] });
    void this.flush();
    return found;
  }

  /**
   * A letter takes the place of one with its id that waits or was rejected. One that may have arrived goes first: only its
   * answer tells whether it did.
   */
  add(letter: L): void {
    const waiting = this.state.waiting.filter((other) => other.id !== letter.id || this.posted.has(other));
    this.tell({
      waiting: [...waiting, letter],
      rejected: this.state.rejected.filter((other) => other.letter.id !== letter.id),
    });
    this.keep(letter, null);
    if (!this.doors.gathersMs) return void this.flush();
    if (this.isGathering) return;
    this.isGathering = true;
    this.doors.later(() => void this.flush(), this.doors.gathersMs);
  }

  /** Keeps a letter that would be rejected as the one with its id was. */
  reject(letter: L, refusal: Refusal): void {
    const others = this.state.rejected.filter((other) => other.letter.id !== letter.id);
    this.tell({ waiting: without(this.state.waiting, letter.id), rejected: [...others, { letter, refusal }] });
    this.keep(letter, refusal);
  }

  /** A person has settled it, or does not want it sent after all; it may be on its way. */
  discard(id: string): void {
    this.tell({
      waiting: without(this.state.waiting, id),
      rejected: this.state.rejected.filter(({ letter }) => letter.id !== id),
    });
    this.drop(id);
  }

  /**
   * Tries now: after signing in, when the network says it is back, before a page is left.
   *
   * @returns when nothing is on its way any more
   */
  flush(): Promise<void> {
    this.isGathering = false;
    this.posting ??= this.postAll().finally(() => {
      this.posting = null;
    });
    return this.posting;
  }

  private async postAll(): Promise<void> {
    let away: Refusal | null = null;
    while (!this.isLoading && away === null && this.state.waiting.length > 0) away = await this.postSome();
    if (away !== null || this.state.away !== null) this.tell({ away });
    if (away === null) return void (this.failures = 0);
    this.failures += 1;
    this.doors.later(() => void this.flush(), Math.min(longestPauseMs, 250 * 2 ** this.failures));
  }

  /** @returns why the rest has to wait; null when all of these were answered */
  private async postSome(): Promise<Refusal | null> {
    const posted = this.state.waiting.slice(0, this.doors.atOnce ?? usuallyAtOnce);
    for (const letter of posted) this.posted.add(letter);
    const outcome = await this.doors.post(posted);
    if (!outcome.ok) return outcome.refusal;
    for (const letter of posted) {
      const answer = outcome.value.find(({ id }) => id === letter.id);
      if (!answer) return { reason: 'fault', values: {} };
      this.take(letter, answer);
    }
    return null;
  }

  private take(letter: L, answer: Answer<V>): void {
    const isDiscarded = !this.state.waiting.includes(letter);
    const waiting = this.state.waiting.filter((other) => other !== letter);
    const isFollowed = waiting.some(({ id }) => id === letter.id);
    this.tell({ waiting, away: null });
    if (!isDiscarded && !isFollowed) {
      if (answer.ok) this.drop(letter.id);
      else this.reject(letter, answer.refusal);
    }
    this.doors.onAnswer(letter, answer);
  }

  private keep(letter: L, refusal: Refusal | null): void {
    // Posting does not wait for the disk: the copy only matters when posting fails.
    void this.doors.store.keep(letter, refusal).catch(() => {
      this.hasFailedToKeep = true;
      this.tell({});
    });
  }

  private drop(id: string): void {
    void this.doors.store.drop(id).catch(() => undefined);
  }

  private tell(change: Partial<OutboxState<L>>): void {
    const next = { ...this.state, ...change };
    this.state = { ...next, isUnkept: this.hasFailedToKeep && next.waiting.length + next.rejected.length > 0 };
    this.doors.onState(this.state);
  }
}

/** For a route that takes one letter: what passes by itself lets it wait, everything else is its answer. */
export function oneByOne<L extends Letter, V>(
  post: (letter: L) => Promise<Outcome<V>>,
): Pick<Doors<L, V>, 'atOnce' | 'post'> {
  return {
    atOnce: 1,
    post: async ([letter]) => {
      const outcome = await post(letter as L);
      if (!outcome.ok && passing.includes(outcome.refusal.reason)) return outcome;
      return accept([{ id: (letter as L).id, ...outcome }]);
    },
  };
}

const without = <L extends Letter>(letters: readonly L[], id: string): readonly L[] =>
  letters.filter((letter) => letter.id !== id);
