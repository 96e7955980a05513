import fc from 'fast-check';
import { triangleQuantile } from './triangle';

const triangles = fc
  .tuple(
    fc.double({ min: 0, max: 50, noNaN: true }),
    fc.double({ min: 0, max: 50, noNaN: true }),
    fc.double({ min: 0, max: 50, noNaN: true }),
  )
  .map((guesses) => {
    const [low, likely, high] = [...guesses].sort((a, b) => a - b) as [number, number, number];
    return { low, likely, high };
  });

/** Distribution function, written from the area of the triangle. */
function areaBelow({ low, likely, high }: { low: number; likely: number; high: number }, x: number): number {
  if (x <= low) return 0;
  if (x >= high) return 1;
  const top = 2 / (high - low);
  return x <= likely
    ? ((x - low) * (top * (x - low))) / (2 * (likely - low))
    : 1 - ((high - x) * (top * (high - x))) / (2 * (high - likely));
}

test('the quantile of a triangle is the inverse of its area, and stays within it', () => {
  fc.assert(
    fc.property(triangles, fc.double({ min: 0, max: 1, noNaN: true }), (triangle, share) => {
      const value = triangleQuantile(triangle, share);
      expect(value).toBeGreaterThanOrEqual(triangle.low - 1e-9);
      expect(value).toBeLessThanOrEqual(triangle.high + 1e-9);
      if (triangle.high - triangle.low > 0.01) expect(areaBelow(triangle, value)).toBeCloseTo(share, 5);
    }),
  );
});

test.each([
  [{ low: 1, likely: 2, high: 3 }, 0, 1],
  [{ low: 1, likely: 2, high: 3 }, 0.5, 2],
  [{ low: 1, likely: 2, high: 3 }, 1, 3],
  [{ low: 2, likely: 2, high: 2 }, 0.9, 2],
  [{ low: 0, likely: 0, high: 1 }, 0.75, 0.5],
])('of %o at %d it is %d', (triangle, share, value) => {
  expect(triangleQuantile(triangle, share)).toBeCloseTo(value, 12);
});

test.each([
  [{ low: 2, likely: 1, high: 3 }, 0.5],
  [{ low: 1, likely: 2, high: 3 }, 1.1],
  [{ low: 1, likely: 2, high: 3 }, Number.NaN],
])('%o at %d is refused', (triangle, share) => {
  expect(() => triangleQuantile(triangle, share)).toThrow(RangeError);
});
