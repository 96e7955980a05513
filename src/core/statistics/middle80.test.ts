import { Chance } from '@/core/shared/chance';
import { middle80 } from './middle80';

describe('the middle 80 %', () => {
  test('leaves a tenth below and a tenth above, whatever the order', () => {
    expect(middle80([10, 3, 1, 2, 9, 8, 4, 7, 5, 6])).toEqual({ low: 2, high: 9 });
    expect(middle80([7])).toEqual({ low: 7, high: 7 });
    expect(() => middle80([])).toThrow(RangeError);
  });

  test('of many drawn evenly: each end within what 4,000 draws can tell', () => {
    const chance = new Chance(7);
    const { low, high } = middle80(Array.from({ length: 4000 }, () => chance.next()));
    expect(low).toBeCloseTo(0.1, 1);
    expect(high).toBeCloseTo(0.9, 1);
    expect(Math.abs(low - 0.1)).toBeLessThan(0.02);
    expect(Math.abs(high - 0.9)).toBeLessThan(0.02);
  });

  test('counted out: exactly as many below as above, for any number of values', () => {
    for (let count = 1; count <= 60; count += 1) {
      const { low, high } = middle80(Array.from({ length: count }, (_, at) => at));
      expect(low).toBe(count - 1 - high);
      expect(low).toBe(Math.floor(count / 10));
    }
  });
});
