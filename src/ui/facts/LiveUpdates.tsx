'use client';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { concerns } from '@/core/shop/news';
import type { LiveMessage } from '@/services/line/readLine';
import { tellLine } from '@/ui/live/lineNow';
import { leastGapMs } from '@/ui/live/refresher';
import { useRefresher } from '@/ui/live/useRefresher';
import { useShopStore } from './ShopProvider';

const channelName = 'plucky-live';

/**
 * Refreshes the screen when something happened at any bench that concerns it. One tab of the browser holds the stream and
 * tells the others, since a browser opens only six connections to a host.
 */
export function LiveUpdates() {
  const { news } = useRefresher();
  const store = useShopStore();
  const path = usePathname();
  const here = useRef(path);
  // News that did not concern the screen it came to: the next one is read again, whatever the browser still has of it.
  const isOwed = useRef(false);
  useEffect(() => {
    here.current = path;
    if (!isOwed.current) return;
    isOwed.current = false;
    news();
  }, [path, news]);
  useEffect(() => {
    const channel = new BroadcastChannel(channelName);
    const onNews = ({ news: told, line, gapMs }: LiveMessage) => {
      // Whoever brings news has reached the server.
      store.setKeptAt(null);
      if (line) tellLine(line);
      if (concerns(here.current, told)) news(gapMs);
      else isOwed.current = true;
    };
    channel.onmessage = ({ data }: MessageEvent<LiveMessage>) => onNews(data);

    const leave = new AbortController();
    let stream: EventSource | undefined;
    const listen = () => {
      stream = new EventSource('/api/live');
      const tell = (told: LiveMessage) => {
        channel.postMessage(told);
        onNews(told);
      };
      stream.addEventListener('news', ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as LiveMessage));
      // What happened while the stream was broken was not heard.
      let isBroken = store.keptAt !== null;
      stream.addEventListener('error', () => (isBroken = true));
      stream.addEventListener('open', () => {
        if (isBroken) tell({ news: null, line: null, gapMs: leastGapMs });
        isBroken = false;
      });
      return new Promise<void>((settle) => leave.signal.addEventListener('abort', () => settle()));
    };
    // Web Locks need a secure page; over plain HTTP in a workshop's network each tab listens for itself.
    if ('locks' in navigator)
      void navigator.locks.request(channelName, { signal: leave.signal }, listen).catch(() => undefined);
    else void listen();
    return () => {
      leave.abort();
      stream?.close();
      channel.close();
    };
  }, [news, store]);
  return null;
}
