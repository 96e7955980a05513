import { Chance } from '@/core/shared/chance';
import type { Bin, BinStock } from './racks';
import { suggestBins, type Storable } from './suggestBin';

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

  test('of any shelf it names the bin that looking at every bin for every part names', () => {
    const chance = new Chance(7);
    const some = <T>(of: readonly T[]): T => chance.pick(of);
    for (let round = 0; round < 300; round += 1) {
      const racks = Array.from({ length: 12 }, (_, at) => ({
        code: `A${String(at + 1).padStart(2, '0')}`,
        room: some([0, 1, 2, 3]),
        category: some([null, null, 'battery', 'display'] as const),
      }));
      const of = () => ({ interchange: some(['x', 'y', 'z']), grade: some(['A', 'B', null] as const) });
      const stock = Array.from({ length: 8 }, () => ({
        ...of(),
        bin: some([...racks, { code: 'Q99' }]).code,
        count: 1,
      }));
      const parts = Array.from({ length: 14 }, () => ({
        ...of(),
        category: some(['battery', 'display', 'port'] as const),
      }));
      expect(suggestBins(parts, racks, stock)).toEqual(byLookingAtAll(parts, racks, stock));
    }
  });
});

/** Every bin for every part, by rank: what the words of the function say, one by one. */
function byLookingAtAll(parts: readonly Storable[], bins: readonly Bin[], stock: readonly BinStock[]) {
  const lying = stock.map((own) => ({ ...own }));
  return parts.map(({ interchange, grade, category }) => {
    const ranked = bins.flatMap(({ code, room, category: kept }) => {
      const here = lying.filter(({ bin: own }) => own === code);
      const count = here.reduce((sum, own) => sum + own.count, 0);
      if (count >= room || (kept !== null && kept !== category)) return [];
      const isAlike = here.some((own) => own.interchange === interchange && own.grade === grade);
      const isOwn = count > 0 && here.every((own) => own.interchange === interchange);
      const rank = isAlike ? 0 : isOwn ? 1 : count === 0 ? 2 : 3;
      return [{ code, rank: 2 * rank + (kept === null ? 1 : 0) }];
    });
    const best = ranked.reduce((a, b) => (b.rank < a.rank ? b : a), ranked[0] ?? { code: null, rank: 0 });
    if (best.code !== null) lying.push({ bin: best.code, interchange, grade, count: 1 });
    return best.code;
  });
}
