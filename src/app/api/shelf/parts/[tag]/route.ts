import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { readFits } from '@/services/shelf/readFits';
import { readThing } from '@/services/things/readThing';

interface Context {
  readonly params: Promise<{ readonly tag: string }>;
}

/** A part on the shelf: its story, where it fits, and who wants one like it. */
export const GET = guardRoute<Context>('GET /api/shelf/parts/[tag]', async (_request, _person, { params }) => {
  const tag = (await params).tag.slice(0, 20);
  const now = new Date();
  const thing = await readThing(database(), tag, now);
  if (thing?.kind !== 'part') return answerRefusal(refuse('unknown-tag', { tag }), 404);
  return Response.json({ thing, ...(await readFits(database(), thing.part, now)) });
});
