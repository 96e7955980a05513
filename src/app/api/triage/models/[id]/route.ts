import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { readDocument } from '@/services/triage/readTriage';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** A version of a model at today's prices, with what is known of it: what a unit of it is weighed by. */
export const GET = guardRoute<Context>('GET /api/triage/models/[id]', async (request, _person, { params }) => {
  const { id } = await params;
  const version = Number(request.nextUrl.searchParams.get('version'));
  const document = Number.isSafeInteger(version) ? await readDocument(database(), id, version, new Date()) : undefined;
  return document ? Response.json(document) : answerRefusal(refuse('unknown-model', { model: id.slice(0, 60) }), 404);
});
