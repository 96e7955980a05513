import type { ParcelLine, Unit } from '@/core/entities/entities';
import { parcelDifferences } from './parcelDifferences';
import { say } from '@/words/catalogue/core/intake';

const line = (lineNo: number, given: Partial<ParcelLine> = {}): ParcelLine => ({
  id: `p/${lineNo}`,
  parcelId: 'p',
  lineNo,
  maker: 'Oddkin',
  model: 'Lantern 5',
  serial: `S${lineNo}`,
  note: '',
  version: 1,
  lastFactId: '',
  ...given,
});
const unit = (lineNo: number | null, given: Partial<Unit> = {}, model: string | null = 'Oddkin Lantern 5') => ({
  unit: { tag: `U-${lineNo}`, lineNo, serial: `S${lineNo}`, tests: {}, ...given },
  model,
});

describe('parcelDifferences', () => {
  const lines = [line(1), line(2), line(3), line(4)];

  test('a parcel as promised has none, and what is still in the box is not missing yet', () => {
    expect(
      parcelDifferences(
        lines,
        [1, 2, 3, 4].map((at) => unit(at)),
        1000,
        true,
      ),
    ).toEqual([]);
    expect(parcelDifferences(lines, [unit(1)], 1000, false)).toEqual([]);
  });

  test('says what is missing, too many, another model or serial, and locked, with what it costs', () => {
    const found = parcelDifferences(
      lines,
      [
        unit(1, {}, 'Oddkin Wick'),
        unit(2, { serial: 'S9', tests: { 'account-lock': 'fault' } }),
        unit(3, { serial: null }, null),
        unit(null, { serial: 'X1' }, null),
      ],
      1000,
      true,
    );
    expect(found.map(({ kind, lineNo, came, cents }) => [kind, lineNo, say(came), cents])).toEqual([
      ['other-model', 1, 'Oddkin Wick', 0],
      ['other-serial', 2, 'S9', 0],
      ['locked', 2, 'locked', 250],
      ['missing', 4, 'nothing', 250],
      ['not-on-list', null, 'not identified, X1', 0],
    ]);
  });

  test('case and blanks are no difference, and without a list nothing is too many', () => {
    expect(parcelDifferences([line(1, { serial: 's1 ' })], [unit(1, {}, 'ODDKIN lantern 5')], 100, true)).toEqual([]);
    expect(parcelDifferences([], [unit(null)], 100, true)).toEqual([]);
  });
});
