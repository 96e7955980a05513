import { answerRefusal, guardRoute } from '@/app/access';
import { streamText } from '@/app/streamText';
import { database } from '@/data/connection';
import { parseHistory } from '@/dto/facts/HistoryDto';
import { exportFacts } from '@/services/facts/exportFacts';

/** The facts that are asked for, else every one, as CSV and in order, so that anybody can count again what the screens say. */
export const GET = guardRoute('GET /api/facts/export', async (request, { role }) => {
  const asked = parseHistory(Object.fromEntries(request.nextUrl.searchParams));
  if (!asked.ok) return answerRefusal(asked, 400);
  return streamText(exportFacts(database(), asked.value, role), 'facts.csv');
});
