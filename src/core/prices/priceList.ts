import type { Model } from '@/core/procedure/model';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';

export type GradeCents = Readonly<Record<SaleGrade, number>>;

/** What the shop takes for a unit of a model, or reckons a part of it at, from a day on. */
export interface Price {
  readonly modelId: string;
  /** Null for the unit itself. */
  readonly partRef: string | null;
  readonly cents: GradeCents;
  /** ISO date where the shop is. */
  readonly fromDay: string;
}

/**
 * The price in force on a day: the latest that has begun; of those of one day the one that was set last.
 *
 * @param prices  in the order in which they were set
 */
export function priceOn(
  prices: readonly Price[],
  of: Pick<Price, 'modelId' | 'partRef'>,
  day: string,
): Price | undefined {
  return prices
    .filter((price) => price.modelId === of.modelId && price.partRef === of.partRef && price.fromDay <= day)
    .reduce<Price | undefined>((best, price) => (best && best.fromDay > price.fromDay ? best : price), undefined);
}

/** Models at prices, by model: the same prices give the same document. */
const made = new WeakMap<Model, Map<string, Model>>();

/**
 * A model with the shop's own prices of a day in place of its author's. A part that its author gave no worth keeps none:
 * it is not sold.
 *
 * @param prices  in the order in which they were set; those of other models are passed over
 */
export function atPrices(model: Model, prices: readonly Price[], day: string): Model {
  const own = prices.filter(({ modelId }) => modelId === model.id);
  if (own.length === 0) return model;
  const centsOf = (partRef: string | null) => priceOn(own, { modelId: model.id, partRef }, day)?.cents;
  const unit = centsOf(null);
  const parts = model.parts.flatMap(({ id, valueCents }) => {
    const cents = valueCents && centsOf(id);
    return cents ? [[id, cents] as const] : [];
  });
  if (!unit && parts.length === 0) return model;
  const key = JSON.stringify([unit, parts]);
  const known = made.get(model) ?? new Map<string, Model>();
  made.set(model, known);
  const before = known.get(key);
  if (before) return before;
  const byPart = new Map(parts);
  const priced: Model = {
    ...model,
    priceCents: unit ?? model.priceCents,
    parts: model.parts.map((part) => ({ ...part, ...(byPart.has(part.id) && { valueCents: byPart.get(part.id) }) })),
  };
  known.set(key, priced);
  return priced;
}

/** The first grade that would be dearer than a better one; undefined when the better is never the cheaper. */
export const dearerThanBetter = (cents: GradeCents): SaleGrade | undefined =>
  saleGrades.find((grade, at) => at > 0 && cents[grade] > cents[saleGrades[at - 1] as SaleGrade]);
