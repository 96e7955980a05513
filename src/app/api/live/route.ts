import { guardRoute } from '@/app/access';
import { positionFeed } from './positionFeed';

export const dynamic = 'force-dynamic';
const heartbeatMs = 20_000;

/** A stream that says whenever the log grew, and what the new facts are about. */
export const GET = guardRoute('viewer', async (request) => {
  const encoder = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (text: string) => controller.enqueue(encoder.encode(text));
      say(': here\n\n');
      const stop = positionFeed().listen((news) => say(`event: news\ndata: ${JSON.stringify(news)}\n\n`));
      const beat = setInterval(() => say(': still here\n\n'), heartbeatMs);
      let isOver = false;
      end = () => {
        if (isOver) return;
        isOver = true;
        stop();
        clearInterval(beat);
        try {
          controller.close();
        } catch {
          // The other side closed it first.
        }
      };
      request.signal.addEventListener('abort', end);
    },
    cancel: () => end(),
  });
  return new Response(stream, {
    headers: {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      connection: 'keep-alive',
    },
  });
});
