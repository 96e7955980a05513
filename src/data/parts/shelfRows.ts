import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import type { ShelfQuery, ShelfSort } from '@/core/shelf/shelfQuery';
import { contains } from '@/data/like';
import type { PartRow } from '@/data/rows';
import { totalOf } from '@/data/totalOf';
import { toPart } from './partRows';

/** Each order is that of an index which holds all that is asked for: see `shelfOrders`. */
const orders: Readonly<Record<ShelfSort, readonly (keyof PartRow | 'tag_no')[]>> = {
  bin: ['bin', 'tag_no'],
  kind: ['category', 'part_ref', 'model_id', 'grade', 'tag_no'],
  grade: ['grade', 'category', 'part_ref', 'tag_no'],
  age: ['stored_at', 'tag_no'],
};
const indexes: Readonly<Record<ShelfSort, string>> = {
  bin: 'parts_shelf',
  kind: 'parts_by_kind',
  grade: 'parts_by_grade',
  age: 'parts_by_age',
};

const mostWords = 6;

export interface ShelfRows {
  readonly parts: readonly Part[];
  readonly total: number;
}

/** The parts that a view of the shelf shows, not in any order. @param classes  that fit what the view asks for; null for any */
function shown(db: Knex, query: ShelfQuery, classes: readonly string[] | null): Knex.QueryBuilder {
  const { place, words, category, grade, bin, sort } = query;
  const found = db(db.raw('parts force index (??)', [indexes[sort]])).where({ place });
  // What was fetched already lies in no bin any more.
  if (place === 'assigned') found.whereNotNull('bin');
  if (category) found.where({ category });
  if (grade) found.where({ grade });
  if (classes) found.whereIn('interchange', [...classes]);
  if (bin) {
    if (/\d/.test(bin)) found.where({ bin });
    else found.where('bin', 'like', `${bin}__`);
  }
  const asked = words.toLowerCase().split(/\s+/).filter(Boolean).slice(0, mostWords);
  for (const word of asked) {
    if (/^[abcdx]$/.test(word)) found.where({ grade: word.toUpperCase() });
    else found.whereRaw('words like ?', [contains(word)]);
  }
  return found;
}

/**
 * Some rows of a view of the shelf, with how many it has in all. A word alone of one letter is a grade; all words must be in tag,
 * bin, part or class. Which parts they are is read from an index alone.
 *
 * @param classes  interchange classes that fit what is asked for; null for any
 * @param known  how many rows the view had when its first were read: they are not counted again, and a page nearer to the end is
 *   read from there
 */
export async function shelfRows(
  db: Knex,
  query: ShelfQuery,
  classes: readonly string[] | null,
  { from, limit, known }: { readonly from: number; readonly limit: number; readonly known?: number | undefined },
): Promise<ShelfRows> {
  const found = shown(db, query, classes);
  const isFromEnd = known !== undefined && from > known / 2;
  const direction = query.isDown === isFromEnd ? 'asc' : 'desc';
  const order = (prefix: string) =>
    orders[query.sort].map((column) => ({ column: `${prefix}${column}`, order: direction }) as const);
  const [offset, most] = isFromEnd
    ? [Math.max(0, known - from - limit), Math.max(0, Math.min(limit, known - from))]
    : [from, limit];
  const page = found.clone().select('id').orderBy(order('')).offset(offset).limit(most).as('page');
  const [rows, total] = await Promise.all([
    db(page).join('parts as p', 'p.id', 'page.id').orderBy(order('p.')).select('p.*') as unknown as Promise<PartRow[]>,
    known ?? countOf(found),
  ]);
  return { parts: (isFromEnd ? rows.reverse() : rows).map(toPart), total };
}

async function countOf(query: Knex.QueryBuilder): Promise<number> {
  const row = (await query.clone().clearSelect().count({ n: '*' }).first()) as { n: number } | undefined;
  return Number(row?.n ?? 0);
}

/** Parts that were set aside for units and still lie in their bins. */
export async function countToFetch(db: Knex): Promise<number> {
  const row = (await db('parts').where({ place: 'assigned' }).whereNotNull('bin').count({ n: '*' }).first()) as
    { n: number } | undefined;
  return Number(row?.n ?? 0);
}

/** The same, whole, with the unit that each is for. */
export async function partsToFetch(db: Knex, limit: number): Promise<readonly (Part & { readonly unitTag: string })[]> {
  const rows = (await db('parts as p')
    .leftJoin('units as u', 'u.id', 'p.assigned_to')
    .where('p.place', 'assigned')
    .whereNotNull('p.bin')
    .orderBy(['p.bin', 'p.tag_no'])
    .limit(limit)
    .select('p.*', 'u.tag as unit_tag')) as (PartRow & { unit_tag: string | null })[];
  return rows.map((row) => ({ ...toPart(row), unitTag: row.unit_tag ?? '' }));
}

/** Parts by their tags or in some bins, for a count. */
export async function partsForCount(
  db: Knex,
  bins: readonly string[],
  tags: readonly string[],
): Promise<readonly Part[]> {
  const [inBins, byTag] = (await Promise.all([
    db('parts').whereIn('bin', [...bins]),
    db('parts').whereIn('tag', [...tags]),
  ])) as [PartRow[], PartRow[]];
  return [...new Map([...inBins, ...byTag].map((row) => [row.id, toPart(row)])).values()];
}

/** Cells on the shelf that are due by a moment, those first that are due longest; with how many there are. */
export async function cellsDue(
  db: Knex,
  by: string,
  limit: number,
): Promise<{ readonly parts: readonly Part[]; readonly total: number }> {
  const due = db('parts').whereIn('place', ['shelf', 'reserved']).where('due_at', '<=', by);
  const rows = (await due.clone().orderBy(['due_at', 'tag_no']).limit(limit)) as PartRow[];
  return { parts: rows.map(toPart), total: await totalOf(due, 0, rows.length, limit) };
}

/** Classes of which parts lie on the shelf since before a moment, with how many and since when. */
export async function oldStock(
  db: Knex,
  before: string,
): Promise<readonly { readonly interchange: string; readonly count: number; readonly since: string }[]> {
  const rows = (await db('parts')
    .where({ place: 'shelf' })
    .where('stored_at', '<', before)
    .groupBy('interchange')
    .select('interchange', db.raw('count(*) as n'), db.raw('min(stored_at) as since'))) as {
    interchange: string;
    n: number;
    since: string;
  }[];
  return rows.map(({ interchange, n, since }) => ({ interchange, count: Number(n), since }));
}
