import type { Knex } from 'knex';
import type { LostSerialRow } from '@/data/rows';

/** Which of some serials were reported lost, with the instant in ISO, by serial. */
export async function reportedLost(db: Knex, serials: readonly string[]): Promise<Readonly<Record<string, string>>> {
  const rows = (await db('lost_serials').whereIn('serial', [...new Set(serials)])) as LostSerialRow[];
  return Object.fromEntries(rows.map(({ serial, reported_at: at }) => [serial, at.toISOString()]));
}

/** Notes serials as lost; those that are noted already stay as they were. Says how many are new. */
export async function noteLost(db: Knex, serials: readonly string[], by: string, at: Date): Promise<number> {
  const known = await reportedLost(db, serials);
  const fresh = [...new Set(serials)].filter((serial) => known[serial] === undefined);
  if (fresh.length > 0) {
    await db('lost_serials')
      .insert(fresh.map((serial) => ({ serial, reported_by: by, reported_at: at })))
      .onConflict('serial')
      .ignore();
  }
  return fresh.length;
}
