import { Chance } from '../shared/chance';
import { meanDifference } from './meanDifference';

describe('meanDifference', () => {
  test('by hand: Welch’s degrees of freedom and a tail of Student’s t', () => {
    // Means 4 and 10, variances of the mean 1 ÷ 3 and 4 ÷ 3: t = −6 ÷ √(5 ÷ 3), freedom (5 ÷ 3)² ÷ ((1 ÷ 9) ÷ 2 + (16 ÷ 9) ÷ 2) = 50 ÷ 17.
    const { mean, low, high, tail } = meanDifference([3, 4, 5], [8, 10, 12], 0.95);
    expect(mean).toBe(-6);
    expect((low + high) / 2).toBeCloseTo(-6, 9);
    // By numerical integration of Student's density with 50/17 degrees of freedom beyond 4.6476.
    const freedom = 50 / 17;
    const density = (t: number) => (1 + (t * t) / freedom) ** (-(freedom + 1) / 2);
    // t = u ÷ (1 − u): the whole half line in the unit interval.
    const over = (from: number) => {
      const start = from / (1 + from);
      const steps = 200_000;
      const wide = (1 - start) / steps;
      let sum = 0;
      for (let at = 0; at < steps; at += 1) {
        const u = start + (at + 0.5) * wide;
        sum += (density(u / (1 - u)) / (1 - u) ** 2) * wide;
      }
      return sum;
    };
    expect(tail).toBeCloseTo(over(6 / Math.sqrt(5 / 3)) / over(0), 5);
    expect(over((high + 6) / Math.sqrt(5 / 3)) / over(0)).toBeCloseTo(0.05, 5);
  });

  test('its range holds as often as it says, whether or not both spreads are alike', () => {
    const chance = new Chance(4);
    const drawn = (count: number, wide: number) =>
      Array.from(
        { length: count },
        () => (Array.from({ length: 12 }, () => chance.next()).reduce((sum, own) => sum + own, 0) - 6) * wide,
      );
    const tries = 2000;
    let held = 0;
    for (let at = 0; at < tries; at += 1) {
      const { low, high } = meanDifference(drawn(5, 1), drawn(12, 4), 0.8);
      if (low <= 0 && high >= 0) held += 1;
    }
    expect(Math.abs(held / tries - 0.8)).toBeLessThan(4 * Math.sqrt((0.8 * 0.2) / tries));
  });

  test('against nought; where nothing varies there is nothing to doubt; one value is too few', () => {
    const { mean, low, high } = meanDifference([1, 2, 3], [], 0.8);
    expect([mean, low < 2, high > 2]).toEqual([2, true, true]);
    expect(meanDifference([5, 5], [], 0.8)).toEqual({ mean: 5, low: 5, high: 5, tail: 0 });
    expect(meanDifference([0, 0], [0, 0], 0.8).tail).toBe(1);
    expect(() => meanDifference([1], [], 0.8)).toThrow(RangeError);
    expect(() => meanDifference([1, 2], [1], 0.8)).toThrow(RangeError);
  });
});
