import { leastGapMs, longestGapMs, nextGap } from './nextGap';

const after = (loads: readonly number[], start = leastGapMs) => loads.reduce(nextGap, start);
const looks = (count: number, load: number) => Array.from({ length: count }, () => load);

describe('how long screens wait', () => {
  test('a server with time to spare is followed every second', () => {
    expect(after(looks(50, 0.1))).toBe(leastGapMs);
  });

  test('a busy one ever more seldom, up to a limit, and every second again when it is quiet', () => {
    const [soon, later] = [after(looks(3, 0.95)), after(looks(8, 0.95))];
    expect(soon).toBeGreaterThan(leastGapMs);
    expect(later).toBeGreaterThan(soon);
    expect(after(looks(100, 1))).toBe(longestGapMs);
    expect(after(looks(100, 0.05), longestGapMs)).toBe(leastGapMs);
  });

  test('in between it stays as it is', () => {
    expect(after(looks(20, 0.55), 4000)).toBe(4000);
  });
});
