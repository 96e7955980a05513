import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { endOffer } from '@/data/orders/offerRepository';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** An offer holds no more. */
export const DELETE = guardRoute<Context>('DELETE /api/offers/[id]', async (_request, _person, { params }) => {
  const { id } = await params;
  const isThere = await endOffer(database(), id.slice(0, 36), new Date());
  return isThere ? Response.json({}) : answerRefusal(refuse('not-found', { id: id.slice(0, 36) }), 404);
});
