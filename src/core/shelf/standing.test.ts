import fc from 'fast-check';
import { standings, stockRules, type ClassOnShelf } from './standing';

const of = (given: Partial<ClassOnShelf>): ClassOnShelf => ({
  ...{ interchange: 'lid', free: 0, reserved: 0, wanted: 0, used: 0 },
  ...given,
});
const standing = (given: Partial<ClassOnShelf>) => standings([of(given)])[0];

describe('standings', () => {
  test('short is what has fewer than open slots; how many are missing is said', () => {
    expect(standing({ free: 2, wanted: 5, used: 100 })).toMatchObject({ standing: 'short', left: -3, surplus: 0 });
  });

  test('scarce is what lasts two weeks at the pace of use, after the slots', () => {
    // 16 in 8 weeks are 2 a week: 4 left last two weeks.
    expect(standing({ free: 5, wanted: 1, used: 16 })).toMatchObject({ standing: 'scarce', weeks: 2 });
    expect(standing({ free: 6, wanted: 1, used: 16 })).toMatchObject({ standing: 'enough', weeks: 2.5 });
  });

  test('too many is what half a year does not use, but for a few that are always kept', () => {
    // 8 in 8 weeks: 26 are kept for 26 weeks.
    expect(standing({ free: 30, used: 8 })).toMatchObject({ standing: 'surplus', surplus: 4, weeks: 30 });
    expect(standing({ free: 5 })).toMatchObject({ standing: 'surplus', surplus: 5 - stockRules.kept, weeks: null });
    expect(standing({ free: stockRules.kept })).toMatchObject({ standing: 'enough', surplus: 0 });
  });

  test('each class once, the shortest first, and never both short and too many', () => {
    const count = fc.nat(40);
    const one = fc.record({ interchange: fc.uuid(), free: count, reserved: count, wanted: count, used: count });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 12 }), (classes) => {
        const rows = standings(classes);
        expect(rows.map(({ interchange }) => interchange).sort()).toEqual(classes.map((own) => own.interchange).sort());
        const rank = rows.map((row) => ['short', 'scarce', 'surplus', 'enough'].indexOf(row.standing));
        expect(rank).toEqual([...rank].sort());
        for (const { left, free, wanted, surplus, standing: is } of rows) {
          expect(left).toBe(free - wanted);
          expect(is === 'short').toBe(free < wanted);
          if (surplus > 0) expect(left - surplus).toBeGreaterThanOrEqual(stockRules.kept);
        }
      }),
    );
  });
});
