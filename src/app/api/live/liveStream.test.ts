import type { LiveMessage } from '@/services/line/readLine';
import { liveStream } from './liveStream';

const message: LiveMessage = { news: [], line: null, gapMs: 1000 };

/** A feed that tells when it is asked to, and knows who still listens. */
function makeFeed() {
  const listeners = new Set<(told: LiveMessage) => void>();
  return {
    listeners,
    listen: (listener: (told: LiveMessage) => void) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    tell: () => listeners.forEach((listener) => listener(message)),
  };
}

describe('the live stream', () => {
  test('who reads gets every message, and is forgotten when gone', async () => {
    const feed = makeFeed();
    const away = new AbortController();
    const reader = liveStream(feed, away.signal).getReader();
    const read = async () => new TextDecoder().decode((await reader.read()).value);
    expect(await read()).toBe(': here\n\n');
    for (let told = 0; told < 200; told += 1) {
      feed.tell();
      expect(await read()).toBe(`event: news\ndata: ${JSON.stringify(message)}\n\n`);
    }
    expect(feed.listeners.size).toBe(1);
    away.abort();
    expect(feed.listeners.size).toBe(0);
    expect((await reader.read()).done).toBe(true);
  });

  test('for who never reads nothing heaps up: the stream ends, and what was told before can still be read', async () => {
    const feed = makeFeed();
    const reader = liveStream(feed, new AbortController().signal).getReader();
    for (let told = 0; told < 500 && feed.listeners.size > 0; told += 1) feed.tell();
    expect(feed.listeners.size).toBe(0);
    let chunks = 0;
    for (let got = await reader.read(); !got.done; got = await reader.read()) chunks += 1;
    expect(chunks).toBeGreaterThan(10);
    expect(chunks).toBeLessThan(100);
  });

  test('who cancels is forgotten at once', async () => {
    const feed = makeFeed();
    await liveStream(feed, new AbortController().signal).cancel();
    expect(feed.listeners.size).toBe(0);
    feed.tell();
  });
});
