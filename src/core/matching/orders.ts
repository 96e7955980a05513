import type { Order } from '@/core/matchPlan/problem';
import type { SaleGrade } from '@/core/shared/grades';

/** Units that a customer has ordered, as the shop keeps it. */
export interface CustomerOrder {
  readonly id: string;
  readonly customer: string;
  readonly modelId: string;
  /** null for the model as it is without one. */
  readonly variant: string | null;
  readonly atLeast: SaleGrade;
  readonly count: number;
  /** Day in the shop by which they are done; null for whenever. */
  readonly dueOn: string | null;
  /** More than the shop's own price, for each. */
  readonly extraCents: number;
  /** What each that is missing costs. */
  readonly missCents: number;
  /** None may be missing. */
  readonly isFirm: boolean;
}

const dayMs = 24 * 3600 * 1000;

/** The same as a plan takes it, some days from today; what is due today or is late is due by tomorrow. */
export function orderOfPlan(order: CustomerOrder, today: string): Order {
  const { id, modelId, variant, atLeast, count, dueOn, extraCents, missCents, isFirm } = order;
  const days = dueOn === null ? null : Math.max(1, Math.round((Date.parse(dueOn) - Date.parse(today)) / dayMs));
  return { id, sellsAs: `${modelId}/${variant ?? ''}`, atLeast, count, days, extraCents, missCents, isFirm };
}
