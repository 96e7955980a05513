import { remembered } from '@/core/shared/remembered';
import type { LiveMessage } from '@/services/line/readLine';

const heartbeatMs = 20_000;
/** Who has not read so many messages is not there any more, or will be quicker with the page than with all of them. */
const mostUnread = 50;

const encoder = new TextEncoder();
/** Written once for all who listen. */
const asEvent = remembered((message: LiveMessage) =>
  encoder.encode(`event: news\ndata: ${JSON.stringify(message)}\n\n`),
);

/** Whoever tells messages until it is told to stop. */
export interface Feed {
  readonly listen: (listener: (message: LiveMessage) => void) => () => void;
}

/**
 * The messages of a feed as server-sent events, with a sign of life now and then. It ends when the other side is gone, and when
 * it does not read: nothing heaps up here for somebody who never comes for it. A browser that was only slow connects anew, and
 * reads its screen again then.
 */
export function liveStream(feed: Feed, gone: AbortSignal): ReadableStream<Uint8Array> {
  let end = () => {};
  return new ReadableStream<Uint8Array>(
    {
      start(controller) {
        const say = (bytes: Uint8Array) => {
          if ((controller.desiredSize ?? 0) <= 0) end();
          else controller.enqueue(bytes);
        };
        say(encoder.encode(': here\n\n'));
        const stop = feed.listen((message) => say(asEvent(message)));
        const beat = setInterval(() => say(encoder.encode(': still here\n\n')), heartbeatMs);
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
        gone.addEventListener('abort', end);
      },
      cancel: () => end(),
    },
    new CountQueuingStrategy({ highWaterMark: mostUnread }),
  );
}
