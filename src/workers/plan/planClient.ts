import type { PlanAnswer, PlanQuestion } from './planWorker';

export interface PlanListener {
  readonly onAnswer: (answer: PlanAnswer) => void;
  /** The worker broke down; it is started afresh with the next question. */
  readonly onCrash: () => void;
}

/** Asks the planner's worker. A new question ends the one before: only the last answer is wanted. */
export class PlanClient {
  private worker: Worker | null = null;
  private number = 0;
  private isBusy = false;

  constructor(
    private readonly listener: PlanListener,
    private readonly start: () => Worker = startWorker,
  ) {}

  ask(question: Omit<PlanQuestion, 'number'>): void {
    if (this.isBusy) this.end();
    this.number += 1;
    this.isBusy = true;
    this.worker ??= this.listening(this.start());
    this.worker.postMessage({ ...question, number: this.number } satisfies PlanQuestion);
  }

  end(): void {
    this.worker?.terminate();
    this.worker = null;
    this.isBusy = false;
  }

  private listening(worker: Worker): Worker {
    worker.addEventListener('message', ({ data }: MessageEvent<PlanAnswer>) => {
      if (data.number !== this.number) return;
      this.isBusy = false;
      this.listener.onAnswer(data);
    });
    worker.addEventListener('error', () => {
      this.end();
      this.listener.onCrash();
    });
    return worker;
  }
}

const startWorker = (): Worker => new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
