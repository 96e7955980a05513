import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { PutAwayDto } from '@/dto/people/PutAwayDto';
import { putAway } from '@/services/people/putAway';

/** Puts a guide away for the person who asks. */
export const POST = guardRoute('POST /api/put-away', async (request, person) => {
  const asked = parseDto(PutAwayDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  await putAway(database(), person.id, asked.value.guide);
  return Response.json({});
});
