import type { Knex } from 'knex';
import { countWaitingLabels, waitingLabels } from '@/data/labels/labelJobs';
import { heardPrinters, type HeardPrinter } from '@/data/labels/labelPrinters';

export interface PrinterView {
  readonly jobs: readonly { readonly id: number; readonly tag: string; readonly madeAt: string }[];
  readonly total: number;
  readonly printers: readonly HeardPrinter[];
}

/** As many as one roll prints at a time. */
const mostJobs = 60;

/** A printer that has not asked for so long is switched off, or on its way home. */
const heardMs = 60_000;

/** What waits for a label printer, and which printers ask for it. */
export async function readPrinter(db: Knex, now: Date): Promise<PrinterView> {
  const [jobs, total, printers] = await Promise.all([
    waitingLabels(db, mostJobs),
    countWaitingLabels(db),
    heardPrinters(db, new Date(now.getTime() - heardMs)),
  ]);
  return {
    total,
    jobs: jobs.map(({ id, tag, made_at: madeAt }) => ({ id, tag, madeAt: madeAt.toISOString() })),
    printers,
  };
}
