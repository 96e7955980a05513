import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { drawReadKey, insertReadKey } from '@/data/reading/readKeyRepository';

/** Makes a key by which a program reads along; it is shown once and kept nowhere. */
export async function makeReadKey(
  db: Knex,
  name: string,
  made: { readonly at: Date; readonly by: string },
): Promise<{ readonly id: string; readonly key: string }> {
  const [id, key] = [randomUUID(), drawReadKey()];
  await insertReadKey(db, { id, name: name.trim(), key }, made);
  return { id, key };
}
