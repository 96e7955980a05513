import betaQuantile from '@stdlib/stats-base-dists-beta-quantile';
import { Chance } from '../shared/chance';
import { drawBeta, drawNormal } from './drawBeta';

const runs = 20_000;

describe('drawBeta', () => {
  test.each([
    [0.05, 0.3],
    [0.5, 0.5],
    [1.5, 0.5],
    [4.25, 0.75],
    [17, 83],
  ])('Beta(%d, %d): a tenth lies under each tenth, and the mean is a share of a', (a, b) => {
    const chance = new Chance(a * 1000 + b);
    const drawn = Array.from({ length: runs }, () => drawBeta(a, b, chance));
    for (const share of [0.1, 0.3, 0.5, 0.7, 0.9]) {
      const under = drawn.filter((value) => value < betaQuantile(share, a, b)).length / runs;
      // Four standard errors of a share of so many.
      expect(Math.abs(under - share)).toBeLessThan(4 * Math.sqrt((share * (1 - share)) / runs));
    }
    const mean = drawn.reduce((sum, value) => sum + value, 0) / runs;
    const deviation = Math.sqrt((a * b) / ((a + b) ** 2 * (a + b + 1)));
    expect(Math.abs(mean - a / (a + b))).toBeLessThan((4 * deviation) / Math.sqrt(runs));
  });

  test('a normal has mean 0 and variance 1', () => {
    const chance = new Chance(3);
    const drawn = Array.from({ length: runs }, () => drawNormal(chance));
    const mean = drawn.reduce((sum, value) => sum + value, 0) / runs;
    const variance = drawn.reduce((sum, value) => sum + (value - mean) ** 2, 0) / runs;
    expect(Math.abs(mean)).toBeLessThan(4 / Math.sqrt(runs));
    expect(Math.abs(variance - 1)).toBeLessThan((4 * Math.SQRT2) / Math.sqrt(runs));
  });

  test('shapes below nothing are a caller’s mistake', () => {
    expect(() => drawBeta(0, 1, new Chance(1))).toThrow(RangeError);
  });
});
