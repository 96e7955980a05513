import type { Knex } from 'knex';

/** How many parts of each class are kept for somebody. */
export async function reservedByClass(db: Knex): Promise<ReadonlyMap<string, number>> {
  const rows = (await db('parts')
    .where({ place: 'reserved' })
    .groupBy('interchange')
    .select('interchange', db.raw('count(*) as n'))) as { interchange: string; n: number }[];
  return new Map(rows.map(({ interchange, n }) => [interchange, Number(n)]));
}
