import type { Knex } from 'knex';
import type { LogEntry, OpeningHead, OpeningLog } from '@/core/opening/openingLog';
import { isDuplicate } from '@/data/errors';
import type { OpeningEntryRow, OpeningRow } from '@/data/rows';

export interface Opening extends OpeningHead {
  readonly id: string;
  readonly startedBy: string;
  readonly startedAt: Date;
  readonly draftId: string | null;
}

const openingOf = (row: OpeningRow): Opening => ({
  id: row.id,
  maker: row.maker,
  name: row.name,
  kind: row.kind,
  proofOfOff: row.proof_of_off,
  startedBy: row.started_by,
  startedAt: row.started_at,
  draftId: row.draft_id,
});

export async function insertOpening(
  db: Knex,
  { id, maker, name, kind, proofOfOff, startedBy, startedAt }: Omit<Opening, 'draftId'>,
): Promise<void> {
  await db('openings').insert({
    id,
    maker,
    name,
    kind,
    proof_of_off: proofOfOff,
    started_by: startedBy,
    started_at: startedAt,
    draft_id: null,
  });
}

export async function findOpening(db: Knex, id: string): Promise<Opening | undefined> {
  const row = (await db('openings').where({ id }).first()) as OpeningRow | undefined;
  return row && openingOf(row);
}

export async function allOpenings(db: Knex): Promise<readonly Opening[]> {
  return ((await db('openings').orderBy('started_at', 'desc')) as OpeningRow[]).map(openingOf);
}

export async function setOpeningDraft(db: Knex, id: string, draftId: string): Promise<void> {
  await db('openings').where({ id }).update({ draft_id: draftId });
}

/**
 * Adds an entry at a place of a log; the same entry sent twice counts once.
 *
 * @returns whether the place was free, or holds this very entry
 */
export async function insertEntry(
  db: Knex,
  openingId: string,
  logNo: number,
  place: number,
  entry: LogEntry,
  loggedAt: Date,
): Promise<boolean> {
  const row = { id: entry.id, opening_id: openingId, log_no: logNo, place };
  try {
    await db('opening_entries').insert({ ...row, entry: JSON.stringify(entry), logged_at: loggedAt });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    return (await db('opening_entries').where(row).first('id')) !== undefined;
  }
  return true;
}

export async function deleteEntry(db: Knex, openingId: string, entryId: string): Promise<void> {
  await db('opening_entries').where({ id: entryId, opening_id: openingId }).delete();
}

export async function logsOf(db: Knex, openingId: string): Promise<readonly OpeningLog[]> {
  const rows = (await db('opening_entries')
    .where({ opening_id: openingId })
    .orderBy(['log_no', 'place'])
    .select('log_no', 'entry')) as Pick<OpeningEntryRow, 'log_no' | 'entry'>[];
  const numbers = [...new Set(rows.map(({ log_no }) => log_no))];
  return numbers.map((number) => ({
    number,
    entries: rows.filter(({ log_no }) => log_no === number).map(({ entry }) => entry),
  }));
}
