import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { readForecastGround } from '@/services/dock/readForecastGround';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** What the browser computes a parcel’s forecast from. */
export const GET = guardRoute<Context>('viewer', async (_request, _person, { params }) => {
  const { id } = await params;
  const ground = await readForecastGround(database(), id, new Date());
  return ground ? Response.json(ground) : answerRefusal(refuse('not-found', { id: id.slice(0, 40) }), 404);
});
