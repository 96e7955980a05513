import type { LogEntry } from '@/core/opening/openingLog';
import type { Outcome } from '@/core/shared/outcome';

/** A step on its way to the server. */
export interface UnsentStep {
  readonly log: number;
  readonly place: number;
  readonly entry: LogEntry;
}

export interface SenderWorld {
  readonly post: (body: unknown) => Promise<Outcome<unknown>>;
  readonly keep: (steps: readonly UnsentStep[]) => void;
  readonly later: (work: () => void, ms: number) => void;
  readonly onChange: (unsent: number) => void;
}

const triesAgainMs = 2000;

/** Sends logged steps in order, once each, and keeps in the browser what the server does not have yet. */
export class LogSender {
  private isSending = false;

  constructor(
    private steps: readonly UnsentStep[],
    private readonly world: SenderWorld,
  ) {}

  add(step: UnsentStep): void {
    this.set([...this.steps, step]);
    void this.send();
  }

  /** Takes a step back: one that was not sent yet simply goes. */
  async takeBack(entryId: string): Promise<void> {
    if (this.steps.some(({ entry }) => entry.id === entryId))
      this.set(this.steps.filter(({ entry }) => entry.id !== entryId));
    await this.world.post({ does: 'take-back', entryId });
  }

  async send(): Promise<void> {
    if (this.isSending) return;
    this.isSending = true;
    for (let step = this.steps[0]; step !== undefined; step = this.steps[0]) {
      const outcome = await this.world.post({ does: 'log', ...step });
      if (!outcome.ok && ['server-away', 'database-away', 'not-signed-in'].includes(outcome.refusal.reason)) {
        this.world.later(() => void this.send(), triesAgainMs);
        break;
      }
      const sent = step.entry.id;
      this.set(this.steps.filter(({ entry }) => entry.id !== sent));
    }
    this.isSending = false;
  }

  private set(steps: readonly UnsentStep[]): void {
    this.steps = steps;
    this.world.keep(steps);
    this.world.onChange(steps.length);
  }
}
