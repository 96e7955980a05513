import { copyFileSync, existsSync, readdirSync, renameSync, statSync, truncateSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';

const mostBytes = 20_000_000;
/** Older ones beside the one that is written. */
const kept = 3;
const lookMs = 60_000;

/**
 * Keeps the logs of a folder short: one that has grown is copied aside and begins anew. Who writes it goes on meanwhile, since it
 * only ever adds at the end.
 */
export function shortenLogs(folder: string, most = mostBytes): void {
  for (const name of readdirSync(folder)) {
    const log = join(folder, name);
    if (!name.endsWith('.log') || statSync(log).size <= most) continue;
    for (let age = kept - 1; age >= 1; age -= 1)
      if (existsSync(`${log}.${age}`)) renameSync(`${log}.${age}`, `${log}.${age + 1}`);
    copyFileSync(log, `${log}.1`);
    truncateSync(log);
  }
}

/** Does so every minute while a shop is served. */
export async function keepLogs(folder: string, leave: AbortSignal): Promise<void> {
  while (!leave.aborted) {
    try {
      shortenLogs(folder);
    } catch {
      // A full disk, or a folder on its way: the next look comes.
    }
    await sleep(lookMs, undefined, { signal: leave, ref: false }).catch(() => undefined);
  }
}
