import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { writeGraphml } from '@/files/writeGraphml';
import { readModel } from '@/services/models/readModel';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** The procedure of the newest version as GraphML. */
export const GET = guardRoute<Context>('GET /api/models/[id]/graph', async (_request, _person, { params }) => {
  const { id } = await params;
  const model = await readModel(database(), id);
  if (!model) return answerRefusal(refuse('unknown-model', { model: id.slice(0, 60) }), 404);
  return new Response(writeGraphml(model), { headers: { 'content-type': 'application/graphml+xml' } });
});
