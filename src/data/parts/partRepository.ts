import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import type { PartPlace } from '@/core/entities/stages';
import { byTag } from '@/core/shared/tags';
import type { PartRow } from '@/data/rows';
import { toPart } from './partRows';

/** All parts at some places, by the number of their tag. */
export async function partsAt(db: Knex, places: readonly PartPlace[]): Promise<readonly Part[]> {
  // Each place by itself has an index in that order; several at once would be read from end to end.
  const lists = await Promise.all(
    places.map((place) => db('parts').where({ place }).orderBy('tag_no') as unknown as Promise<PartRow[]>),
  );
  const parts = lists.flat().map(toPart);
  return places.length > 1 ? parts.sort(byTag) : parts;
}

/** Cells on their chargers, also those that are done; the one that is done first, first. */
export async function cellsOnChargers(db: Knex): Promise<readonly Part[]> {
  return ((await db('parts').whereNotNull('conditioned_at').orderBy('conditioned_at')) as PartRow[]).map(toPart);
}

export async function partsOfUnit(db: Knex, unitId: string): Promise<readonly Part[]> {
  const rows = (await db('parts')
    .where({ unit_id: unitId })
    .orWhere({ assigned_to: unitId })
    .orderBy('tag_no')) as PartRow[];
  return rows.map(toPart);
}

/** The parts that came out of a unit, locked so that a fact may change them. */
export async function lockPartsFreedFrom(trx: Knex, unitId: string): Promise<readonly Part[]> {
  const rows = (await trx('parts').where({ unit_id: unitId }).orderBy('id').forUpdate()) as PartRow[];
  return rows.map(toPart);
}

export async function partsAssignedTo(db: Knex, unitIds: readonly string[]): Promise<readonly Part[]> {
  const rows = (await db('parts').whereIn('assigned_to', unitIds).orderBy('tag_no')) as PartRow[];
  return rows.map(toPart);
}

export async function partsFreedFrom(db: Knex, unitIds: readonly string[]): Promise<readonly Part[]> {
  const rows = (await db('parts').whereIn('unit_id', unitIds).orderBy('tag_no')) as PartRow[];
  return rows.map(toPart);
}

export async function partsById(db: Knex, ids: readonly string[]): Promise<readonly Part[]> {
  return ((await db('parts').whereIn('id', ids)) as PartRow[]).map(toPart);
}

export async function findPart(db: Knex, where: Partial<Pick<PartRow, 'id' | 'tag'>>): Promise<Part | undefined> {
  const row = (await db('parts').where(where).first()) as PartRow | undefined;
  return row && toPart(row);
}

/** Parts of one class and grade; assemblies with just these parts on them, of one model. */
export interface ShelfKind {
  readonly interchange: string;
  readonly grade: string;
  readonly whole?: { readonly modelId: string; readonly carries: readonly string[] };
}

const kindsAtOnce = 60;

/**
 * Of every kind the parts on the shelf with the lowest tags: all parts of one kind are worth the same to a slot, and the
 * oldest goes first.
 *
 * @param most  of each kind
 */
export async function oldestOnShelf(db: Knex, kinds: readonly ShelfKind[], most: number): Promise<readonly Part[]> {
  const found: Part[] = [];
  for (let from = 0; from < kinds.length; from += kindsAtOnce) {
    const queries = kinds.slice(from, from + kindsAtOnce).map(({ interchange, grade, whole }) => {
      const query = db('parts')
        .where({ place: 'shelf', interchange, grade })
        .orderBy('tag_no')
        .limit(most)
        .select('id');
      if (whole) query.where({ model_id: whole.modelId, carries: JSON.stringify(whole.carries) });
      else query.where({ carries: '[]' });
      return query;
    });
    const rows = (await db('parts').whereIn('id', (union) => {
      union.select('id').from(db.unionAll(queries, true).as('oldest'));
    })) as PartRow[];
    found.push(...rows.map(toPart));
  }
  return found.sort(byTag);
}

/** Parts that are kept for some unit: on the shelf, and those that were promised and are on their way there. */
export async function partsKeptForUnits(db: Knex): Promise<readonly Part[]> {
  const rows = (await db('parts')
    .whereIn('place', ['grade', 'to-shelve', 'reserved'])
    .where('reserved_for', 'like', 'U-%')) as PartRow[];
  return rows.map(toPart).sort(byTag);
}

/** Parts on the shelf that are kept for one of these units. @param tags  of the units */
export async function partsKeptFor(db: Knex, tags: readonly string[]): Promise<readonly Part[]> {
  const rows = (await db('parts').where({ place: 'reserved' }).whereIn('reserved_for', tags)) as PartRow[];
  return rows.map(toPart).sort(byTag);
}
