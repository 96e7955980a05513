import type { Knex } from 'knex';
import type { LateFacts, ShopSize, WrongClock } from '@/core/machine/machineState';
import { lastPosition } from '@/data/facts/factRepository';

const dayMs = 24 * 3_600_000;
const paceDays = 14;
/** A fact that was under way so long had waited in a browser. */
const lateMinutes = 10;
/** Longer than this a browser is not likely to have kept facts. */
const keptDays = 14;

/** How large a shop is, and how fast it grows. */
export async function shopSize(db: Knex, now: Date): Promise<ShopSize> {
  const [size, facts, lately, first] = await Promise.all([
    db('information_schema.tables')
      .where({ table_schema: db.raw('database()') })
      .sum({ bytes: db.raw('data_length + index_length') })
      .first() as Promise<{ bytes: number | null } | undefined>,
    lastPosition(db),
    db('facts')
      .where('client_at', '>', new Date(now.getTime() - paceDays * dayMs))
      .count({ n: '*' })
      .first() as Promise<{ n: number } | undefined>,
    firstFactAt(db),
  ]);
  const age = first ? (now.getTime() - first.getTime()) / dayMs : 0;
  return {
    bytes: Number(size?.bytes ?? 0),
    facts,
    factsPerDay: Number(lately?.n ?? 0) / Math.min(paceDays, Math.max(1, age)),
    firstAt: first?.toISOString() ?? null,
  };
}

/** When the oldest fact of the log happened. */
export async function firstFactAt(db: Knex): Promise<Date | undefined> {
  const row = (await db('facts').orderBy('position').first('client_at')) as { client_at: Date } | undefined;
  return row?.client_at;
}

/** Facts of the last day that had waited in a browser, by bench. */
export async function lateFacts(db: Knex, now: Date): Promise<readonly LateFacts[]> {
  const waited = 'timestampdiff(minute, f.client_at, f.server_at)';
  const rows = (await db('facts as f')
    .leftJoin('benches as b', 'b.id', 'f.bench')
    .where('f.client_at', '>', new Date(now.getTime() - keptDays * dayMs))
    .where('f.server_at', '>', new Date(now.getTime() - dayMs))
    .whereRaw(`${waited} >= ?`, [lateMinutes])
    .groupBy('f.bench')
    .select({
      bench: db.raw('max(coalesce(b.name, f.bench))'),
      facts: db.raw('count(*)'),
      longestMinutes: db.raw(`max(${waited})`),
    })) as { bench: string; facts: number; longestMinutes: number }[];
  return rows.map(({ bench, facts, longestMinutes }) => ({
    bench,
    facts: Number(facts),
    longestMinutes: Number(longestMinutes),
  }));
}

/** Benches whose clock had to be put right in the last day. */
export async function wrongClocks(db: Knex, now: Date): Promise<readonly WrongClock[]> {
  const rows = (await db('facts as f')
    .leftJoin('benches as b', 'b.id', 'f.bench')
    .where('f.client_at', '>', new Date(now.getTime() - dayMs))
    .whereNotNull('f.clock_off_s')
    .orderBy('f.position')
    .select({ bench: db.raw('coalesce(b.name, f.bench)'), offS: 'f.clock_off_s' })) as {
    bench: string;
    offS: number;
  }[];
  const benches = new Map<string, WrongClock>();
  for (const { bench, offS } of rows) benches.set(bench, { bench, offS, facts: (benches.get(bench)?.facts ?? 0) + 1 });
  return [...benches.values()];
}

/** Facts in the log that are not counted yet. */
export async function uncountedFacts(db: Knex): Promise<number> {
  const [last, row] = await Promise.all([
    lastPosition(db),
    db('tallied').where({ id: 1 }).first('position') as Promise<{ position: number } | undefined>,
  ]);
  return Math.max(0, last - (row?.position ?? 0));
}

/** Requests of this process that wait for a connection. */
export const waitingForConnection = (db: Knex): number =>
  (db.client as { readonly pool?: { numPendingAcquires(): number } }).pool?.numPendingAcquires() ?? 0;
