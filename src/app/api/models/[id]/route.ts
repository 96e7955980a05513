import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { readModel } from '@/services/models/readModel';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** A model as its document. `?version=` names an older one. */
export const GET = guardRoute<Context>('GET /api/models/[id]', async (request, _person, { params }) => {
  const { id } = await params;
  const version = request.nextUrl.searchParams.get('version');
  const wanted = version === null ? undefined : Number(version);
  const model =
    wanted === undefined || Number.isSafeInteger(wanted) ? await readModel(database(), id, wanted) : undefined;
  if (!model) return answerRefusal(refuse('unknown-model', { model: id.slice(0, 60) }), 404);
  // A published version never changes; without a number it is whatever is newest.
  const keeps = version === null ? 'no-cache' : 'private, max-age=31536000, immutable';
  return new Response(`${JSON.stringify(model, null, 2)}\n`, {
    headers: { 'content-type': 'application/json', 'cache-control': keeps },
  });
});
