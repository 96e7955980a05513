import type { Knex } from 'knex';
import type { Fact, FactType, RecordedFact } from '@/core/shop/facts';
import type { Change } from '@/core/shop/world';
import { wasBefore } from '@/core/shop/was';
import type { FactRow, TouchedRow } from '@/data/rows';
import { narrow, type FactFilter } from './factFilter';

export function toRecordedFact<T extends FactType>(row: FactRow<T>): RecordedFact<T> {
  return {
    id: row.id,
    position: row.position,
    type: row.type,
    subjectId: row.subject_id,
    expects: row.expects,
    at: row.client_at.toISOString(),
    personId: row.person_id,
    bench: row.bench,
    receivedAt: row.server_at.toISOString(),
    payload: row.payload,
    touched: row.touched.map(({ kind, id }) => ({ kind, id })),
    ...(row.clock_off_s !== null && { clockOffS: row.clock_off_s }),
    ...(row.rules_version !== null && { rulesVersion: row.rules_version }),
  };
}

export async function findFact(db: Knex, id: string): Promise<RecordedFact | undefined> {
  const row = (await db('facts').where({ id }).first()) as FactRow | undefined;
  return row && toRecordedFact(row);
}

/** Facts after a position, in order. Positions have no gaps, so nothing can appear behind a reader's back. */
export async function factsAfter(db: Knex, position: number, limit: number): Promise<readonly RecordedFact[]> {
  return (await factRowsAfter(db, position, limit)).map((row) => toRecordedFact(row));
}

export async function factRowsAfter(
  db: Knex,
  position: number,
  limit: number,
  filter: FactFilter = {},
): Promise<readonly FactRow[]> {
  const query = db('facts as e').where('e.position', '>', position).orderBy('e.position').limit(limit).select('e.*');
  return (await (
    await narrow(db, query, filter)
  ).query) as FactRow[];
}

/** Who said the last fact about a thing, and at which bench. */
export async function lastFactAbout(
  db: Knex,
  subjectId: string,
): Promise<Pick<RecordedFact, 'personId' | 'bench'> | undefined> {
  const row = (await db('facts')
    .where({ subject_id: subjectId })
    .orderBy('position', 'desc')
    .first('person_id', 'bench')) as Pick<FactRow, 'person_id' | 'bench'> | undefined;
  return row && { personId: row.person_id, bench: row.bench };
}

export async function lastPosition(db: Knex): Promise<number> {
  const row = (await db('counters').where({ name: 'facts' }).first('n')) as { n: number } | undefined;
  return row?.n ?? 0;
}

/** A row that names the position of the fact which is appended with it. */
export interface PositionedRow {
  readonly table: 'fact_parts' | 'bit_lives';
  readonly positionIn: string;
  readonly row: Readonly<Record<string, string | number>>;
}

/**
 * Appends a fact with the next position, and commits: it is the last thing its transaction does. Whoever holds the counter
 * holds up everyone, so number, fact, what names its position and the end of the transaction go in one trip. A position that
 * was rolled back is given to the next.
 *
 * @param also  more rows with its position
 * @returns its position
 */
export async function commitFact(
  trx: Knex,
  fact: Fact,
  made: { readonly personId: string; readonly bench: string; readonly receivedAt: Date },
  changes: readonly Change[],
  also: readonly PositionedRow[] = [],
): Promise<number> {
  const about = aboutOf(fact, changes);
  const row = {
    id: fact.id,
    type: fact.type,
    subject_id: fact.subjectId,
    expects: fact.expects,
    person_id: made.personId,
    bench: made.bench,
    client_at: new Date(fact.at),
    server_at: made.receivedAt,
    ...about,
    undoes: fact.type === 'undone' ? fact.payload.factId : null,
    payload: JSON.stringify(fact.payload),
    touched: JSON.stringify(changes.map(touchedBy)),
    rules_version: fact.rulesVersion ?? null,
    clock_off_s: fact.clockOffS ?? null,
  };
  const parts = new Set(changes.flatMap(({ kind, id }) => (kind === 'part' ? [id] : [])));
  if (about.part_id !== null) parts.add(about.part_id);
  const rows = [
    { table: 'facts', positionIn: 'position', row },
    ...[...parts].map((id) => ({ table: 'fact_parts', positionIn: 'position', row: { part_id: id } })),
    ...also,
  ];
  const [results] = (await trx.raw(
    `begin not atomic
       update counters set n = last_insert_id(n + 1) where name = 'facts';
       ${rows.map((one) => insertWithPosition(Object.keys(one.row).length)).join('\n')}
       commit;
       select last_insert_id() as position;
     end`,
    rows.flatMap((one) => [one.table, one.positionIn, ...Object.keys(one.row), ...Object.values(one.row)]),
  )) as [readonly unknown[]];
  const answer = results.flat().find((own) => typeof own === 'object' && own !== null && 'position' in own);
  return Number((answer as { readonly position: number }).position);
}

const insertWithPosition = (columns: number): string =>
  `insert into ?? (??${', ??'.repeat(columns)}) values (last_insert_id()${', ?'.repeat(columns)});`;

const touchedBy = ({ kind, id, before, after }: Change): TouchedRow =>
  before && after ? { kind, id, was: wasBefore(before, after) } : ({ kind, id, before } as TouchedRow);

/** What a fact is about, as columns to group by. */
function aboutOf(fact: Fact, changes: readonly Change[]) {
  const subject = changes.find(({ id }) => id === fact.subjectId);
  const thing = subject?.after ?? subject?.before;
  if (subject?.kind === 'unit' && thing && 'parcelId' in thing && 'modelId' in thing) {
    return { parcel_id: thing.parcelId, unit_id: thing.id, part_id: null, model_id: thing.modelId, part_ref: null };
  }
  if (subject?.kind === 'part' && thing && 'partRef' in thing) {
    return {
      parcel_id: null,
      unit_id: thing.unitId,
      part_id: thing.id,
      model_id: thing.modelId,
      part_ref: thing.partRef,
    };
  }
  return { parcel_id: fact.subjectId, unit_id: null, part_id: null, model_id: null, part_ref: null };
}
