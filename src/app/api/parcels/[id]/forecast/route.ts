import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { readForecastGround } from '@/services/dock/readForecastGround';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** What the browser computes a parcel’s forecast from; null for one that is not here, or not yet. */
export const GET = guardRoute<Context>('GET /api/parcels/[id]/forecast', async (_request, _person, { params }) => {
  const { id } = await params;
  return Response.json((await readForecastGround(database(), id, new Date())) ?? null);
});
