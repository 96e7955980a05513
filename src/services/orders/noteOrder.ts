import type { Knex } from 'knex';
import type { CustomerOrder } from '@/core/matching/orders';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { findModel, newestVersion } from '@/data/models/modelRepository';
import { insertOrder } from '@/data/orders/orderRepository';

/** Notes what somebody has ordered. @refuses 'unknown-model' for a model or a variant that the library has not */
export async function noteOrder(
  db: Knex,
  order: CustomerOrder,
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<null>> {
  const version = await newestVersion(db, order.modelId);
  const model = version === undefined ? undefined : await findModel(db, order.modelId, version);
  const hasVariant = order.variant === null || model?.variants.some(({ id }) => id === order.variant);
  if (!model || !hasVariant) return refuse('unknown-model', { model: order.modelId });
  await insertOrder(db, order, made);
  return accept(null);
}
