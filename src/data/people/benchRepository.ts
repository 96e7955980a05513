import type { Knex } from 'knex';
import type { WorkBench } from '@/core/people/benches';
import type { BenchRow } from '@/data/rows';

const toBench = ({ id, name, is_in_use }: BenchRow): WorkBench => ({ id, name, isInUse: Boolean(is_in_use) });

export async function listBenches(db: Knex): Promise<readonly WorkBench[]> {
  return ((await db('benches').orderBy('name')) as BenchRow[]).map(toBench);
}

/** The same, locked, so that nobody else changes them meanwhile. */
export async function benchesForUpdate(trx: Knex): Promise<readonly WorkBench[]> {
  return ((await trx('benches').orderBy('id').forUpdate()) as BenchRow[]).map(toBench);
}

/** Adds a bench, or writes over one that is there. */
export async function writeBench(trx: Knex, { id, name, isInUse }: WorkBench): Promise<void> {
  await trx('benches').insert({ id, name, is_in_use: isInUse }).onConflict('id').merge();
}

/** Whether there is, or was, such a bench. */
export const isBench = async (db: Knex, id: string): Promise<boolean> =>
  (await db('benches').where({ id }).first('id')) !== undefined;
