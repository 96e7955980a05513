import fc from 'fast-check';
import { labelPlace } from './labelPlace';

const outline = { xMm: 10, yMm: 20, widthMm: 60, heightMm: 40 };
const name = { widthMm: 20, heightMm: 4 };

test('in the middle, unless something lies there', () => {
  expect(labelPlace(outline, name, [], 2)).toEqual({ xMm: 40, yMm: 40 });
  expect(labelPlace(outline, name, [{ xMm: 11, yMm: 40 }], 2)).toEqual({ xMm: 40, yMm: 40 });
  const moved = labelPlace(outline, name, [{ xMm: 41, yMm: 40 }], 2);
  expect(moved.xMm).toBe(40);
  expect(Math.abs(moved.yMm - 40)).toBeGreaterThan(4);
});

test('a name too tall for any other place stays in the middle', () => {
  const low = { ...outline, heightMm: 5 };
  expect(labelPlace(low, name, [{ xMm: 40, yMm: 22.5 }], 2).yMm).toBe(22.5);
});

test('always inside its outline, and never over more than in the middle', () => {
  const point = fc.record({
    xMm: fc.double({ min: 0, max: 80, noNaN: true }),
    yMm: fc.double({ min: 0, max: 80, noNaN: true }),
  });
  fc.assert(
    fc.property(fc.array(point, { maxLength: 12 }), (points) => {
      const over = (yMm: number) =>
        points.filter((each) => Math.abs(each.xMm - 40) < 12 && Math.abs(each.yMm - yMm) < 4).length;
      const { yMm } = labelPlace(outline, name, points, 2);
      expect(yMm - 2).toBeGreaterThanOrEqual(outline.yMm);
      expect(yMm + 2).toBeLessThanOrEqual(outline.yMm + outline.heightMm);
      expect(over(yMm)).toBeLessThanOrEqual(over(40));
    }),
    { seed: 2026 },
  );
});
