import type { Knex } from 'knex';
import { accept, type Outcome } from '@/core/shared/outcome';
import { markPrinted } from '@/data/labels/labelJobs';
import { transaction } from '@/data/transaction';

/** The printer says that these came out. Saying so twice changes nothing. */
export const printLabels = (db: Knex, ids: readonly number[], now: Date): Promise<Outcome<number>> =>
  transaction(db, async (trx) => accept(await markPrinted(trx, ids, now)));
