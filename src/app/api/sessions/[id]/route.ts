import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { closeSessionById } from '@/services/people/closeSession';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Signs somebody out, wherever that is. */
export const DELETE = guardRoute<Context>('DELETE /api/sessions/[id]', async (_, __, { params }) => {
  const outcome = await closeSessionById(database(), (await params).id);
  return outcome.ok ? Response.json({}) : answerRefusal(outcome, 404);
});
