import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { takeInHand } from '@/services/triage/takeInHand';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Takes a unit in hand for two minutes, or says that somebody else has it. */
export const POST = guardRoute<Context>('POST /api/units/[id]/hold', async (_request, person, { params }) => {
  const { id } = await params;
  if (!/^[0-9a-f-]{36}$/.test(id)) return answerRefusal(refuse('not-found', { id: id.slice(0, 40) }), 404);
  return Response.json({ isMine: await takeInHand(database(), id, person, new Date()) });
});
