import fc from 'fast-check';
import { jeffreysInterval } from './jeffreysInterval';

describe('jeffreysInterval', () => {
  // Quantiles of Beta(k + ½, n − k + ½) in 40-digit arithmetic; the first is the published check value qbeta(0.025, 0.5, 10.5).
  test('agrees with exact quantiles', () => {
    const { high } = jeffreysInterval(0, 10);
    expect(high).toBeCloseTo(0.217196, 5);
    const upper = jeffreysInterval(10, 10);
    expect(upper.low).toBeCloseTo(1 - 0.217196, 5);
    expect(upper.high).toBe(1);
    expect(jeffreysInterval(5, 10).low).toBeCloseTo(1 - jeffreysInterval(5, 10).high, 12);
  });

  test('nothing tried, nothing known', () => {
    expect(jeffreysInterval(0, 0)).toEqual({ estimate: 0.5, low: 0, high: 1 });
  });

  test('holds the estimate, shrinks with more trials, mirrors', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.double({ min: 0, max: 1, noNaN: true }), (tried, share) => {
        const good = Math.round(share * tried);
        const { estimate, low, high } = jeffreysInterval(good, tried);
        expect(low).toBeLessThanOrEqual(estimate);
        expect(high).toBeGreaterThanOrEqual(estimate);
        const mirrored = jeffreysInterval(tried - good, tried);
        expect(mirrored.low).toBeCloseTo(1 - high, 9);
        const more = jeffreysInterval(good * 4, tried * 4);
        expect(more.high - more.low).toBeLessThan(high - low);
      }),
      { seed: 2026 },
    );
  });

  test.each([
    [-1, 3],
    [4, 3],
    [1.5, 3],
    [1, 2.5],
  ])('%d of %d cannot be', (good, tried) => {
    expect(() => jeffreysInterval(good, tried)).toThrow(RangeError);
  });

  test('a level outside 0 to 1 cannot be', () => {
    expect(() => jeffreysInterval(1, 2, 1)).toThrow(RangeError);
  });
});
