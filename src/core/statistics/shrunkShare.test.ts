import fc from 'fast-check';
import { shrunkShare } from './shrunkShare';

describe('shrunkShare', () => {
  test('lies between what was seen and the prior, nearer to what was seen the more of it there is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.float({ min: Math.fround(0.05), max: Math.fround(0.95), noNaN: true }),
        fc.nat(),
        (tried, prior, drawn) => {
          const good = drawn % (tried + 1);
          const seen = good / tried;
          const { share, low, high } = shrunkShare(good, tried, prior, 6, 0.8);
          expect(share).toBeGreaterThanOrEqual(Math.min(seen, prior) - 1e-9);
          expect(share).toBeLessThanOrEqual(Math.max(seen, prior) + 1e-9);
          expect(low).toBeLessThan(high);
          const more = shrunkShare(good * 10, tried * 10, prior, 6, 0.8);
          expect(Math.abs(more.share - seen)).toBeLessThanOrEqual(Math.abs(share - seen) + 1e-9);
          expect(more.high - more.low).toBeLessThan(high - low);
        },
      ),
      { numRuns: 60, seed: 2026 },
    );
  });

  test('nothing seen is the prior; what cannot be is refused', () => {
    expect(shrunkShare(0, 0, 0.7, 6, 0.8).share).toBeCloseTo(0.7, 12);
    expect(() => shrunkShare(3, 2, 0.7, 6, 0.8)).toThrow(RangeError);
    expect(() => shrunkShare(1, 2, 1, 6, 0.8)).toThrow(RangeError);
  });
});
