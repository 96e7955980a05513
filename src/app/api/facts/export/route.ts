import { answerRefusal, guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { parseHistory } from '@/dto/facts/HistoryDto';
import { exportFacts } from '@/services/facts/exportFacts';

/** The facts that are asked for, else every one, as CSV and in order, so that anybody can count again what the screens say. */
export const GET = guardRoute('viewer', async (request) => {
  const asked = parseHistory(Object.fromEntries(request.nextUrl.searchParams));
  if (!asked.ok) return answerRefusal(asked, 400);
  const lines = exportFacts(database(), asked.value);
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value, done } = await lines.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="facts.csv"' },
  });
});
