import { setTimeout as sleep } from 'node:timers/promises';

/** Something that lives until it ends by itself or is ended. */
export interface Living {
  /** Settles when it is gone. */
  readonly gone: Promise<unknown>;
  readonly end: () => Promise<void>;
}

interface Pauses {
  readonly firstMs: number;
  readonly longestMs: number;
  /** Who lived so long died of something new. */
  readonly healthyMs: number;
}
const usualPauses: Pauses = { firstMs: 500, longestMs: 30_000, healthyMs: 60_000 };

/**
 * Keeps something up: whenever it is gone it is begun again, after a pause that doubles while that goes on.
 *
 * @param begin  begins it; what it throws counts as gone
 * @param leave  aborted when it shall not be begun again
 * @param told   hears why, and after how long it is tried again
 */
export async function keepUp(
  living: Living,
  begin: () => Promise<Living>,
  leave: AbortSignal,
  told: (ms: number, error?: unknown) => void,
  { firstMs, longestMs, healthyMs }: Pauses = usualPauses,
): Promise<void> {
  let pauseMs = firstMs;
  let now: Living | undefined = living;
  const left = new Promise<void>((done) => leave.addEventListener('abort', () => done(), { once: true }));
  while (!leave.aborted) {
    const began = Date.now();
    if (now) await Promise.race([now.gone, left]);
    if (leave.aborted) break;
    pauseMs = now && Date.now() - began > healthyMs ? firstMs : pauseMs;
    if (now) told(pauseMs);
    await sleep(pauseMs, undefined, { signal: leave }).catch(() => undefined);
    pauseMs = Math.min(longestMs, pauseMs * 2);
    if (leave.aborted) return;
    now = await begin().catch((error: unknown) => {
      told(pauseMs, error);
      return undefined;
    });
  }
  await now?.end();
}
