import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import type { PartPlace } from '@/core/entities/stages';
import { byTag } from '@/core/shared/tags';
import type { PartRow } from '@/data/rows';
import { contains } from '@/data/like';
import { totalOf } from '@/data/totalOf';
import { toPart } from './partRows';

/** All parts at some places, by the number of their tag. */
export async function partsAt(db: Knex, places: readonly PartPlace[]): Promise<readonly Part[]> {
  const rows = (await db('parts').whereIn('place', places).orderBy('tag_no')) as PartRow[];
  return rows.map(toPart);
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

const mostWords = 6;

export interface ShelfQuery {
  readonly words: string;
  readonly from: number;
  readonly limit: number;
}

/**
 * Shelf parts whose tag, bin, class or name has all the words (a letter alone is a grade), by bin and tag, with how many there
 * are in all; null where all are meant. Which they are is read from an index alone.
 */
export async function searchShelf(
  db: Knex,
  { words, from, limit }: ShelfQuery,
): Promise<{ readonly parts: readonly Part[]; readonly total: number | null }> {
  const found = db('parts').where({ place: 'shelf' });
  const asked = words.toLowerCase().split(/\s+/).filter(Boolean).slice(0, mostWords);
  for (const word of asked) {
    if (/^[abcd]$/.test(word)) found.where({ grade: word.toUpperCase() });
    else found.whereRaw('words like ?', [contains(word)]);
  }
  const page = found.clone().select('id').orderBy(['bin', 'tag_no']).offset(from).limit(limit).as('page');
  const rows = (await db(page)
    .join('parts as p', 'p.id', 'page.id')
    .orderBy(['p.bin', 'p.tag_no'])
    .select('p.*')) as PartRow[];
  const total = asked.length === 0 ? null : await totalOf(found, from, rows.length, limit);
  return { parts: rows.map(toPart), total };
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
