import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { saveBenchWait } from '@/data/instruments/benchWaits';
import { WaitDto } from '@/dto/instruments/WaitDto';
import { parseDto } from '@/dto/parseDto';

/** What the page at this bench waits for from its instruments. */
export const PUT = guardRoute('PUT /api/instruments/wait', async (request, { bench }) => {
  const asked = parseDto(WaitDto, await request.json().catch(() => null));
  if (!asked.ok) return answerRefusal(asked, 400);
  await saveBenchWait(database(), bench, asked.value, new Date());
  return Response.json({});
});
