import type { Model } from '@/core/procedure/model';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { dearerThanBetter, type GradeCents, type Price } from './priceList';

/** Prices of one model, as somebody would set them. */
export interface PricesAsked {
  readonly fromDay: string;
  readonly prices: readonly { readonly partRef: string | null; readonly cents: GradeCents }[];
}

/**
 * Whether a model may have these prices: of itself, and of parts that are sold. What is past keeps its prices.
 *
 * @param today  the shop's day, ISO
 * @refuses 'price-day' for a day before today; 'price-part' for a part that has no worth in the model; 'price-order' where
 *   a grade would be dearer than a better one
 */
export function judgePrices(model: Model, { fromDay, prices }: PricesAsked, today: string): Outcome<readonly Price[]> {
  if (fromDay < today) return refuse('price-day');
  const judged: Price[] = [];
  for (const { partRef, cents } of prices) {
    const part = model.parts.find(({ id }) => id === partRef);
    if (partRef !== null && part?.valueCents === undefined)
      return refuse('price-part', { part: part?.name ?? partRef });
    const grade = dearerThanBetter(cents);
    if (grade) return refuse('price-order', { name: part?.name ?? model.name, grade });
    judged.push({ modelId: model.id, partRef, cents, fromDay });
  }
  return accept(judged);
}
