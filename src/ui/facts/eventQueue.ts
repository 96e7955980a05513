import type { BenchEvent } from '@/core/bench/events';
import type { Refusal } from '@/core/shared/outcome';
import type { Acknowledged } from '@/services/events/recordEvent';

/** What the server says to one fact. */
export type Answer =
  | { readonly id: string; readonly ok: true; readonly value: Acknowledged }
  | { readonly id: string; readonly ok: false; readonly refusal: Refusal };

/** Where facts are kept until they are acknowledged. */
export interface FactStore {
  load(): Promise<readonly BenchEvent[]>;
  keep(event: BenchEvent): Promise<void>;
  drop(id: string): Promise<void>;
}

/** Sends facts; throws when the server or its database cannot be reached, so that they are sent again later. */
export type Send = (events: readonly BenchEvent[]) => Promise<readonly Answer[]>;

/** A try that failed for a reason that passes. */
export class Away extends Error {
  constructor(readonly refusal: Refusal) {
    super(refusal.reason);
  }
}

export interface QueueState {
  readonly waiting: number;
  /** Why facts wait, when it is not just the way to the server. */
  readonly away: Refusal | null;
  /** The browser could not keep a copy: what waits is lost when the page is closed. */
  readonly isUnkept: boolean;
}

interface QueueDoors {
  readonly store: FactStore;
  readonly send: Send;
  readonly later: (work: () => void, ms: number) => void;
  readonly onAnswer: (event: BenchEvent, answer: Answer) => void;
  readonly onState: (state: QueueState) => void;
}

const longestPauseMs = 5000;
const batch = 50;

/**
 * Sends facts in the order in which they happened, once each as far as the log can tell, and keeps them until they are
 * answered: over a lost network, a sleeping database, a reload.
 */
export class EventQueue {
  private waiting: BenchEvent[] = [];
  private away: Refusal | null = null;
  private isSending = false;
  private failures = 0;
  private isUnkept = false;

  constructor(private readonly doors: QueueDoors) {}

  /** Takes up what an earlier page left behind. */
  async resume(): Promise<void> {
    const left = await this.doors.store.load();
    const known = new Set(this.waiting.map(({ id }) => id));
    this.waiting = [...left.filter(({ id }) => !known.has(id)), ...this.waiting];
    this.tell();
    void this.flush();
  }

  add(event: BenchEvent): void {
    this.waiting.push(event);
    this.tell();
    // Sending does not wait for the disk: the copy only matters when sending fails.
    void this.doors.store.keep(event).catch(() => {
      this.isUnkept = true;
      this.tell();
    });
    void this.flush();
  }

  hasPending(subjectId: string): boolean {
    return this.waiting.some((event) => event.subjectId === subjectId);
  }

  /** Tries now: after signing in, or when the network says it is back. */
  async flush(): Promise<void> {
    if (this.isSending || this.waiting.length === 0) return;
    this.isSending = true;
    try {
      while (this.waiting.length > 0) await this.sendSome();
      this.failures = 0;
      this.away = null;
    } catch (error) {
      if (!(error instanceof Away)) throw error;
      this.away = error.refusal;
      this.failures += 1;
      this.doors.later(() => void this.flush(), Math.min(longestPauseMs, 250 * 2 ** this.failures));
    } finally {
      this.isSending = false;
      this.tell();
    }
  }

  private async sendSome(): Promise<void> {
    const sent = this.waiting.slice(0, batch);
    const answers = new Map((await this.doors.send(sent)).map((answer) => [answer.id, answer]));
    for (const event of sent) {
      const answer = answers.get(event.id);
      if (!answer) throw new Away({ reason: 'fault', facts: {} });
      this.waiting = this.waiting.filter(({ id }) => id !== event.id);
      this.away = null;
      this.doors.onAnswer(event, answer);
      await this.doors.store.drop(event.id).catch(() => undefined);
    }
    this.tell();
  }

  private tell(): void {
    this.doors.onState({
      waiting: this.waiting.length,
      away: this.away,
      isUnkept: this.isUnkept && this.waiting.length > 0,
    });
  }
}
