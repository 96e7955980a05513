import { startingHouseRules } from '@/core/shared/houseRules';
import { amount, clock, currencySign, day, list, minutes, money, number, share, stopwatch, tenths } from './format';
import { l, plural, pseudo, select } from './runtime';
import { setShopWriting } from './shopWriting';

const { shop } = startingHouseRules;
afterEach(() => setShopWriting(shop));

/** Spaces that do not break are spaces to whoever reads. */
const plain = (text: string) => text.replace(/[\u00a0\u202f]/g, ' ');

describe('writing as the shop does', () => {
  test('money, numbers and shares follow its language and currency', () => {
    setShopWriting({ ...shop, language: 'en-GB', currency: 'EUR' });
    expect([money(123456), amount(123456), currencySign(), number(1234.567), tenths(2)].map(plain)).toEqual([
      '€1,234.56',
      '1,234.56',
      '€',
      '1,234.57',
      '2.0',
    ]);
    setShopWriting({ ...shop, language: 'de-DE', currency: 'CHF' });
    expect([money(123456), number(1234.567), list(['a', 'b', 'c'])].map(plain)).toEqual([
      '1.234,56 CHF',
      '1.234,57',
      'a, b und c',
    ]);
    expect(plain(share(0.123))).toBe('12 %');
  });

  test('a fraction of a cent is a fault of ours, not something to round away', () => {
    expect(() => money(0.5)).toThrow(RangeError);
    expect(() => amount(NaN)).toThrow(RangeError);
  });

  test('an instant is written in the shop’s time zone, and so is its day', () => {
    const late = '2026-11-26T23:30:00.000Z';
    setShopWriting({ ...shop, language: 'en-GB', timeZone: 'Europe/Paris' });
    expect([clock(late), day(late)]).toEqual(['00:30', '27 Nov 2026']);
    setShopWriting({ ...shop, language: 'en-GB', timeZone: 'America/New_York' });
    expect([clock(late), day(late)]).toEqual(['18:30', '26 Nov 2026']);
    // A day is a day everywhere.
    expect(day('2026-11-26')).toBe('26 Nov 2026');
  });

  test('minutes and stop-watch', () => {
    expect([minutes(4.4), minutes(59.6), minutes(125)].map(plain)).toEqual(['4 min', '1 h 00', '2 h 05']);
    expect([stopwatch(31), stopwatch(725), stopwatch(-3)]).toEqual(['0:31', '12:05', '0:00']);
  });
});

describe('a message', () => {
  test('has the form that its number and its word ask for; an exact number comes first', () => {
    const forms = { '0': 'none', one: 'one', other: 'many' };
    expect([0, 1, 2, 21].map((value) => plural(value, 0, forms))).toEqual(['none', 'one', 'many', 'many']);
    expect([select('yes', { yes: 'a', other: 'b' }), select('no', { yes: 'a', other: 'b' })]).toEqual(['a', 'b']);
  });

  test('says nothing for what is not there, and 0 for 0', () => {
    expect(l`a${null}b${undefined}c${false}d${0}`).toBe('abcd0');
  });

  test('in the pseudo-language it is two fifths longer, and every word with a letter that can carry an accent has one', () => {
    const words = 'Take the display off before the battery comes out';
    const letters = (text: string) => text.replace(/\P{L}/gu, '').length;
    expect(letters(pseudo(words)) / letters(words)).toBeCloseTo(1.4, 1);
    expect(
      pseudo(words)
        .split(' ')
        .every((word) => /[^\x00-\x7f]/.test(word)),
    ).toBe(true);
    expect(pseudo('12 × {x}')).toBe('12 × {x}');
  });
});
