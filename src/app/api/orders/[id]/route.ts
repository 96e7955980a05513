import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { closeOrder } from '@/data/orders/orderRepository';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** An order is done, or called off: plans keep to it no more. */
export const DELETE = guardRoute<Context>('DELETE /api/orders/[id]', async (_request, _person, { params }) => {
  const { id } = await params;
  const isThere = await closeOrder(database(), id.slice(0, 36), new Date());
  return isThere ? Response.json({}) : answerRefusal(refuse('not-found', { id: id.slice(0, 36) }), 404);
});
