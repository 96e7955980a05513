import type { Knex } from 'knex';
import { setTimeout as sleep } from 'node:timers/promises';
import { recountWhenDue } from '@/data/tallies/catchUp';

/** A stretch takes a few hundredths of a second; between two the shop has the machine for itself. */
const pauseMs = 2000;
const lookMs = 10 * 60_000;
const everyMs = 20 * 3600 * 1000;

/**
 * Counts the whole shop anew about once a day, a little at a time beside the work, so that a count that is wrong does not stay
 * so. Of several processes each does a stretch when it comes to it.
 *
 * @param isOver  asked between two stretches
 */
export async function keepCounting(db: Knex, isOver: () => boolean): Promise<void> {
  while (!isOver()) {
    let isDue = false;
    try {
      isDue = await recountWhenDue(db, new Date(), everyMs);
    } catch {
      // The database is away, or a shop that is only being set up: the next look finds it.
    }
    await sleep(isDue ? pauseMs : lookMs, undefined, { ref: false });
  }
}
