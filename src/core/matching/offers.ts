import type { Offer } from '@/core/matchPlan/problem';
import type { SaleGrade } from '@/core/shared/grades';

/** Where a class of parts can be bought, as the shop keeps it. */
export interface PurchaseOffer {
  readonly id: string;
  readonly interchange: string;
  readonly supplier: string;
  readonly grade: SaleGrade;
  readonly cents: number;
  /** null where there is no end of them. */
  readonly most: number | null;
  readonly leadDays: number;
  /** 0 for none. */
  readonly warrantyDays: number;
}

/** The same as a plan takes it. @param worthCents  what one of that grade brings by itself, once it is there */
export const offerOfPlan = (
  { id, interchange, grade, cents, most, leadDays, warrantyDays }: PurchaseOffer,
  worthCents: number,
): Offer => ({ id: `buy ${id}`, of: interchange, grade, cents, worthCents, most, leadDays, warrantyDays });
