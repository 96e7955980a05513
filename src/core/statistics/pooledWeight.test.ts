import { Chance } from '../shared/chance';
import { drawBeta } from './drawBeta';
import { pooledWeight } from './pooledWeight';

const counts = (weight: number, kinds: number, sought: number, seed: number) => {
  const chance = new Chance(seed);
  return Array.from({ length: kinds }, () => {
    const prior = chance.between(0.4, 0.9);
    const share = drawBeta(weight * prior, weight * (1 - prior), chance);
    return { good: Array.from({ length: sought }, () => chance.happens(share)).filter(Boolean).length, sought, prior };
  });
};

describe('pooledWeight', () => {
  test.each([2, 8, 40])('finds the weight that the shares were drawn with: %d', (weight) => {
    const found = pooledWeight(counts(weight, 400, 25, weight), 6);
    expect(Math.abs(Math.log(found / weight))).toBeLessThan(0.35);
  });

  test('without counts it is the guess, and a handful moves it little', () => {
    expect(pooledWeight([], 6)).toBe(6);
    expect(pooledWeight([{ good: 0, sought: 0, prior: 0.5 }], 6)).toBe(6);
    const moved = pooledWeight([{ good: 1, sought: 2, prior: 0.7 }], 6);
    expect(moved).toBeGreaterThan(3);
    expect(moved).toBeLessThan(12);
  });
});
