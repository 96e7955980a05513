import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import type { FindQuery, PartKindId } from '@/core/find/readQuery';
import { contains, startsWith } from '@/data/like';
import { totalOf } from '@/data/totalOf';
import { toPart } from '@/data/parts/partRows';
import type { SentShipment } from '@/data/send/sentShipments';
import type { PartRow, UnitRow } from '@/data/rows';
import { toUnit } from '@/data/units/unitRows';

/** The first of what was found, and how many there are in all. */
export interface Some<T> {
  readonly hits: readonly T[];
  readonly total: number;
}

/** Which they are is read from an index of the table, as far as one holds what is asked; only the first are read whole. */
async function someOf<R, T>(
  db: Knex,
  table: 'parts' | 'units',
  query: Knex.QueryBuilder,
  limit: number,
  order: string,
  read: (row: R) => T,
) {
  const first = query.clone().select('id').orderByRaw(order).limit(limit).as('first');
  const rows = (await db(first).join(`${table} as t`, 't.id', 'first.id').orderByRaw(order).select('t.*')) as R[];
  return { hits: rows.map(read), total: await totalOf(query, 0, rows.length, limit) } satisfies Some<T>;
}

async function fewOf<R, T>(query: Knex.QueryBuilder, limit: number, order: string, read: (row: R) => T) {
  const rows = (await query.clone().orderByRaw(order).limit(limit)) as R[];
  return { hits: rows.map(read), total: await totalOf(query, 0, rows.length, limit) } satisfies Some<T>;
}

/** What can be taken first, then what is under way, then what is gone; the best grade first. */
const partOrder = `field(place, 'shelf', 'reserved', 'to-shelve', 'grade', 'assigned', 'lost', 'hazard', 'scrap'), grade, tag_no`;
const unitOrder = `stage in ('sent', 'spent', 'recycled'), tag_no`;

const nothing = { hits: [], total: 0 };

/** Parts that answer: those on the shelf first. @param kinds what the names mean; null for any part */
export async function findParts(
  db: Knex,
  { grade, bin, figures }: FindQuery,
  kinds: readonly PartKindId[] | null,
  limit: number,
): Promise<Some<Part>> {
  if (kinds?.length === 0 || (kinds === null && !grade && !bin && figures.length === 0)) return nothing;
  const query = db('parts').whereNot({ place: 'fitted' });
  if (kinds) {
    const byModel = new Map<string, string[]>();
    for (const { modelId, partRef } of kinds) byModel.set(modelId, [...(byModel.get(modelId) ?? []), partRef]);
    query.where((either) => {
      for (const [modelId, refs] of byModel)
        either.orWhere((both) => both.where({ model_id: modelId }).whereIn('part_ref', refs));
    });
  }
  if (grade) query.where({ grade });
  if (bin) query.whereRaw('bin like ?', [startsWith(bin)]);
  for (const figure of figures) query.whereRaw('tag like ?', [contains(figure)]);
  return someOf(db, 'parts', query, limit, partOrder, (row: PartRow) => toPart(row));
}

/**
 * Units that answer every word: by tag, serial, model, parcel or supplier.
 *
 * @param modelsOf  the models that each word names
 */
export async function findUnits(
  db: Knex,
  { words, grade }: FindQuery,
  serial: string | null,
  modelsOf: (word: string) => readonly string[],
  limit: number,
): Promise<Some<Unit>> {
  if (words.length === 0) return nothing;
  const query = db('units').where((either) => {
    either.where((all) => {
      for (const word of words) {
        // A letter alone is the grade at which a unit is sold.
        if (grade && word === grade.toLowerCase()) {
          all.where({ sale_grade: grade });
          continue;
        }
        const like = contains(word);
        all.where((any) => {
          any
            .whereRaw('words like ?', [like])
            .orWhereIn('model_id', modelsOf(word))
            .orWhereIn('parcel_id', db('parcels').select('id').whereRaw('lower(code) like ?', [like]))
            .orWhereIn('parcel_id', db('parcels').select('id').whereRaw('lower(supplier) like ?', [like]));
        });
      }
    });
    if (serial) either.orWhereRaw('words like ?', [contains(serial.toLowerCase())]);
  });
  return someOf(db, 'units', query, limit, unitOrder, (row: UnitRow) => toUnit(row));
}

export interface FoundLine {
  readonly parcelId: string;
  readonly parcelCode: string;
  readonly lineNo: number;
  readonly what: string;
  readonly serial: string;
}

/** Lines of lists that are still in the box, by serial. */
export async function findLines(db: Knex, serial: string | null, limit: number): Promise<Some<FoundLine>> {
  if (serial === null) return nothing;
  const query = db('parcel_lines as l')
    .join('parcels as p', 'p.id', 'l.parcel_id')
    .leftJoin('units as u', (join) => join.on('u.parcel_id', 'l.parcel_id').andOn('u.line_no', 'l.line_no'))
    .whereNull('u.id')
    .whereRaw(`replace(replace(upper(l.serial), '-', ''), ' ', '') like ?`, [contains(serial)])
    .select('l.parcel_id', 'p.code', 'l.line_no', 'l.maker', 'l.model', 'l.serial');
  type Row = { parcel_id: string; code: string; line_no: number; maker: string; model: string; serial: string };
  return fewOf(query, limit, 'p.code, l.line_no', (row: Row) => ({
    parcelId: row.parcel_id,
    parcelCode: row.code,
    lineNo: row.line_no,
    what: `${row.maker} ${row.model}`,
    serial: row.serial,
  }));
}

export interface FoundParcel {
  readonly id: string;
  readonly code: string;
  readonly supplier: string;
}

/** Parcels whose name or supplier has every word. */
export async function findParcels(db: Knex, words: readonly string[], limit: number): Promise<Some<FoundParcel>> {
  if (words.length === 0) return nothing;
  const query = db('parcels').select('id', 'code', 'supplier');
  for (const word of words)
    query.where((any) =>
      any.whereRaw('lower(code) like ?', [contains(word)]).orWhereRaw('lower(supplier) like ?', [contains(word)]),
    );
  return fewOf(query, limit, 'code', (row: FoundParcel) => row);
}

export interface FoundPerson {
  readonly id: string;
  readonly name: string;
}

/** People whose name has every word. */
export async function findPeople(db: Knex, words: readonly string[], limit: number): Promise<Some<FoundPerson>> {
  if (words.length === 0) return nothing;
  const query = db('people').select('id', 'name');
  for (const word of words) query.whereRaw('lower(name) like ?', [contains(word)]);
  return fewOf(query, limit, 'name', (row: FoundPerson) => row);
}

export interface FoundShipment {
  readonly tag: string;
  readonly recipient: string;
}

/** Shipments that have all the words in their tag or in who they went to, the latest first. */
export function findShipments(
  shipments: readonly SentShipment[],
  words: readonly string[],
  limit: number,
): Some<FoundShipment> {
  if (words.length === 0) return nothing;
  const hits = shipments.filter(({ shipment, recipient }) => {
    const names = [shipment, recipient].map((name) => name.toLowerCase());
    return words.every((word) => names.some((name) => name.includes(word)));
  });
  return {
    total: hits.length,
    hits: hits.slice(0, limit).map(({ shipment, recipient }) => ({ tag: shipment, recipient })),
  };
}
