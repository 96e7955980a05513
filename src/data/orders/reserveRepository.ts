import type { Knex } from 'knex';
import type { Reserve } from '@/core/matchPlan/problem';
import type { PartReserveRow } from '@/data/rows';

/** Parts that stay on the shelf whatever a plan could make of them. */
export async function partReserves(db: Knex): Promise<readonly Reserve[]> {
  const rows = (await db('part_reserves').orderBy('interchange')) as PartReserveRow[];
  return rows.map((row) => ({ of: row.interchange, atLeast: row.at_least, count: row.count }));
}

/** So many of a class stay from now on; none where it is none. */
export async function setReserve(
  db: Knex,
  { of, atLeast, count }: Reserve,
  set: { readonly at: Date; readonly by: string },
): Promise<void> {
  if (count === 0) {
    await db('part_reserves').where({ interchange: of }).delete();
    return;
  }
  await db('part_reserves')
    .insert({ interchange: of, at_least: atLeast, count, set_by: set.by, set_at: set.at })
    .onConflict('interchange')
    .merge();
}
