import type { ModelPart } from '@/core/procedure/parts';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';

/** How a sound part of a model tends to be graded; the shares sum to 1. */
export type GradeMix = Readonly<Record<SaleGrade, number>>;

/** What one more part of a class meets on the shelf. */
export interface Market {
  /** Parts of the class that lie there. */
  readonly stock: number;
  /** Parts of it that go into units in a month; null when nobody knows yet. */
  readonly usedPerMonth: number | null;
}

export interface SurplusRules {
  /** Share of its worth that a part loses for each month on the shelf. */
  readonly monthlyLoss: number;
  /** Share of its worth below which it does not fall: somebody always buys it. */
  readonly surplusShare: number;
}

/** Cents of a sound part of the mean grade, before stock. Undefined when the model gives it no worth. */
export function priceOfPart({ valueCents, singleUse }: ModelPart, mix: GradeMix): number | undefined {
  if (!valueCents || singleUse) return undefined;
  return Math.round(saleGrades.reduce((sum, grade) => sum + mix[grade] * valueCents[grade], 0));
}

/**
 * What one more sound part brings, in whole cents: the tenth camera is worth less than the first.
 *
 * It waits until those that lie there are used, and loses a share each month of it.
 *
 * @param ahead  parts of the class that come before it, beside the stock (from other donors of the same plan)
 */
export function worthToday(
  priceCents: number,
  { stock, usedPerMonth }: Market,
  rules: SurplusRules,
  ahead = 0,
): number {
  if (usedPerMonth === null) return priceCents;
  const before = stock + ahead;
  const months = usedPerMonth > 0 ? before / usedPerMonth : before > 0 ? Infinity : 0;
  return Math.round(priceCents * Math.max(rules.surplusShare, (1 - rules.monthlyLoss) ** months));
}
