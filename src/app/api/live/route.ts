import { guardRoute } from '@/app/access';
import { liveStream } from './liveStream';
import { positionFeed } from './positionFeed';

export const dynamic = 'force-dynamic';

/** A stream that says whenever the log grew: what the new facts are about, and how much lies at every stage now. */
export const GET = guardRoute(
  'GET /api/live',
  async (request) =>
    new Response(liveStream(positionFeed(), request.signal), {
      headers: {
        'content-type': 'text/event-stream',
        'cache-control': 'no-cache, no-transform',
        connection: 'keep-alive',
      },
    }),
);
