import type { Knex } from 'knex';
import type { LogEntry } from '@/core/opening/openingLog';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { deleteEntry, findOpening, insertEntry } from '@/data/openings/openingRepository';

export type StepChange =
  | { readonly does: 'log'; readonly log: number; readonly place: number; readonly entry: LogEntry }
  | { readonly does: 'take-back'; readonly entryId: string };

/**
 * Logs a step of a first opening as it happens, or takes one back.
 *
 * @refuses 'not-found'; 'stale' when another bench logged at this place
 */
export async function logStep(db: Knex, openingId: string, change: StepChange, at: Date): Promise<Outcome<null>> {
  if (!(await findOpening(db, openingId))) return refuse('not-found');
  if (change.does === 'take-back') {
    await deleteEntry(db, openingId, change.entryId);
    return accept(null);
  }
  const isLogged = await insertEntry(db, openingId, change.log, change.place, change.entry, at);
  return isLogged ? accept(null) : refuse('log-changed');
}
