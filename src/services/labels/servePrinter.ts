import type { Knex } from 'knex';
import type { PrinterSays } from '@/core/instruments/printing';
import { accept, type Outcome } from '@/core/shared/outcome';
import { countWaitingLabels, markPrinted, takeLabels } from '@/data/labels/labelJobs';
import { notePrinter } from '@/data/labels/labelPrinters';
import { transaction } from '@/data/transaction';

/** What a printer takes on, and how many labels wait in all, those included. */
export interface Taken {
  readonly jobs: readonly { readonly id: number; readonly tag: string }[];
  readonly waiting: number;
}

/** A printer says what came out and takes more on; a label that it has before it is given to no other for a minute. */
export const servePrinter = (
  db: Knex,
  keyId: string,
  { printed, room, trouble = null, isSimulated = false }: PrinterSays,
  now: Date,
): Promise<Outcome<Taken>> =>
  transaction(db, async (trx) => {
    await notePrinter(trx, keyId, { trouble, isSimulated }, now);
    await markPrinted(trx, printed, now);
    const jobs = await takeLabels(trx, keyId, trouble === null ? room : 0, now);
    return accept({ jobs, waiting: await countWaitingLabels(trx) });
  });
