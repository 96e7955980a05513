import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { exportFacts } from '@/services/facts/exportFacts';

/** Every fact as CSV, in order, so that anybody can count again what the screens say. */
export const GET = guardRoute('viewer', async () => {
  const lines = exportFacts(database());
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
