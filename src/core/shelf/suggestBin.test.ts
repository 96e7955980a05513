import type { Bin, BinStock } from './racks';
import { suggestBins } from './suggestBin';

const bin = (code: string, category: Bin['category'] = null): Bin => ({ code, room: 2, category });
const bins = ['A01', 'A02', 'A03'].map((code) => bin(code));
const part = { interchange: 'x', grade: 'B', category: 'battery' } as const;
const lies = (code: string, interchange = 'x', grade: BinStock['grade'] = 'B', count = 1): BinStock => ({
  bin: code,
  interchange,
  grade,
  count,
});
const suggest = (stock: readonly BinStock[], from: readonly Bin[] = bins) => suggestBins([part], from, stock)[0];

describe('suggestBins', () => {
  test.each([
    ['its own class and grade first', [lies('A03'), lies('A02', 'x', 'C')], 'A03'],
    ['then a bin of its class', [lies('A02', 'x', 'C')], 'A02'],
    ['then an empty one', [lies('A01', 'y')], 'A02'],
    ['then any with room', bins.map(({ code }) => lies(code, 'y')), 'A01'],
    ['a bin of two classes is not one of its class', [lies('A01', 'x', 'C'), lies('A01', 'y')], 'A02'],
  ] as const)('%s', (_, stock, code) => {
    expect(suggest(stock)).toBe(code);
  });

  test('a full bin is passed over, and a full shelf has none', () => {
    expect(suggest([lies('A01', 'x', 'B', 2)])).toBe('A02');
    expect(suggest(bins.map(({ code }) => lies(code, 'x', 'B', 2)))).toBeNull();
    expect(suggest([], [])).toBeNull();
  });

  test('a rack kept for its kind goes before others, and one for another kind takes nothing', () => {
    expect(suggest([], [bin('A01'), bin('B01', 'battery')])).toBe('B01');
    expect(suggest([], [bin('B01', 'display')])).toBeNull();
    // With its like it lies better than among strangers of its kind.
    expect(suggest([lies('A01')], [bin('A01'), bin('B01', 'battery')])).toBe('A01');
  });

  test('each part finds what those before it left: none is put where no room is, none is left over while there is', () => {
    const parts = Array.from({ length: 7 }, (_, at) => ({ ...part, grade: at % 2 ? ('A' as const) : ('C' as const) }));
    const said = suggestBins(parts, bins, [lies('A02', 'z')]);
    expect(said.filter((code) => code === null)).toHaveLength(2);
    for (const { code } of bins) expect(said.filter((own) => own === code).length).toBeLessThanOrEqual(2);
    // Of one class they lie together, then in an empty one, and among strangers last.
    expect(said.slice(0, 5)).toEqual(['A01', 'A01', 'A03', 'A03', 'A02']);
  });
});
