'use client';
import { useEffect } from 'react';
import { useRefresher } from '@/ui/live/useRefresher';
import { useShopStore } from './ShopProvider';

const channelName = 'plucky-live';

/**
 * Refreshes the screen when something happened at any bench. One tab of the browser holds the stream and tells the
 * others, since a browser opens only six connections to a host.
 */
export function LiveUpdates() {
  const { news } = useRefresher();
  const store = useShopStore();
  useEffect(() => {
    const channel = new BroadcastChannel(channelName);
    const onNews = () => {
      // Whoever brings news has reached the server.
      store.setKeptAt(null);
      news();
    };
    channel.onmessage = onNews;

    const leave = new AbortController();
    let stream: EventSource | undefined;
    const listen = () => {
      stream = new EventSource('/api/live');
      const tell = () => {
        channel.postMessage('news');
        onNews();
      };
      stream.addEventListener('position', tell);
      // What happened while the stream was broken was not heard.
      let isBroken = store.keptAt !== null;
      stream.addEventListener('error', () => (isBroken = true));
      stream.addEventListener('open', () => {
        if (isBroken) tell();
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
