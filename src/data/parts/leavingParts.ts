import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import type { PartCategory } from '@/core/procedure/vocabulary';
import type { PartRow } from '@/data/rows';
import { toPart } from './partRows';

const leaving = ['scrap', 'hazard'] as const;

/** How many scrapped and hazardous parts wait for whoever takes them, by place and kind of part. */
export async function countLeaving(
  db: Knex,
): Promise<
  readonly { readonly place: (typeof leaving)[number]; readonly category: PartCategory; readonly count: number }[]
> {
  const rows = (await db('parts')
    .whereIn('place', [...leaving])
    .groupBy('place', 'category')
    .select('place', 'category', db.raw('count(*) as n'))) as {
    place: (typeof leaving)[number];
    category: PartCategory;
    n: number;
  }[];
  return rows.map(({ place, category, n }) => ({ place, category, count: Number(n) }));
}

/** Some of them, those of some kinds of part at one place, by the number of their tag. */
export async function partsLeaving(
  db: Knex,
  place: (typeof leaving)[number],
  categories: readonly PartCategory[],
  limit: number,
): Promise<readonly Part[]> {
  const rows = (await db('parts')
    .where({ place })
    .whereIn('category', [...categories])
    .orderBy('tag_no')
    .limit(limit)) as PartRow[];
  return rows.map(toPart);
}
