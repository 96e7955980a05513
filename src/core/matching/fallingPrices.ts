import type { Unit } from '@/core/entities/entities';
import type { PriceFall } from '@/core/matchPlan/problem';
import type { Model } from '@/core/procedure/model';
import { salePrice } from '@/core/sale/predictSale';
import { saleGrades } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { soldAs } from './waysToBuild';

/** Prices fall by so many steps. */
const fallSteps = 3;

/** From so many alike on, as the house has it. */
export function fallingPrices(
  units: readonly { readonly unit: Unit; readonly model: Model }[],
  { manyAlike: { after, lessShare }, selling, asIsShare }: HouseRules,
): readonly PriceFall[] {
  if (after === null || lessShare === 0) return [];
  const kinds = new Map(units.map(({ unit, model }) => [soldAs(model, unit), { unit, model }] as const));
  return [...kinds].flatMap(([sellsAs, { unit, model }]) =>
    saleGrades.flatMap((grade) => {
      const price = salePrice(model, { variant: unit.variant }, grade, { asIsShare });
      const cents = Math.round(price * lessShare * (1 - selling.feeShare));
      return Array.from({ length: fallSteps }, (_, at) => ({ sellsAs, grade, after: after * (at + 1), cents }));
    }),
  );
}
