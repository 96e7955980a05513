import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { DoerDto } from '@/dto/people/peopleDtos';
import { correctDoer } from '@/services/people/correctDoer';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Says who really did something that was recorded under another's sign-in. */
export const PUT = guardRoute<Context>('PUT /api/facts/[id]/doer', async (request, { id: by }, { params }) => {
  const asked = parseDto(DoerDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const outcome = await correctDoer(database(), (await params).id, asked.value.personId, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
