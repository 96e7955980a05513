import { answerRefusal, guardRoute } from '@/app/access';
import { refuse } from '@/core/shared/outcome';
import { database } from '@/data/connection';
import { revokeReadKey } from '@/data/reading/readKeyRepository';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Revokes a key: the program that carries it reads no more. */
export const DELETE = guardRoute<Context>('DELETE /api/read-keys/[id]', async (_, __, { params }) => {
  const { id } = await params;
  return (await revokeReadKey(database(), id, new Date()))
    ? Response.json({})
    : answerRefusal(refuse('not-found', { id }), 404);
});
