import type { Knex } from 'knex';
import type { BenchWait } from '@/core/instruments/landing';
import type { BenchWaitRow } from '@/data/rows';

/** A page says again what it waits for; one that has not for so long is closed, or somebody went home. */
const holdsMs = 5 * 60_000;

/** What is waited for at a bench from now on; the last who says so counts. */
export async function saveBenchWait(db: Knex, bench: string, wait: BenchWait, now: Date): Promise<void> {
  await db('bench_waits')
    .insert({ bench, waits: JSON.stringify(wait), said_at: now })
    .onConflict('bench')
    .merge();
}

export async function benchWaitOf(db: Knex, bench: string, now: Date): Promise<BenchWait | null> {
  const row = (await db('bench_waits').where({ bench }).first()) as BenchWaitRow | undefined;
  return row && now.getTime() - row.said_at.getTime() <= holdsMs ? row.waits : null;
}
