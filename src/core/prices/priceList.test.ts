import fc from 'fast-check';
import { phone, handset } from '../../../tests/support/models';
import { atPrices, dearerThanBetter, priceOn, type Price } from './priceList';

const cents = (a: number) => ({ A: a, B: a - 1, C: a - 2, D: a - 3 });
const battery = phone.parts.find(({ category }) => category === 'battery')?.id as string;
const price = (fromDay: string, a: number, partRef: string | null = null, modelId = phone.id): Price => ({
  modelId,
  partRef,
  cents: cents(a),
  fromDay,
});

describe('priceOn', () => {
  test('on every day the latest that has begun, and of one day the last that was set: held against plain looking', () => {
    const days = ['2026-01-01', '2026-01-02', '2026-01-03', '2026-01-04'];
    const prices = fc.array(fc.tuple(fc.constantFrom(...days), fc.integer({ min: 10, max: 99 })), { maxLength: 8 });
    fc.assert(
      fc.property(prices, fc.constantFrom(...days), (drawn, day) => {
        const all = drawn.map(([from, a]) => price(from, a));
        let expected: Price | undefined;
        for (const from of days) for (const one of all) if (one.fromDay === from && from <= day) expected = one;
        expect(priceOn(all, { modelId: phone.id, partRef: null }, day)).toEqual(expected);
      }),
      { seed: 2026 },
    );
  });
});

describe('atPrices', () => {
  const list = [price('2026-02-01', 9000), price('2026-03-01', 8000), price('2026-02-01', 700, battery)];
  const worth = (day: string, id = battery) => {
    const model = atPrices(phone, list, day);
    return [model.priceCents.A, model.parts.find((part) => part.id === id)?.valueCents?.A];
  };
  test('before the first day the author’s prices, then the shop’s, each from its day', () => {
    const author = [phone.priceCents.A, phone.parts.find(({ id }) => id === battery)?.valueCents?.A];
    expect(worth('2026-01-31')).toEqual(author);
    expect(worth('2026-02-01')).toEqual([9000, 700]);
    expect(worth('2026-02-28')).toEqual([9000, 700]);
    expect(worth('2026-03-01')).toEqual([8000, 700]);
  });

  test('the same prices are the same document, other models are not touched, and all but prices stays', () => {
    expect(atPrices(phone, list, '2026-02-10')).toBe(atPrices(phone, [...list], '2026-02-11'));
    expect(atPrices(handset, list, '2026-02-10')).toBe(handset);
    expect(atPrices(phone, list, '2026-01-01')).toBe(phone);
    const strip = ({ priceCents: _, parts, ...rest }: typeof phone) => ({
      ...rest,
      parts: parts.map(({ valueCents: __, ...part }) => part),
    });
    expect(strip(atPrices(phone, list, '2026-02-10'))).toEqual(strip(phone));
  });

  test('a part that its author gave no worth stays without', () => {
    const worthless = phone.parts.find(({ valueCents }) => valueCents === undefined);
    const priced = atPrices(phone, [price('2026-01-01', 500, worthless?.id ?? '')], '2026-02-01');
    expect(priced).toBe(phone);
  });
});

test('the better grade is never the cheaper', () => {
  expect(dearerThanBetter(cents(10))).toBeUndefined();
  expect(dearerThanBetter({ A: 5, B: 5, C: 5, D: 5 })).toBeUndefined();
  expect(dearerThanBetter({ A: 5, B: 6, C: 1, D: 1 })).toBe('B');
  expect(dearerThanBetter({ A: 5, B: 4, C: 1, D: 2 })).toBe('D');
});
