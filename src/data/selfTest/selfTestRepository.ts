import type { Knex } from 'knex';
import type { SelfTestKind } from '@/core/selfTest/reads';
import type { SelfTestRow } from '@/data/rows';

/** A page on a unit by a short code, for as long as it holds. */
export interface SelfTest {
  readonly code: string;
  readonly unitId: string;
  /** Tag of the part that is read; null where the unit itself is. */
  readonly part: string | null;
  readonly bench: string;
  /** Under whose name what it reads is recorded. */
  readonly madeBy: string;
  /** ISO in UTC; null until a unit opened it. */
  readonly openedAt: string | null;
  readonly done: readonly SelfTestKind[];
}

/** Long enough for a tray of units that wait for their turn, short enough that a code left on a table is worth nothing. */
const holdsMs = 2 * 3600 * 1000;

const toSelfTest = (row: SelfTestRow): SelfTest => ({
  code: row.code,
  unitId: row.unit_id,
  part: row.part,
  bench: row.bench,
  madeBy: row.made_by,
  openedAt: row.opened_at?.toISOString() ?? null,
  done: row.done,
});

/** Makes a page; those that were made for the same before are over. */
export async function insertSelfTest(
  db: Knex,
  { code, unitId, part, bench, madeBy }: Omit<SelfTest, 'openedAt' | 'done'>,
  now: Date,
): Promise<void> {
  await db('self_tests')
    .where({ unit_id: unitId })
    .whereRaw('part <=> ?', [part])
    .whereNull('closed_at')
    .update({ closed_at: now });
  await db('self_tests').insert({ code, unit_id: unitId, part, bench, made_by: madeBy, made_at: now, done: '[]' });
}

const holding = (db: Knex, now: Date) =>
  db('self_tests')
    .whereNull('closed_at')
    .where('made_at', '>', new Date(now.getTime() - holdsMs));

export async function findSelfTest(db: Knex, code: string, now: Date): Promise<SelfTest | undefined> {
  const row = (await holding(db, now).where({ code }).first()) as SelfTestRow | undefined;
  return row && toSelfTest(row);
}

/** The page that holds for a unit or for a part in it. */
export async function selfTestOf(
  db: Knex,
  unitId: string,
  part: string | null,
  now: Date,
): Promise<SelfTest | undefined> {
  const row = (await holding(db, now)
    .where({ unit_id: unitId })
    .whereRaw('part <=> ?', [part])
    .orderBy('made_at', 'desc')
    .first()) as SelfTestRow | undefined;
  return row && toSelfTest(row);
}

export async function saveOpened(db: Knex, code: string, now: Date): Promise<void> {
  await db('self_tests').where({ code }).whereNull('opened_at').update({ opened_at: now });
}

/** Notes that a kind of test was gone through; twice is once. */
export async function saveDone(db: Knex, code: string, kind: SelfTestKind): Promise<void> {
  await db('self_tests')
    .where({ code })
    .whereRaw('not json_contains(done, json_quote(?))', [kind])
    .update({ done: db.raw(`json_array_append(done, '$', ?)`, [kind]) });
}

export async function closeSelfTest(db: Knex, code: string, now: Date): Promise<void> {
  await db('self_tests').where({ code }).whereNull('closed_at').update({ closed_at: now });
}
