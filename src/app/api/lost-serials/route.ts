import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { LostSerialsDto } from '@/dto/triage/LostSerialsDto';
import { reportLost } from '@/services/triage/reportLost';

/** Notes serials as reported lost: `{ serials: [...] }`. By a lead's word. */
export const POST = guardRoute('POST /api/lost-serials', async (request, person) => {
  const parsed = parseDto(LostSerialsDto, await request.json().catch(() => null));
  if (!parsed.ok) return answerRefusal(parsed);
  const noted = await reportLost(database(), parsed.value.serials, person, new Date());
  return noted.ok ? Response.json(noted.value) : answerRefusal(noted);
});
