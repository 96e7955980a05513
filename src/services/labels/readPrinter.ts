import type { Knex } from 'knex';
import { countWaitingLabels, waitingLabels } from '@/data/labels/labelJobs';

export interface PrinterView {
  readonly jobs: readonly { readonly id: number; readonly tag: string; readonly madeAt: string }[];
  readonly total: number;
}

/** As many as one roll prints at a time. */
const mostJobs = 60;

/** What the label printer has before it. */
export async function readPrinter(db: Knex): Promise<PrinterView> {
  const [jobs, total] = await Promise.all([waitingLabels(db, mostJobs), countWaitingLabels(db)]);
  return { total, jobs: jobs.map(({ id, tag, made_at: madeAt }) => ({ id, tag, madeAt: madeAt.toISOString() })) };
}
