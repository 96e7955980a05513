import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { renewPin } from '@/services/people/renewPin';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Gives a person a new PIN; the answer carries it, this once. */
export const POST = guardRoute<Context>('POST /api/people/[id]/pin', async (_, { id: by }, { params }) => {
  const outcome = await renewPin(database(), (await params).id, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
