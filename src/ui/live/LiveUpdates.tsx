'use client';
import { useEffect } from 'react';
import { useRefresher } from './useRefresher';

const channelName = 'plucky-live';

/**
 * Refreshes the screen when something happened at any bench. One tab of the browser holds the stream and tells the
 * others, since a browser opens only six connections to a host.
 */
export function LiveUpdates() {
  const { news } = useRefresher();
  useEffect(() => {
    const channel = new BroadcastChannel(channelName);
    channel.onmessage = news;

    const leave = new AbortController();
    let stream: EventSource | undefined;
    const listen = () => {
      stream = new EventSource('/api/live');
      stream.addEventListener('position', () => {
        channel.postMessage('news');
        news();
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
  }, [news]);
  return null;
}
