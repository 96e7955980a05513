import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { drawInstrumentKey, insertInstrumentKey } from '@/data/instruments/instrumentKeys';

/** Makes a key by which an instrument speaks to a bench; it is shown once and kept nowhere. */
export async function makeInstrumentKey(
  db: Knex,
  bench: string,
  name: string,
  made: { readonly at: Date; readonly by: string },
): Promise<{ readonly id: string; readonly key: string }> {
  const [id, key] = [randomUUID(), drawInstrumentKey()];
  await insertInstrumentKey(db, { id, name: name.trim(), bench, key }, made);
  return { id, key };
}
