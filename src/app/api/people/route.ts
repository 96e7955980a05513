import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { AddPersonDto } from '@/dto/people/peopleDtos';
import { addPerson } from '@/services/people/addPerson';

/** Adds a person; the answer carries their PIN, this once. */
export const POST = guardRoute('POST /api/people', async (request, { id: by }) => {
  const asked = parseDto(AddPersonDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const outcome = await addPerson(database(), asked.value, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
