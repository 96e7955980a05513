import type { Knex } from 'knex';
import { draftFromLogs } from '@/core/opening/draftFromLogs';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { insertDraft } from '@/data/models/draftRepository';
import { findOpening, logsOf, setOpeningDraft } from '@/data/openings/openingRepository';
import { transaction } from '@/data/transaction';

/**
 * Makes a draft of what was logged; the logs stay.
 *
 * @refuses 'not-found'; 'log-empty' when nothing was logged
 */
export async function draftOpening(
  db: Knex,
  openingId: string,
  draftId: string,
  by: string,
  at: Date,
): Promise<Outcome<string>> {
  return transaction(db, async (trx) => {
    const opening = await findOpening(trx, openingId);
    if (!opening) return refuse('not-found');
    const logs = await logsOf(trx, openingId);
    if (!logs.some(({ entries }) => entries.length > 0)) return refuse('log-empty');
    const { model } = draftFromLogs(opening, logs);
    await insertDraft(trx, { id: draftId, document: model, basedOn: null, savedBy: by, savedAt: at });
    await setOpeningDraft(trx, openingId, draftId);
    return accept(draftId);
  });
}
