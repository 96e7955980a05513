import type { Knex } from 'knex';
import { createHash, randomBytes } from 'node:crypto';
import type { ReadKeyRow } from '@/data/rows';

export interface ReadKey {
  readonly id: string;
  readonly name: string;
  /** Name of the lead who made it. */
  readonly madeBy: string;
  /** ISO in UTC. */
  readonly madeAt: string;
  readonly lastUsedAt: string | null;
  readonly isRevoked: boolean;
}

/** A key as a program carries it: 32 bytes of chance, told apart from other words by its beginning. */
export const drawReadKey = (): string => `pluckyread_${randomBytes(32).toString('base64url')}`;

/** What a key is known by here. A key is chance all through, so that a plain digest cannot be turned back. */
const digestOf = (key: string): string => createHash('sha256').update(key).digest('hex');

export async function insertReadKey(
  db: Knex,
  { id, name, key }: { readonly id: string; readonly name: string; readonly key: string },
  made: { readonly at: Date; readonly by: string },
): Promise<void> {
  await db('read_keys').insert({ id, name, digest: digestOf(key), made_by: made.by, made_at: made.at });
}

export async function listReadKeys(db: Knex): Promise<readonly ReadKey[]> {
  const rows = (await db('read_keys as k')
    .leftJoin('people as p', 'p.id', 'k.made_by')
    .orderBy('k.made_at', 'desc')
    .select('k.*', { by: 'p.name' })) as (ReadKeyRow & { by: string | null })[];
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    madeBy: row.by ?? '',
    madeAt: row.made_at.toISOString(),
    lastUsedAt: row.last_used_at?.toISOString() ?? null,
    isRevoked: row.revoked_at !== null,
  }));
}

/** The id behind a key that holds; its use is noted, to the minute. */
export async function findReader(db: Knex, key: string, now: Date): Promise<string | undefined> {
  const row = (await db('read_keys')
    .where({ digest: digestOf(key) })
    .whereNull('revoked_at')
    .first()) as ReadKeyRow | undefined;
  if (!row) return undefined;
  const minuteMs = 60_000;
  if (row.last_used_at === null || now.getTime() - row.last_used_at.getTime() > minuteMs)
    await db('read_keys').where({ id: row.id }).update({ last_used_at: now });
  return row.id;
}

/** @returns false when there is no such key; one that was revoked already stays so */
export async function revokeReadKey(db: Knex, id: string, now: Date): Promise<boolean> {
  const row = (await db('read_keys').where({ id }).first()) as ReadKeyRow | undefined;
  if (!row) return false;
  await db('read_keys').where({ id }).whereNull('revoked_at').update({ revoked_at: now });
  return true;
}
