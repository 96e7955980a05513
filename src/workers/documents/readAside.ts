import { join } from 'node:path';
import Piscina from 'piscina';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { DocumentKind, GivenOf, ReadOf } from './documentJobs';

interface Bounds {
  /** A document of the most that may be sent is read in a tenth of it. */
  readonly mostMs: number;
  readonly threads: number;
  /** So many wait for a thread; who comes then comes again. */
  readonly mostWaiting: number;
  readonly threadMb: number;
}
const usual: Bounds = { mostMs: 10_000, threads: 2, mostWaiting: 16, threadMb: 256 };

/** A thread without work is kept for a minute, since a new one takes a sixth of a second. */
const idleMs = 60_000;

/** Where the build puts the worker; tests and scripts have one of their own. */
const workerFile = (): string =>
  process.env.PLUCKY_DOCUMENT_WORKER ??
  join(/* turbopackIgnore: true */ process.cwd(), '.next', 'workers', 'documents.cjs');

/** Threads in which documents from outside are read, in bounded time and memory. */
export class DocumentThreads {
  private pool: Piscina | undefined;
  private readonly bounds: Bounds;

  constructor(bounds: Partial<Bounds> = {}) {
    this.bounds = { ...usual, ...bounds };
  }

  /**
   * Reads a document.
   *
   * @returns what its reader says of it
   * @refuses 'document-too-hard' when that takes too long or too much memory; 'too-often' when too many wait already
   */
  async read<K extends DocumentKind>(kind: K, given: GivenOf<K>): Promise<Outcome<ReadOf<K>>> {
    const { mostMs, mostWaiting } = this.bounds;
    const pool = (this.pool ??= this.start());
    if (pool.queueSize >= mostWaiting) return refuse('too-often', { seconds: Math.ceil(mostMs / 1000) });
    try {
      return accept((await pool.run({ kind, given }, { signal: AbortSignal.timeout(mostMs) })) as ReadOf<K>);
    } catch (error) {
      if (isGivenUp(error)) return refuse('document-too-hard', { seconds: Math.ceil(mostMs / 1000) });
      throw error;
    }
  }

  async end(): Promise<void> {
    await this.pool?.destroy();
    this.pool = undefined;
  }

  private start(): Piscina {
    return new Piscina({
      filename: workerFile(),
      minThreads: 0,
      maxThreads: this.bounds.threads,
      idleTimeout: idleMs,
      resourceLimits: { maxOldGenerationSizeMb: this.bounds.threadMb },
    });
  }
}

function isGivenUp(error: unknown): boolean {
  const { name, code } = error as { name?: unknown; code?: unknown };
  return name === 'AbortError' || code === 'ERR_WORKER_OUT_OF_MEMORY';
}

const threads = new DocumentThreads();

/** Reads a document in the threads of this process. @refuses as `DocumentThreads.read` */
export const readAside = <K extends DocumentKind>(kind: K, given: GivenOf<K>): Promise<Outcome<ReadOf<K>>> =>
  threads.read(kind, given);
