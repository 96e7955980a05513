import { phone } from '../../../tests/support/models';
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
});
