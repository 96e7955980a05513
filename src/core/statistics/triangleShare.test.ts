import cdf from '@stdlib/stats-base-dists-triangular-cdf';
import fc from 'fast-check';
import { triangleQuantile } from './triangle';
import { triangleShare } from './triangleShare';

const triangles = fc
  .tuple(fc.double({ min: 0, max: 50, noNaN: true }), fc.nat(40), fc.nat(40))
  .map(([low, rise, fall]) => ({ low, likely: low + rise, high: low + rise + fall }))
  .filter(({ low, high }) => high > low);

test('is what the package says, wherever it lies', () => {
  fc.assert(
    fc.property(triangles, fc.double({ min: -0.2, max: 1.2, noNaN: true }), (triangle, place) => {
      const { low, likely, high } = triangle;
      const at = low + place * (high - low);
      expect(triangleShare(triangle, at)).toBeCloseTo(cdf(at, low, high, likely), 9);
    }),
    { seed: 2026, numRuns: 500 },
  );
});

test('is the inverse of the quantile', () => {
  fc.assert(
    fc.property(triangles, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (triangle, share) => {
      expect(triangleShare(triangle, triangleQuantile(triangle, share))).toBeCloseTo(share, 6);
    }),
    { seed: 2026 },
  );
});

test('without width it is all or nothing', () => {
  const still = { low: 4, likely: 4, high: 4 };
  expect([triangleShare(still, 3.9), triangleShare(still, 4), triangleShare(still, 5)]).toEqual([0, 1, 1]);
});
