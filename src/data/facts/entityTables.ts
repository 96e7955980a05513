import type { Knex } from 'knex';
import type { Entities, EntityKind } from '@/core/entities/entities';
import { fromLine, fromParcel, toLine, toParcel } from '@/data/parcels/parcelRows';
import { fromPart, toPart } from '@/data/parts/partRows';
import type { ParcelLineRow, ParcelRow, PartRow, UnitRow } from '@/data/rows';
import { fromUnit, toUnit } from '@/data/units/unitRows';

interface Rows {
  parcel: ParcelRow;
  line: ParcelLineRow;
  unit: UnitRow;
  part: PartRow;
}

type EntityTable<K extends EntityKind> = {
  readonly table: string;
  readonly read: (row: Rows[K]) => Entities[K];
  readonly write: (entity: Entities[K]) => object;
};

/** Which table holds which kind of thing, and how a row becomes a thing and back. */
export const entityTables: { readonly [K in EntityKind]: EntityTable<K> } = {
  parcel: { table: 'parcels', read: toParcel, write: fromParcel },
  line: { table: 'parcel_lines', read: toLine, write: fromLine },
  unit: { table: 'units', read: toUnit, write: fromUnit },
  part: { table: 'parts', read: toPart, write: fromPart },
};

/** Everything there is of one kind. */
export async function allEntities<K extends EntityKind>(db: Knex, kind: K): Promise<Entities[K][]> {
  const { table, read } = entityTables[kind];
  return ((await db(table)) as Rows[K][]).map(read);
}

/** Things by id, locked for the caller's transaction when asked. */
export async function findEntities<K extends EntityKind>(
  db: Knex,
  kind: K,
  ids: readonly string[],
  lock: boolean,
): Promise<Entities[K][]> {
  if (ids.length === 0) return [];
  const { table, read } = entityTables[kind];
  const query = db(table).whereIn('id', ids).orderBy('id');
  const rows = (await (lock ? query.forUpdate() : query)) as Rows[K][];
  return rows.map(read);
}
