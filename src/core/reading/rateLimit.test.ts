import { Chance } from '@/core/shared/chance';
import { mostAtOnce, perSecond, takeOne, type Bucket } from './rateLimit';

test('so many at once, then as many as time brings', () => {
  let bucket: Bucket | undefined;
  const ask = (now: number) => {
    const taken = takeOne(bucket, now);
    bucket = taken.bucket;
    return taken;
  };
  for (let asked = 0; asked < mostAtOnce; asked += 1) expect(ask(1000).isAllowed).toBe(true);
  expect(ask(1000)).toMatchObject({ isAllowed: false, waitSeconds: 1 });
  expect(ask(1000 + 999 / perSecond).isAllowed).toBe(false);
  expect(ask(1000 + 2000 / perSecond).isAllowed).toBe(true);
  // A clock that goes back, and forth again, gives nothing away.
  expect(ask(1000 + 2000 / perSecond).isAllowed).toBe(true);
  expect([ask(0).isAllowed, ask(1000 + 2000 / perSecond).isAllowed]).toEqual([false, false]);
});

test('over any stretch no more is allowed than the start and the time together', () => {
  const chance = new Chance(7);
  let bucket: Bucket | undefined;
  let [now, allowed] = [0, 0];
  for (let asked = 0; asked < 5000; asked += 1) {
    now += Math.floor(chance.between(0, 900));
    const taken = takeOne(bucket, now);
    bucket = taken.bucket;
    if (taken.isAllowed) allowed += 1;
    expect(allowed).toBeLessThanOrEqual(mostAtOnce + (now / 1000) * perSecond + 1e-6);
  }
  expect(allowed).toBeGreaterThan(1000);
});
