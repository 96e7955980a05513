import { phone } from '../../../tests/support/models';
import type { Unit } from '@/core/entities/entities';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import { fallingPrices } from './fallingPrices';
import { soldAs } from './waysToBuild';

const variant = phone.variants[0]?.id ?? null;
const units = [{ unit: { variant } as Unit, model: phone }];
const priceOf = (grade: 'A' | 'B' | 'C' | 'D') =>
  phone.priceCents[grade] + (phone.variants.find(({ id }) => id === variant)?.priceCents ?? 0);

test('a house that says nothing of many alike has no falling prices', () => {
  expect(fallingPrices(units, rules)).toEqual([]);
  expect(fallingPrices(units, { ...rules, manyAlike: { after: 5, lessShare: 0 } })).toEqual([]);
});

test('beyond so many each brings its share less, beyond twice as many twice that; the fee of the sale falls with it', () => {
  const falls = fallingPrices([...units, ...units], {
    ...rules,
    manyAlike: { after: 4, lessShare: 0.05 },
    selling: { feeShare: 0.1, perUnitCents: 0 },
  });
  expect(falls.length).toBe(12);
  expect(falls.filter(({ grade }) => grade === 'B')).toEqual(
    [4, 8, 12].map((after) => ({
      ...{ sellsAs: soldAs(phone, { variant }), grade: 'B', after },
      cents: Math.round(priceOf('B') * 0.05 * 0.9),
    })),
  );
});
