import { allWasBreak, look, readKept, recordOf, startStep, toggleBreak, workedMs } from './stepTime';

const usual = 60_000;

/** Looks at the clock as the page does, until a moment. */
function until(time: ReturnType<typeof startStep>, from: number, to: number) {
  let now = time;
  for (let at = from; at <= to; at += 5000) now = look(now, at);
  return look(now, to);
}

describe('the time of a step', () => {
  test('runs from when it came up, without anybody starting it', () => {
    expect(recordOf(until(startStep('a', 0), 0, 42_300), 42_300, usual)).toEqual({ seconds: 42.3 });
  });

  test('a break is counted apart, also one that still runs', () => {
    let time = until(startStep('a', 0), 0, 10_000);
    time = toggleBreak(time, 10_000);
    time = toggleBreak(until(time, 10_000, 310_000), 310_000);
    expect(recordOf(time, 330_000, usual)).toEqual({ seconds: 30, awaySeconds: 300 });
    time = toggleBreak(time, 330_000);
    expect(recordOf(time, 340_000, usual)).toEqual({ seconds: 30, awaySeconds: 310 });
  });

  test('a long stretch that nobody explains is censored at the usual; explained as work it counts', () => {
    const time = until(startStep('a', 0), 0, 200_000);
    expect(recordOf(time, 200_000, usual)).toEqual({ seconds: 60, isCensored: true });
    expect(recordOf({ ...time, isWork: true }, 200_000, usual)).toEqual({ seconds: 200 });
    expect(recordOf(allWasBreak(time, 200_000), 205_000, usual)).toEqual({ seconds: 5, awaySeconds: 200 });
  });

  test('a page that was closed for an hour does not make an hour of work', () => {
    const before = until(startStep('a', 0), 0, 20_000);
    const back = readKept(JSON.stringify(before), 'a');
    const time = look(back as typeof before, 3_620_000);
    expect(workedMs(time, 3_630_000)).toBe(30_000);
    expect(recordOf(time, 3_630_000, usual)).toEqual({ seconds: 30, isCensored: true });
  });

  test('a break goes on while the page is closed', () => {
    const time = look(toggleBreak(until(startStep('a', 0), 0, 10_000), 10_000), 610_000);
    expect(recordOf(toggleBreak(time, 610_000), 615_000, usual)).toEqual({ seconds: 15, awaySeconds: 600 });
  });

  test.each([-3_600_000, 7_200_000])('a clock that jumps by %d ms neither adds nor takes work', (jump) => {
    const before = until(startStep('a', 0), 0, 30_000);
    const time = look(before, 30_000 + jump);
    expect(recordOf(time, 35_000 + jump, usual)).toEqual({ seconds: 35, isCensored: true });
  });

  test.each([null, '', '{', '{"stepId":"a"}', '[]', JSON.stringify(startStep('b', 1))])(
    'what was kept as %s is not taken for this step',
    (text) => {
      expect(readKept(text, 'a')).toBeNull();
    },
  );
});
