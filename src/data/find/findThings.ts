import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import type { FindQuery, PartKindId } from '@/core/find/readQuery';
import { contains, startsWith } from '@/data/like';
import { toPart } from '@/data/parts/partRows';
import type { PartRow, UnitRow } from '@/data/rows';
import { toUnit } from '@/data/units/unitRows';

/** The first of what was found, and how many there are in all. */
export interface Some<T> {
  readonly hits: readonly T[];
  readonly total: number;
}

async function someOf<R, T>(query: Knex.QueryBuilder, limit: number, order: string, read: (row: R) => T) {
  const [rows, counted] = await Promise.all([
    query.clone().orderByRaw(order).limit(limit) as Promise<R[]>,
    query.clone().clearSelect().count({ n: '*' }).first() as Promise<{ n: number } | undefined>,
  ]);
  return { hits: rows.map(read), total: counted?.n ?? 0 } satisfies Some<T>;
}

/** What can be taken first, then what is under way, then what is gone; the best grade first. */
const partOrder = `field(place, 'shelf', 'to-shelve', 'grade', 'assigned', 'hazard', 'scrap'), grade, tag_no`;
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
  return someOf(query, limit, partOrder, (row: PartRow) => toPart(row));
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
            .whereRaw('lower(tag) like ?', [like])
            .orWhereRaw('lower(serial) like ?', [like])
            .orWhereIn('model_id', modelsOf(word))
            .orWhereIn('parcel_id', db('parcels').select('id').whereRaw('lower(code) like ?', [like]))
            .orWhereIn('parcel_id', db('parcels').select('id').whereRaw('lower(supplier) like ?', [like]));
        });
      }
    });
    if (serial) either.orWhereRaw(`replace(replace(upper(serial), '-', ''), ' ', '') like ?`, [contains(serial)]);
  });
  return someOf(query, limit, unitOrder, (row: UnitRow) => toUnit(row));
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
  return someOf(query, limit, 'p.code, l.line_no', (row: Row) => ({
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
  return someOf(query, limit, 'code', (row: FoundParcel) => row);
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
  return someOf(query, limit, 'name', (row: FoundPerson) => row);
}

export interface FoundShipment {
  readonly tag: string;
  readonly recipient: string;
}

/** Shipments by their tag or by who they went to. */
export async function findShipments(db: Knex, words: readonly string[], limit: number): Promise<Some<FoundShipment>> {
  if (words.length === 0) return nothing;
  const query = db('facts as e')
    .join('units as u', 'u.id', 'e.subject_id')
    .where('e.type', 'unit-sent')
    .whereNotNull('u.shipment')
    .select({ tag: 'u.shipment', recipient: db.raw(`json_value(e.payload, '$.recipient')`) })
    .distinct();
  for (const word of words)
    query.where((any) =>
      any
        .whereRaw('lower(u.shipment) like ?', [contains(word)])
        .orWhereRaw(`lower(json_value(e.payload, '$.recipient')) like ?`, [contains(word)]),
    );
  const rows = (await query.orderByRaw('length(tag) desc, tag desc').limit(limit + 1)) as FoundShipment[];
  return { hits: rows.slice(0, limit), total: rows.length };
}
