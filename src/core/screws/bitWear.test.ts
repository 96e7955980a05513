import { phone } from '../../../tests/support/models';
import { Chance } from '@/core/shared/chance';
import type { BitLife } from './bitInUse';
import { wearOf } from './bitWear';
import { screwsTurned } from './screwsTurned';

const life = (given: Partial<BitLife>): BitLife => ({
  bench: 'bench-1',
  drive: 'PH00',
  screws: 0,
  stripped: 0,
  isOver: false,
  ...given,
});

describe('screwsTurned', () => {
  test('counts every screw of a step once, captive ones too, most first', () => {
    const turned = screwsTurned(phone.joints);
    const screws = phone.joints.filter(({ kind }) => kind === 'screw');
    expect(turned.reduce((sum, { screws: count }) => sum + count, 0)).toBe(screws.length);
    expect([...turned].sort((a, b) => b.screws - a.screws)).toEqual(turned);
    expect(screwsTurned([])).toEqual([]);
  });
});

describe('wearOf', () => {
  test('a bit that turned nothing is new', () => {
    expect(wearOf([], 'bench-1', 'PH00')).toEqual({ drive: 'PH00', screws: 0, stripped: 0, usual: 0, isWorn: false });
  });

  test('only the bit in use counts as its own; what the others did is what is usual', () => {
    const lives = [
      life({ screws: 100, stripped: 1 }),
      life({ screws: 900, stripped: 2, isOver: true }),
      life({ bench: 'bench-2', screws: 600, stripped: 2 }),
    ];
    const { screws, stripped, usual } = wearOf(lives, 'bench-1', 'PH00');
    expect([screws, stripped]).toEqual([100, 1]);
    expect(usual).toBeCloseTo((100 * (2 + 2 + 1)) / (900 + 600 + 500), 10);
  });

  test('worn when so many heads are no accident, by the Poisson sum written out', () => {
    const chanceOf = (atLeast: number, mean: number) => {
      let term = Math.exp(-mean);
      let below = 0;
      for (let k = 0; k < atLeast; k += 1) {
        below += term;
        term *= mean / (k + 1);
      }
      return 1 - below;
    };
    let worn = 0;
    for (const screws of [1, 10, 50, 200, 1000])
      for (const stripped of [0, 1, 2, 3, 5, 9]) {
        const wear = wearOf([life({ screws, stripped })], 'bench-1', 'PH00');
        const expected = stripped >= 2 && chanceOf(stripped, screws / 500) < 0.05;
        expect(wear.isWorn).toBe(expected);
        worn += Number(expected);
      }
    expect(worn).toBeGreaterThan(5);
  });

  test('of shops with twelve bits that are alike, about one in twenty is told that one is worn', () => {
    const chance = new Chance(17);
    const shops = 1500;
    let told = 0;
    for (let shop = 0; shop < shops; shop += 1) {
      const lives = Array.from({ length: 12 }, (_, at) =>
        life({
          bench: `bench-${at}`,
          screws: 300,
          stripped: Array.from({ length: 300 }, () => chance.happens(1 / 250)).filter(Boolean).length,
        }),
      );
      told += Number(lives.some(({ bench }) => wearOf(lives, bench, 'PH00').isWorn));
    }
    // What is usual is itself reckoned from few heads: somewhat more often than one in twenty. Each by itself: one in three.
    expect(told / shops).toBeLessThan(0.08);
    expect(told).toBeGreaterThan(0);
  });
});
