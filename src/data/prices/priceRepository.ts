import type { Knex } from 'knex';
import type { Price } from '@/core/prices/priceList';
import type { PriceRow } from '@/data/rows';

export interface RecordedPrice extends Price {
  readonly id: number;
  /** Name of who set it. */
  readonly by: string;
  /** ISO in UTC. */
  readonly at: string;
}

const toPrice = ({ model_id, part_ref, cents, from_day }: PriceRow): Price => ({
  modelId: model_id,
  partRef: part_ref,
  cents,
  fromDay: from_day,
});

/** Every price that was ever set, in the order in which they were set. */
export async function listPrices(db: Knex): Promise<readonly Price[]> {
  return ((await db('prices').orderBy('id')) as PriceRow[]).map(toPrice);
}

/** Prices of one model with who set them, newest first. */
export async function pricesOfModel(db: Knex, modelId: string): Promise<readonly RecordedPrice[]> {
  const rows = (await db('prices as c')
    .leftJoin('people as p', 'p.id', 'c.set_by')
    .where('c.model_id', modelId)
    .orderBy('c.id', 'desc')
    .select('c.*', 'p.name')) as (PriceRow & { name: string | null })[];
  return rows.map((row) => ({ ...toPrice(row), id: row.id, by: row.name ?? '', at: row.set_at.toISOString() }));
}

/** A price is added and never changed: going back is to set the earlier one again. */
export async function insertPrice(
  trx: Knex,
  { modelId, partRef, cents, fromDay }: Price,
  made: { readonly at: Date; readonly by: string },
): Promise<void> {
  await trx('prices').insert({
    model_id: modelId,
    part_ref: partRef,
    cents: JSON.stringify(cents),
    from_day: fromDay,
    set_by: made.by,
    set_at: made.at,
  });
}
