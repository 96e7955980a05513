import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { ChangePersonDto } from '@/dto/people/peopleDtos';
import { changePerson } from '@/services/people/changePerson';

interface Context {
  readonly params: Promise<{ readonly id: string }>;
}

/** Changes what is said of a person. */
export const PUT = guardRoute<Context>('PUT /api/people/[id]', async (request, { id: by }, { params }) => {
  const asked = parseDto(ChangePersonDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const { expects, ...details } = asked.value;
  const outcome = await changePerson(database(), (await params).id, expects, details, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
