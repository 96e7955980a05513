import type { Knex } from 'knex';
import { createHash, randomBytes } from 'node:crypto';
import type { InstrumentKeyRow } from '@/data/rows';

export interface InstrumentKey {
  readonly id: string;
  readonly name: string;
  /** Name of who made it. */
  readonly madeBy: string;
  /** ISO in UTC. */
  readonly madeAt: string;
}

/** A key as an instrument carries it. It may speak to one bench, print labels, and read nothing else. */
export const drawInstrumentKey = (): string => `pluckybench_${randomBytes(24).toString('base64url')}`;

/** A key is chance all through, so that a plain digest cannot be turned back. */
const digestOf = (key: string): string => createHash('sha256').update(key).digest('hex');

export async function insertInstrumentKey(
  db: Knex,
  {
    id,
    name,
    bench,
    key,
  }: { readonly id: string; readonly name: string; readonly bench: string; readonly key: string },
  made: { readonly at: Date; readonly by: string },
): Promise<void> {
  await db('instrument_keys').insert({ id, name, bench, digest: digestOf(key), made_by: made.by, made_at: made.at });
}

/** Those that hold, of one bench, the newest first. */
export async function listInstrumentKeys(db: Knex, bench: string): Promise<readonly InstrumentKey[]> {
  const rows = (await db('instrument_keys as k')
    .leftJoin('people as p', 'p.id', 'k.made_by')
    .where('k.bench', bench)
    .whereNull('k.revoked_at')
    .orderBy('k.made_at', 'desc')
    .select('k.*', { by: 'p.name' })) as (InstrumentKeyRow & { by: string | null })[];
  return rows.map(({ id, name, by, made_at }) => ({ id, name, madeBy: by ?? '', madeAt: made_at.toISOString() }));
}

/** The key and the bench behind what an instrument carries, while it holds. */
export async function findInstrument(
  db: Knex,
  key: string,
): Promise<{ readonly id: string; readonly bench: string } | undefined> {
  const row = (await db('instrument_keys')
    .where({ digest: digestOf(key) })
    .whereNull('revoked_at')
    .first()) as InstrumentKeyRow | undefined;
  return row && { id: row.id, bench: row.bench };
}

/** @returns false where this bench has no such key */
export async function revokeInstrumentKey(db: Knex, bench: string, id: string, now: Date): Promise<boolean> {
  return (await db('instrument_keys').where({ id, bench }).whereNull('revoked_at').update({ revoked_at: now })) > 0;
}
