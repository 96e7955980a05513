import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseDto } from '@/dto/parseDto';
import { CountDto } from '@/dto/shelf/CountDto';
import { countBins } from '@/services/shelf/countBins';

/** What was seen in some bins, held against what is booked. Nothing is changed by it. */
export const POST = guardRoute('POST /api/shelf/counts', async (request) => {
  const asked = parseDto(CountDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  return Response.json(await countBins(database(), asked.value.bins, asked.value.seen));
});
