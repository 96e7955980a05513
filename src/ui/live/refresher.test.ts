import { gatherMs, leastGapMs, makeRefresher } from './refresher';

function page() {
  let clock = 0;
  let isHidden = false;
  const timers: { at: number; work: () => void }[] = [];
  const refreshes: number[] = [];
  const following: boolean[] = [];
  const refresher = makeRefresher({
    refresh: (follows) => {
      refreshes.push(clock);
      following.push(follows);
    },
    now: () => clock,
    later: (work, ms) => timers.push({ at: clock + ms, work }),
    isHidden: () => isHidden,
  });
  const passes = (ms: number) => {
    const until = clock + ms;
    for (;;) {
      const next = timers.filter(({ at }) => at <= until).sort((a, b) => a.at - b.at)[0];
      if (!next) break;
      timers.splice(timers.indexOf(next), 1);
      clock = next.at;
      next.work();
    }
    clock = until;
  };
  const hide = (hidden: boolean) => {
    isHidden = hidden;
  };
  return { ...refresher, passes, refreshes, following, hide };
}

describe('the refresher', () => {
  test('one refresh soon after the first news, whatever comes with it', () => {
    const { news, passes, refreshes } = page();
    news();
    passes(30);
    news();
    passes(5000);
    expect(refreshes).toEqual([gatherMs]);
  });

  test('under a stream of news one a gap, and the last news is never missed', () => {
    const { news, passes, refreshes } = page();
    for (let at = 0; at < 5000; at += 50) {
      news();
      passes(50);
    }
    passes(2 * leastGapMs);
    const gaps = refreshes.slice(1).map((at, index) => at - (refreshes[index] as number));
    expect(Math.min(...gaps)).toBeGreaterThanOrEqual(leastGapMs);
    expect(refreshes.length).toBeLessThanOrEqual(7);
    expect(refreshes.at(-1)).toBeGreaterThanOrEqual(4950);
  });

  test('what only others did is followed; a refresh that also shows own work is not', () => {
    const { news, passes, following } = page();
    news(leastGapMs);
    passes(5000);
    news(leastGapMs);
    news();
    passes(5000);
    news(leastGapMs);
    passes(5000);
    expect(following).toEqual([true, false, true]);
  });

  test('a page that nobody looks at waits, and catches up once when it is seen', () => {
    const { news, seen, passes, refreshes, hide } = page();
    hide(true);
    news();
    passes(3000);
    news();
    passes(3000);
    expect(refreshes).toEqual([]);
    hide(false);
    seen();
    passes(3000);
    expect(refreshes).toHaveLength(1);
    seen();
    passes(3000);
    expect(refreshes).toHaveLength(1);
  });
});
