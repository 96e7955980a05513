/** @jest-environment node */
const load = async () => import('./shopClock');
const here = Date.parse('2026-11-28T10:00:00Z');

beforeEach(() => {
  jest.resetModules();
  const kept = new Map<string, string>();
  Object.assign(globalThis, {
    localStorage: { getItem: (key: string) => kept.get(key) ?? null, setItem: kept.set.bind(kept) },
  });
  jest.spyOn(Date, 'now').mockReturnValue(here);
});
afterEach(() => jest.restoreAllMocks());

test('a clock that is right stays as it is, whatever the network took', async () => {
  const { clockOffS, learnClock, shopNow } = await load();
  learnClock(new Date(here - 20_000).toUTCString());
  expect([shopNow(), clockOffS()]).toEqual([here, 0]);
});

test('one that is twelve minutes ahead is put right, also on the next page, until it is right again', async () => {
  const first = await load();
  first.learnClock(new Date(here - 720_000).toUTCString());
  expect([first.shopNow(), first.clockOffS()]).toEqual([here - 720_000, 720]);
  jest.resetModules();
  const next = await load();
  expect(next.shopNow()).toBe(here - 720_000);
  next.learnClock(new Date(here).toUTCString());
  expect(next.shopNow()).toBe(here);
});

test('an answer that says no time, and a browser that keeps nothing, change nothing', async () => {
  const { clockOffS, learnClock } = await load();
  learnClock(null);
  learnClock('yesterday');
  expect(clockOffS()).toBe(0);
  jest.resetModules();
  Object.assign(globalThis, { localStorage: undefined });
  const bare = await load();
  bare.learnClock(new Date(here - 3_600_000).toUTCString());
  expect(bare.clockOffS()).toBe(3600);
});
