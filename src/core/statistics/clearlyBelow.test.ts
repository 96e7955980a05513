import { Chance } from '../shared/chance';
import { clearlyBelow } from './clearlyBelow';

const drawn = (shares: readonly number[], sought: number, chance: Chance) =>
  shares.map((share) => ({
    good: Array.from({ length: sought }, () => chance.happens(share)).filter(Boolean).length,
    sought,
  }));

describe('clearlyBelow', () => {
  test('the tail is Fisher’s: 1 of 5 against 9 of 10, by hand', () => {
    // 10 good of 15; at most 1 of 5: (C(10,0)·C(5,5) + C(10,1)·C(5,4)) / C(15,5) = 51 / 3003.
    const counts = [
      { good: 1, sought: 5 },
      { good: 9, sought: 10 },
    ];
    const tail = 51 / 3003;
    expect(clearlyBelow(counts, 2 * tail + 1e-9)[0]).toBe(true);
    expect(clearlyBelow(counts, 2 * tail - 1e-9)[0]).toBe(false);
  });

  test('of forty parts that are alike one is named in one shop of twenty at most', () => {
    const chance = new Chance(2026);
    const shops = 600;
    const named = Array.from({ length: shops }, () =>
      clearlyBelow(drawn(Array<number>(40).fill(0.75), 15, chance)).some(Boolean),
    ).filter(Boolean).length;
    // Three standard errors of a share of 0.05 over so many shops.
    expect(named / shops).toBeLessThan(0.05 + 3 * Math.sqrt((0.05 * 0.95) / shops));
  });

  test('of those named few are named wrongly, and what is much worse is found', () => {
    const chance = new Chance(7);
    let [found, wrong, all] = [0, 0, 0];
    for (let shop = 0; shop < 300; shop += 1) {
      const shares = Array.from({ length: 40 }, (_, at) => (at < 4 ? 0.35 : 0.8));
      clearlyBelow(drawn(shares, 30, chance)).forEach((isNamed, at) => {
        if (!isNamed) return;
        all += 1;
        if (at < 4) found += 1;
        else wrong += 1;
      });
    }
    expect(found / (300 * 4)).toBeGreaterThan(0.9);
    expect(wrong / all).toBeLessThan(0.05);
  });

  test('nothing sought, one part alone, and counts that cannot be', () => {
    expect(clearlyBelow([])).toEqual([]);
    expect(clearlyBelow([{ good: 0, sought: 0 }])).toEqual([false]);
    expect(clearlyBelow([{ good: 0, sought: 9 }])).toEqual([false]);
    expect(() => clearlyBelow([{ good: 2, sought: 1 }])).toThrow(RangeError);
  });
});
