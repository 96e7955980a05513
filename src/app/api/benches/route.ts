import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { BenchDto } from '@/dto/people/peopleDtos';
import { saveBench } from '@/services/people/saveBench';

/** Adds a bench. */
export const POST = guardRoute('POST /api/benches', async (request, { id: by }) => {
  const asked = parseDto(BenchDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  const outcome = await saveBench(database(), null, asked.value, { at: new Date(), by });
  return outcome.ok ? Response.json(outcome.value) : answerRefusal(outcome);
});
