import type { Knex } from 'knex';
import type { CustomerOrder } from '@/core/matching/orders';
import { lastPosition } from '@/data/facts/factRepository';
import { newestModels } from '@/data/models/modelRepository';
import { openOrders } from '@/data/orders/orderRepository';

/** What can be ordered: a model with one of its variants. */
export interface Sellable {
  readonly modelId: string;
  readonly variant: string | null;
  readonly name: string;
}

export interface OrdersView {
  readonly orders: readonly CustomerOrder[];
  readonly sellable: readonly Sellable[];
  /** Up to where the log was read: a plan from before does not know what came since. */
  readonly position: number;
}

/** What was ordered and what could be, and how far the log has come. */
export async function readOrders(db: Knex): Promise<OrdersView> {
  const [orders, models, position] = await Promise.all([openOrders(db), newestModels(db), lastPosition(db)]);
  const sellable = models.flatMap(({ id, maker, name, variants }): readonly Sellable[] =>
    variants.length === 0
      ? [{ modelId: id, variant: null, name: `${maker} ${name}` }]
      : variants.map((variant) => ({ modelId: id, variant: variant.id, name: `${maker} ${name} · ${variant.name}` })),
  );
  return { orders, sellable: sellable.toSorted((a, b) => a.name.localeCompare(b.name)), position };
}
