import type { Knex } from 'knex';
import type { ShopChange } from '@/core/people/shopChange';
import type { ShopChangeRow } from '@/data/rows';

export interface RecordedChange extends ShopChange {
  readonly id: number;
  /** Name of who changed it. */
  readonly by: string;
  /** ISO in UTC. */
  readonly at: string;
}

export async function insertShopChange(
  trx: Knex,
  { kind, about, fields }: ShopChange,
  made: { readonly at: Date; readonly by: string },
): Promise<void> {
  await trx('shop_changes').insert({
    kind,
    about,
    fields: JSON.stringify(fields),
    changed_by: made.by,
    changed_at: made.at,
  });
}

/** The latest changes of people and benches, newest first. */
export async function latestShopChanges(db: Knex, limit: number): Promise<readonly RecordedChange[]> {
  const rows = (await db('shop_changes as c')
    .leftJoin('people as p', 'p.id', 'c.changed_by')
    .orderBy('c.id', 'desc')
    .limit(limit)
    .select('c.*', 'p.name')) as (ShopChangeRow & { name: string | null })[];
  return rows.map(({ id, kind, about, fields, changed_at, name }) => ({
    id,
    kind,
    about,
    fields,
    by: name ?? '',
    at: changed_at.toISOString(),
  }));
}
