import { binsInUse, binsOf, isRackCode, judgeRack, nextCode, rackOf, type Rack } from './racks';
import { fullIn, rackFills } from './roomLeft';

const rack = (code: string, more: Partial<Rack> = {}): Rack => ({
  code,
  rows: 3,
  boxes: 5,
  room: 12,
  category: null,
  isInUse: true,
  ...more,
});

describe('racks', () => {
  test('bins are named row by row; a rack out of use has none', () => {
    const codes = binsOf(rack('A')).map(({ code }) => code);
    expect([codes.length, codes[0], codes[14]]).toEqual([15, 'A01', 'A15']);
    expect(binsOf(rack('AA', { rows: 1, boxes: 1 }))).toEqual([{ code: 'AA01', room: 12, category: null }]);
    expect(binsInUse([rack('A', { isInUse: false }), rack('B')]).every(({ code }) => code.startsWith('B'))).toBe(true);
    expect([rackOf('A15'), rackOf('AB07')]).toEqual(['A', 'AB']);
  });

  test('the next letters: a gap first, two letters after Z', () => {
    expect(nextCode([])).toBe('A');
    expect(nextCode([rack('A'), rack('C')])).toBe('B');
    const all = Array.from({ length: 26 }, (_, at) => rack(String.fromCharCode(65 + at)));
    expect(nextCode(all)).toBe('AA');
    // What is scanned as P01 is a part.
    const toO = all.filter(({ code }) => code < 'P');
    expect(nextCode(toO)).toBe('Q');
    expect(['P', 'U', 'S', 'a', 'A1', 'ABC', ''].some(isRackCode)).toBe(false);
    expect(['A', 'PP'].every(isRackCode)).toBe(true);
  });

  test('a rack may grow, and shrink as far as nothing lies there', () => {
    const stock = [
      { bin: 'A14', count: 2 },
      { bin: 'A15', count: 1 },
      { bin: 'AA15', count: 9 },
    ];
    expect(judgeRack(rack('A', { rows: 4 }), stock).ok).toBe(true);
    expect(judgeRack(rack('A', { rows: 2 }), stock)).toMatchObject({
      refusal: { reason: 'bins-not-empty', values: { parts: 3, bins: ['A14', 'A15'] } },
    });
    expect(judgeRack(rack('B', { rows: 1 }), stock).ok).toBe(true);
    // Out of use, what lies in it stays.
    expect(judgeRack(rack('A', { isInUse: false }), stock).ok).toBe(true);
    expect(judgeRack(rack('A', { rows: 10, boxes: 10 }), [])).toMatchObject({ refusal: { reason: 'too-many-boxes' } });
  });
});

describe('the room that is left', () => {
  test('is what fits beside what lies there; an overfull box has none, and takes none from others', () => {
    const [a, b] = rackFills(
      [rack('A', { rows: 1, boxes: 2 }), rack('B', { isInUse: false })],
      [
        { bin: 'A01', count: 3 },
        { bin: 'A01', count: 11 },
        { bin: 'A02', count: 5 },
      ],
    );
    expect([a?.count, a?.left, b?.left]).toEqual([19, 7, 0]);
    expect(a?.bins.map(({ count }) => count)).toEqual([14, 5]);
  });

  test('lasts as long as the pace says, where there is one', () => {
    expect(fullIn(70, { stored: 40, taken: 12, days: 28 })).toBe(70);
    expect(fullIn(70, { stored: 12, taken: 12, days: 28 })).toBeNull();
    expect(fullIn(70, { stored: 40, taken: 0, days: 2 })).toBeNull();
    expect(fullIn(0, { stored: 40, taken: 0, days: 20 })).toBe(0);
  });
});
