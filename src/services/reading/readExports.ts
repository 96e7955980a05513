import type { Knex } from 'knex';
import { listReadKeys, type ReadKey } from '@/data/reading/readKeyRepository';

export interface ExportsView {
  readonly keys: readonly ReadKey[];
}

/** Who reads along by which key. */
export async function readExports(db: Knex): Promise<ExportsView> {
  return { keys: await listReadKeys(db) };
}
