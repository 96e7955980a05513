import fc from 'fast-check';
import { binsOf, type Rack } from './racks';
import { walk } from './walk';

const rack = (code: string, rows: number, boxes: number): Rack => ({
  ...{ code, rows, boxes, room: 12 },
  category: null,
  isInUse: true,
});
const racks = [rack('A', 3, 5), rack('B', 2, 4), rack('AA', 1, 3)];
const all = racks.flatMap((own) => binsOf(own).map(({ code }) => code));

test('along the first row and back along the next, rack after rack as they stand', () => {
  expect(walk(['B01', 'A06', 'A05', 'A01', 'A10', 'AA02', 'B05', 'B08'], racks)).toEqual([
    'A01',
    'A05',
    'A10',
    'A06',
    'B01',
    'B08',
    'B05',
    'AA02',
  ]);
});

test('every bin once, in an order that is the same whatever order they come in; what stands nowhere is last', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...all, 'Z01', '?')), (bins) => {
      const way = walk(bins, racks);
      expect([...way].sort()).toEqual([...new Set(bins)].sort());
      expect(walk([...bins].reverse(), racks)).toEqual(way);
      const unknown = way.filter((bin) => !all.includes(bin));
      expect(way.slice(way.length - unknown.length)).toEqual(unknown);
    }),
  );
});

test('no way through one rack is shorter: each step to the side is one, each row lower is one', () => {
  const place = (bin: string) => [Math.floor((Number(bin.slice(1)) - 1) / 5), (Number(bin.slice(1)) - 1) % 5] as const;
  const steps = (way: readonly string[]) =>
    way.slice(1).reduce((sum, bin, at) => {
      const [[row, column], [toRow, toColumn]] = [place(way[at] as string), place(bin)];
      return sum + Math.abs(row - toRow) + Math.abs(column - toColumn);
    }, 0);
  const full = binsOf(racks[0] as Rack).map(({ code }) => code);
  // Through all boxes of a rack the fewest steps there can be: one from each to the next.
  expect(steps(walk(full, racks))).toBe(full.length - 1);
});
