import { join } from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import Piscina from 'piscina';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { OneMore, ShopPlan, WithoutIt } from './matchJobs';
import type { MatchProgress, MatchTask } from './matchWorker';

/** The library is compiled once a thread, which takes seconds: a thread is kept for the day's questions. */
const idleMs = 15 * 60_000;
const mostWaiting = 6;
const usualThreadMb = 1024;
/** Beyond the search: the stock is read and measured, too. */
const moreSeconds = 120;

const workerFile = (): string =>
  process.env.PLUCKY_MATCH_WORKER ?? join(/* turbopackIgnore: true */ process.cwd(), '.next', 'workers', 'match.cjs');

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

/** What is asked, but for how it is called off. */
type Asked<A extends MatchTask['ask']> = Omit<Extract<MatchTask, { ask: A }>, 'ask' | 'flag'>;

/** The thread of this process in which plans are made. */
export class MatchThreads {
  private pool: Piscina | undefined;

  /** @param threadMb  beside the solver's own memory, which is not the thread's */
  constructor(
    private readonly filename: () => string = workerFile,
    private readonly threadMb = usualThreadMb,
  ) {}

  /**
   * The plan of a stock.
   *
   * @param calledOff  ends the search with what it has
   * @refuses 'too-often' when too many wait; 'match-thread-ended' when the thread came to its end: the next gets a new one
   */
  async plan(
    asked: Omit<Asked<'plan'>, 'port'>,
    onProgress: (progress: MatchProgress) => void,
    calledOff: AbortSignal,
  ): Promise<Outcome<ShopPlan>> {
    const { port1, port2 } = new MessageChannel();
    port1.on('message', onProgress);
    try {
      return await this.run<ShopPlan>({ ask: 'plan', ...asked, port: port2 }, calledOff, [port2]);
    } finally {
      port1.close();
    }
  }

  /** @refuses as `plan`; 'match-invalid' when what came is no problem */
  async without(asked: Asked<'without'>, calledOff: AbortSignal): Promise<Outcome<WithoutIt>> {
    const ran = await this.run<Outcome<WithoutIt>>({ ask: 'without', ...asked }, calledOff);
    return ran.ok ? ran.value : ran;
  }

  /** @refuses as `without` */
  async more(asked: Asked<'more'>, calledOff: AbortSignal): Promise<Outcome<readonly OneMore[]>> {
    const ran = await this.run<Outcome<readonly OneMore[]>>({ ask: 'more', ...asked }, calledOff);
    return ran.ok ? ran.value : ran;
  }

  async end(): Promise<void> {
    await this.pool?.destroy();
    this.pool = undefined;
  }

  private async run<T>(
    task: DistributiveOmit<MatchTask, 'flag'>,
    calledOff: AbortSignal,
    transferList: object[] = [],
  ): Promise<Outcome<T>> {
    const pool = (this.pool ??= this.start());
    if (pool.queueSize >= mostWaiting) return refuse('too-often', { seconds: task.seconds });
    const most = task.seconds + moreSeconds;
    const flag = new SharedArrayBuffer(4);
    const stop = () => Atomics.store(new Int32Array(flag), 0, 1);
    if (calledOff.aborted) stop();
    calledOff.addEventListener('abort', stop);
    try {
      const options = { signal: AbortSignal.timeout(most * 1000), transferList: transferList as never };
      return accept((await pool.run({ ...task, flag }, options)) as T);
    } catch (error) {
      console.error(error);
      return refuse('match-thread-ended', { seconds: most });
    } finally {
      calledOff.removeEventListener('abort', stop);
    }
  }

  private start(): Piscina {
    return new Piscina({
      filename: this.filename(),
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: idleMs,
      resourceLimits: { maxOldGenerationSizeMb: this.threadMb },
    });
  }
}

export const matchThreads = new MatchThreads();
