import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { revokeInstrumentKey } from '@/data/instruments/instrumentKeys';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** An instrument speaks to this bench no more. */
export const DELETE = guardRoute<Context>(
  'DELETE /api/instruments/keys/[id]',
  async (_request, { bench }, { params }) => {
    const { id } = await params;
    const isThere = await revokeInstrumentKey(database(), bench, id.slice(0, 36), new Date());
    return isThere ? Response.json({}) : answerRefusal(refuse('not-found', { id: id.slice(0, 36) }), 404);
  },
);
