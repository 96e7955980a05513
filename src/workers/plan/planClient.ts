import type { PlanAnswer, PlanQuestion } from './planWorker';

export interface PlanListener {
  readonly onAnswer: (answer: PlanAnswer) => void;
  /** The worker broke down; it is started afresh with the next question. */
  readonly onCrash: () => void;
}

/** A question that is answered sooner than this is not cut off for the next one: starting a worker takes longer. */
const patienceMs = 400;

/**
 * Asks the planner's worker. Only the last answer is wanted: a new question waits for the one before as long as that is
 * quick, and ends it when it is not.
 */
export class PlanClient {
  private worker: Worker | null = null;
  private number = 0;
  private isBusy = false;
  private waiting: Omit<PlanQuestion, 'number'> | null = null;
  private callOff: () => void = () => undefined;

  constructor(
    private readonly listener: PlanListener,
    private readonly start: () => Worker = startWorker,
    private readonly later: (work: () => void, ms: number) => () => void = afterMs,
  ) {}

  ask(question: Omit<PlanQuestion, 'number'>): void {
    if (!this.isBusy) return this.send(question);
    const isFirst = this.waiting === null;
    this.waiting = question;
    if (isFirst) {
      this.callOff = this.later(() => {
        const { waiting } = this;
        this.end();
        if (waiting) this.send(waiting);
      }, patienceMs);
    }
  }

  end(): void {
    this.callOff();
    this.waiting = null;
    this.worker?.terminate();
    this.worker = null;
    this.isBusy = false;
  }

  private send(question: Omit<PlanQuestion, 'number'>): void {
    this.number += 1;
    this.isBusy = true;
    this.worker ??= this.listening(this.start());
    this.worker.postMessage({ ...question, number: this.number } satisfies PlanQuestion);
  }

  private listening(worker: Worker): Worker {
    worker.addEventListener('message', ({ data }: MessageEvent<PlanAnswer>) => {
      if (worker !== this.worker || data.number !== this.number) return;
      const { waiting } = this;
      this.callOff();
      this.waiting = null;
      this.isBusy = false;
      if (waiting) this.send(waiting);
      else this.listener.onAnswer(data);
    });
    worker.addEventListener('error', () => {
      // One that was ended may still say that it broke down: that is nothing to the one that works now.
      if (worker !== this.worker) return;
      this.end();
      this.listener.onCrash();
    });
    return worker;
  }
}

function afterMs(work: () => void, ms: number): () => void {
  const timer = setTimeout(work, ms);
  return () => clearTimeout(timer);
}

const startWorker = (): Worker => new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
