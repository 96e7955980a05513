import { startingHouseRules } from '@/core/shared/houseRules';
import { setShopWriting } from '@/words/shopWriting';
import { readNumber } from './readNumber';

const writeAs = (language: string) => setShopWriting({ ...startingHouseRules.shop, language });
afterAll(() => setShopWriting(startingHouseRules.shop));

describe.each(['en-GB', 'de-DE', 'fr-FR', 'de-CH', 'pl-PL'])('%s', (language) => {
  beforeEach(() => writeAs(language));

  test.each([
    ['1450.50', 1450.5],
    ['1450,50', 1450.5],
    ['1.450,50', 1450.5],
    ['1,450.50', 1450.5],
    ['1 450,5', 1450.5],
    ["1'450.5", 1450.5],
    ['1.234.567', 1234567],
    ['1,234,567.8', 1234567.8],
    ['0,25', 0.25],
    ['88', 88],
    ['12.3456', 12.3456],
  ])('“%s” is %d', (text, value) => {
    expect(readNumber(text)).toBe(value);
  });

  test.each(['', 'abc', '-5', '1.2.3', '1,2,3', '1.', ',5', '1.2,3,4', '12.34,5', '1..2'])(
    '“%s” is no number',
    (text) => {
      expect(readNumber(text)).toBeUndefined();
    },
  );

  test('what the shop writes itself is read as it was meant', () => {
    for (const value of [0, 7, 0.5, 12.25, 1450.5, 98765.4, 1234567])
      expect(readNumber(new Intl.NumberFormat(language).format(value))).toBe(value);
  });
});

test('three figures after one sign are thousands where the shop groups by it, and parts where it does not', () => {
  writeAs('en-GB');
  expect([readNumber('1,450'), readNumber('1.450')]).toEqual([1450, 1.45]);
  writeAs('de-DE');
  expect([readNumber('1,450'), readNumber('1.450')]).toEqual([1.45, 1450]);
});
