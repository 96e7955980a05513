import fc from 'fast-check';
import { compareSerials, findSerial, plainSerial } from './serials';

describe('serials', () => {
  test('case, blanks and dashes do not matter; an O for a 0 is told from another serial', () => {
    expect(compareSerials('ol-52 6', 'OL526')).toBe('same');
    expect(compareSerials('0L526', 'OL526')).toBe('look-alike');
    expect(compareSerials('B1S', '8I5')).toBe('look-alike');
    expect(compareSerials('OL526', 'OL527')).toBe('other');
    expect(compareSerials('OL526', 'OL5266')).toBe('other');
  });

  test('comparing is symmetric, and everything is the same as itself', () => {
    const serials = fc.string({ unit: fc.constantFrom(...'O0QI1LZ2S5G6B8XK -'), minLength: 1, maxLength: 12 });
    fc.assert(
      fc.property(serials, serials, (a, b) => {
        expect(compareSerials(a, b)).toBe(compareSerials(b, a));
        expect(compareSerials(a, a)).toBe('same');
        if (compareSerials(a, b) === 'same') expect(plainSerial(a)).toBe(plainSerial(b));
      }),
      { seed: 2026 },
    );
  });

  test('finds the very one first, then the only one that looks like it', () => {
    const entries = [{ serial: 'A0B' }, { serial: 'AOB' }, { serial: 'K1' }, { serial: null }];
    expect(findSerial('aob', entries)).toEqual({ entry: entries[1], isExact: true });
    expect(findSerial('KI', entries)).toEqual({ entry: entries[2], isExact: false });
    // Two that it could be: neither.
    expect(findSerial('AQB', entries)).toBeNull();
    expect(findSerial('nothing', entries)).toBeNull();
  });
});
