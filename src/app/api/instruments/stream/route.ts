import { guardRoute } from '@/app/access';
import { database } from '@/data/connection';
import { lastReadings, readingsAfter, type HeardReading } from '@/data/instruments/instrumentReadings';

export const dynamic = 'force-dynamic';

const lookMs = 200;
const beatMs = 20_000;
const atOnce = 200;

/** What the instruments of this bench say from now on, as server-sent events: from whichever server took it in. */
export const GET = guardRoute('GET /api/instruments/stream', async (request, { bench }) => {
  const db = database();
  const encoder = new TextEncoder();
  let after = (await lastReadings(db, bench, 1))[0]?.no ?? 0;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let lastBeat = Date.now();
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const end = () => {
        clearTimeout(timer);
        try {
          controller.close();
        } catch {
          // The other side closed it first.
        }
      };
      request.signal.addEventListener('abort', end);
      const look = async () => {
        // A database that is away is looked for again.
        const heard = await readingsAfter(db, bench, after, atOnce).catch((): readonly HeardReading[] => []);
        if (request.signal.aborted) return;
        after = heard.at(-1)?.no ?? after;
        const isBeat = Date.now() - lastBeat > beatMs;
        if (heard.length > 0 || isBeat) lastBeat = Date.now();
        if (heard.length > 0)
          controller.enqueue(encoder.encode(heard.map((one) => `data: ${JSON.stringify(one)}\n\n`).join('')));
        else if (isBeat) controller.enqueue(encoder.encode(': still here\n\n'));
        timer = setTimeout(() => void look(), lookMs);
      };
      controller.enqueue(encoder.encode(': here\n\n'));
      void look();
    },
    cancel: () => clearTimeout(timer),
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      connection: 'keep-alive',
    },
  });
});
