import fc from 'fast-check';
import { Chance } from '../shared/chance';
import { drawBeta } from './drawBeta';
import { effectiveTrials, strayWeight } from './strayWeight';

const shop = (weight: number, kinds: number, parcels: number, sought: number, chance: Chance) =>
  Array.from({ length: kinds }, () => {
    const share = drawBeta(8.5, 1.5, chance);
    return {
      prior: { share: 0.85, weight: 10 },
      groups: Array.from({ length: parcels }, () => {
        const own = weight === Infinity ? share : drawBeta(weight * share, weight * (1 - share), chance);
        return { good: Array.from({ length: sought }, () => chance.happens(own)).filter(Boolean).length, sought };
      }),
    };
  });

describe('strayWeight', () => {
  test.each([5, 20, 100])('finds how far parcels stray: %d', (weight) => {
    const found = strayWeight(shop(weight, 20, 100, 12, new Chance(weight)), 60);
    expect(Math.abs(Math.log(found / weight))).toBeLessThan(0.4);
  });

  test('parcels that are alike come out far beyond what was expected', () => {
    expect(strayWeight(shop(Infinity, 20, 100, 12, new Chance(8)), 60)).toBeGreaterThan(150);
  });

  test('before a second parcel nothing is learned, whatever the first one gave', () => {
    const none = strayWeight([], 60);
    // The mean correlation of weights that are log-normal about 60.
    expect(none).toBeGreaterThan(30);
    expect(none).toBeLessThan(45);
    expect(strayWeight(shop(5, 20, 1, 30, new Chance(2)), 60)).toBe(none);
    const empty = {
      prior: { share: 0.8, weight: 10 },
      groups: [
        { good: 0, sought: 0 },
        { good: 1, sought: 9 },
      ],
    };
    expect(strayWeight([empty], 60)).toBe(none);
  });

  test('two parcels that differ as night and day bring it down; two that are the same do not', () => {
    const [apart, same] = [
      [20, 0],
      [10, 10],
    ].map((goods) =>
      strayWeight(
        Array.from({ length: 4 }, () => ({
          prior: { share: 0.5, weight: 2 },
          groups: goods.map((good) => ({ good, sought: 20 })),
        })),
        60,
      ),
    ) as [number, number];
    expect(apart).toBeLessThan(5);
    expect(same).toBeGreaterThan(strayWeight([], 60));
  });
});

describe('effectiveTrials', () => {
  test('more trials say more, and never more than as many parcels, or than a parcel can say', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.double({ min: 0.5, max: 500, noNaN: true }),
        (sought, weight) => {
          const worth = effectiveTrials(sought, weight);
          expect(worth).toBeLessThanOrEqual(sought + 1e-9);
          expect(worth).toBeLessThanOrEqual(weight + 1);
          expect(effectiveTrials(sought + 1, weight)).toBeGreaterThan(worth);
        },
      ),
      { numRuns: 300, seed: 6 },
    );
    expect(effectiveTrials(7, Infinity)).toBe(7);
    expect(effectiveTrials(0.5, 3)).toBe(0.5);
  });

  test('the mean of one parcel scatters as so many free trials would: by simulation', () => {
    const chance = new Chance(77);
    const [share, weight, sought, rounds] = [0.7, 9, 15, 20_000];
    let squares = 0;
    for (let round = 0; round < rounds; round += 1) {
      const own = drawBeta(weight * share, weight * (1 - share), chance);
      const good = Array.from({ length: sought }, () => chance.happens(own)).filter(Boolean).length;
      squares += (good / sought - share) ** 2;
    }
    const scatter = squares / rounds / ((share * (1 - share)) / effectiveTrials(sought, weight));
    expect(scatter).toBeGreaterThan(0.95);
    expect(scatter).toBeLessThan(1.05);
  });
});
