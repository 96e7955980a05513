import type { Knex } from 'knex';
import type { CustomerOrder } from '@/core/matching/orders';
import type { CustomerOrderRow } from '@/data/rows';

/** Orders that are open, what is due first, first. */
export async function openOrders(db: Knex): Promise<readonly CustomerOrder[]> {
  const rows = (await db('customer_orders')
    .whereNull('closed_at')
    .orderByRaw('due_on is null, due_on, made_at, id')) as CustomerOrderRow[];
  return rows.map(toOrder);
}

/** Sent twice it is one. */
export async function insertOrder(
  db: Knex,
  order: CustomerOrder,
  made: { readonly at: Date; readonly by: string },
): Promise<void> {
  await db('customer_orders')
    .insert({
      id: order.id,
      customer: order.customer,
      model_id: order.modelId,
      variant: order.variant,
      at_least: order.atLeast,
      count: order.count,
      due_on: order.dueOn,
      extra_cents: order.extraCents,
      miss_cents: order.missCents,
      is_firm: order.isFirm,
      made_by: made.by,
      made_at: made.at,
    })
    .onConflict('id')
    .ignore();
}

/** Done, or called off. @returns false where there is none such that is open */
export async function closeOrder(db: Knex, id: string, now: Date): Promise<boolean> {
  return (await db('customer_orders').where({ id }).whereNull('closed_at').update({ closed_at: now })) > 0;
}

const toOrder = (row: CustomerOrderRow): CustomerOrder => ({
  id: row.id,
  customer: row.customer,
  modelId: row.model_id,
  variant: row.variant,
  atLeast: row.at_least,
  count: row.count,
  dueOn: row.due_on,
  extraCents: row.extra_cents,
  missCents: row.miss_cents,
  isFirm: row.is_firm === 1,
});
