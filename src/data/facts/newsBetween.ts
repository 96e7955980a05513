import type { Knex } from 'knex';
import type { News } from '@/core/shop/news';
import type { FactRow } from '@/data/rows';

/** More than this is not told one by one. */
const mostTold = 60;

/** What the facts after one position of the log, up to another, are about. */
export async function newsBetween(db: Knex, after: number, upTo: number): Promise<News> {
  if (upTo - after > mostTold) return null;
  const rows = (await db('facts as e')
    .leftJoin('units as u', 'u.id', 'e.unit_id')
    .where('e.position', '>', after)
    .where('e.position', '<=', upTo)
    .orderBy('e.position')
    .select('e.type', 'e.part_id', 'e.touched', { unit: 'u.tag' })) as (Pick<
    FactRow,
    'type' | 'part_id' | 'touched'
  > & {
    unit: string | null;
  })[];
  return rows.map(({ type, part_id, touched, unit }) => ({
    unit,
    isOfPart: part_id !== null,
    turnsTimer:
      type === 'wait-begun' ||
      // What is taken back may have been a wait.
      type === 'undone' ||
      touched.some(({ before }) => before !== null && 'timer' in before && before.timer !== null),
  }));
}
