import type { Knex } from 'knex';
import { formatTag } from '@/core/shared/tags';
import { accept, type Outcome } from '@/core/shared/outcome';
import { takeNumbers } from '@/data/counters';
import { transaction } from '@/data/transaction';

/** The tag of a new shipment. One that is then not used leaves a number out, which harms nobody. */
export async function openShipment(db: Knex): Promise<Outcome<string>> {
  return transaction(db, async (trx) => accept(formatTag('S', await takeNumbers(trx, 'shipment-tag', 1))));
}
