import type { Knex } from 'knex';
import type { Parcel, ParcelLine } from '@/core/entities/entities';
import type { UnitStage } from '@/core/entities/stages';
import { grouped } from '@/core/shared/grouped';
import type { Tallies } from '@/data/tallies/readTallies';
import type { ParcelLineRow, ParcelRow } from '@/data/rows';
import { toLine, toParcel } from './parcelRows';

export async function listParcels(db: Knex): Promise<readonly Parcel[]> {
  const rows = (await db('parcels').orderBy([{ column: 'received_on', order: 'desc' }, 'code'])) as ParcelRow[];
  return rows.map(toParcel);
}

export async function findParcel(db: Knex, id: string): Promise<Parcel | undefined> {
  const row = (await db('parcels').where({ id }).first()) as ParcelRow | undefined;
  return row && toParcel(row);
}

export interface StageCount {
  readonly stage: UnitStage;
  readonly count: number;
}

/** How many units of every parcel are at each stage, by parcel. */
export const stageCounts = (tallies: Tallies<'parcel-stage'>): ReadonlyMap<string, readonly StageCount[]> =>
  new Map(
    [...grouped(tallies['parcel-stage'], ({ parcelId }) => parcelId)].map(([parcelId, own]) => [
      parcelId,
      own.map(({ about, count }) => ({ stage: about as UnitStage, count })),
    ]),
  );

/** The whole expected list of a parcel, in order. */
export async function linesOfParcel(db: Knex, parcelId: string): Promise<readonly ParcelLine[]> {
  const rows = (await db('parcel_lines').where({ parcel_id: parcelId }).orderBy('line_no')) as ParcelLineRow[];
  return rows.map(toLine);
}

/** Expected lines that no unit has been tagged for, in order: all of them, or the first. */
export async function openLines(db: Knex, parcelId: string, limit?: number): Promise<readonly ParcelLine[]> {
  const query = db('parcel_lines as l')
    .leftJoin('units as u', (join) => join.on('u.parcel_id', 'l.parcel_id').andOn('u.line_no', 'l.line_no'))
    .where('l.parcel_id', parcelId)
    .whereNull('u.id')
    .select('l.*')
    .orderBy('l.line_no');
  if (limit !== undefined) query.limit(limit);
  return ((await query) as ParcelLineRow[]).map(toLine);
}

/** How many lines of a parcel nothing was tagged for. */
export async function countOpenLines(db: Knex, parcelId: string): Promise<number> {
  const row = (await db('parcel_lines as l')
    .leftJoin('units as u', (join) => join.on('u.parcel_id', 'l.parcel_id').andOn('u.line_no', 'l.line_no'))
    .whereNull('u.id')
    .where('l.parcel_id', parcelId)
    .count({ n: '*' })
    .first()) as { n: number } | undefined;
  return Number(row?.n ?? 0);
}

/** Lines of all lists together. */
export async function expectedLines(db: Knex): Promise<number> {
  const row = (await db('parcels').sum({ n: 'line_count' }).first()) as { n: number | string | null } | undefined;
  return Number(row?.n ?? 0);
}

const serialsAtOnce = 1000;

/** Which of some serials are those of units in the shop: to ask about when a manifest names one again. */
export async function serialsInShop(db: Knex, asked: readonly string[]): Promise<ReadonlySet<string>> {
  const serials = [...new Set(asked)];
  const found = new Set<string>();
  for (let from = 0; from < serials.length; from += serialsAtOnce) {
    const rows = (await db('units')
      .whereIn('serial', serials.slice(from, from + serialsAtOnce))
      .whereNot('stage', 'sent')
      .select('serial')) as { serial: string }[];
    for (const { serial } of rows) found.add(serial);
  }
  return found;
}

/** The manifest lines of some units, by unit id. */
export async function linesOfUnits(
  db: Knex,
  units: readonly { readonly id: string; readonly parcelId: string; readonly lineNo: number | null }[],
): Promise<Readonly<Record<string, ParcelLine>>> {
  const keys = units.flatMap(({ parcelId, lineNo }) => (lineNo === null ? [] : [`${parcelId}/${lineNo}`]));
  if (keys.length === 0) return {};
  const rows = (await db('parcel_lines').whereIn('id', keys)) as ParcelLineRow[];
  const lines = new Map(rows.map((row) => [row.id, toLine(row)]));
  return Object.fromEntries(
    units.flatMap(({ id, parcelId, lineNo }) => {
      const line = lines.get(`${parcelId}/${lineNo}`);
      return line ? [[id, line]] : [];
    }),
  );
}
