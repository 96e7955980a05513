import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { saleGrades, worstGrade, type Grade, type SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { slotNeeds, usualGrade, type SlotUnit } from './slots';

/** What holds a sale grade down. */
export type SaleLimit =
  | { readonly is: 'look' }
  | { readonly is: 'as-is' }
  | { readonly is: 'slot'; readonly slot: string; readonly name: string };

/** At which grade a unit sells, for how much, and what holds it there. */
export interface Sale {
  readonly grade: SaleGrade;
  readonly priceCents: number;
  readonly limiting: SaleLimit;
}

export interface SaleQuestion {
  /** Grades of parts that are, or are meant to go, into slots. */
  readonly held?: Readonly<Record<string, Grade>>;
  /** Best grade on the shelf by interchange class: what a slot that needs a part would get. */
  readonly shelf?: Readonly<Record<string, { readonly grade: SaleGrade }>>;
  /** What the eye says of the whole; left out while nobody has judged it. */
  readonly look?: SaleGrade;
}

/** A part that has to be bought is bought in this grade. */
export const boughtGrade: SaleGrade = 'B';

type SaleRules = Pick<HouseRules, 'asIsShare'>;

type SaleUnit = SlotUnit & Pick<Unit, 'variant'> & Partial<Pick<Unit, 'disposition'>>;

/**
 * The sale grade and price of a unit: what Triage promises, Match shows and Prove proposes. The worst of its cosmetic
 * slots, by the part that fills each, and of the look once that is judged. Sold as it is, it is a D at the shop's share.
 */
export function predictSale(
  model: Model,
  unit: SaleUnit,
  { held = {}, shelf = {}, look }: SaleQuestion,
  rules: SaleRules,
): Sale {
  if (unit.disposition === 'as-is')
    return { grade: 'D', priceCents: salePrice(model, unit, 'D', rules), limiting: { is: 'as-is' } };
  const slots = slotNeeds(model, unit)
    .filter(({ part }) => part.slot === 'cosmetic')
    .map(({ part, ownGrade, isNeeded }) => ({
      limiting: { is: 'slot', slot: part.id, name: part.name } as const,
      grade: held[part.id] ?? (isNeeded ? (shelf[part.interchange]?.grade ?? boughtGrade) : ownGrade),
    }));
  const judged: readonly { readonly limiting: SaleLimit; readonly grade: Grade }[] = [
    ...(look ? [{ limiting: { is: 'look' } as const, grade: look }] : []),
    ...slots,
  ];
  const worst = judged.length > 0 ? worstGrade(judged.map(({ grade }) => grade)) : usualGrade;
  const grade = worst === 'X' ? 'D' : worst;
  const limiting = judged.find((entry) => entry.grade === worst)?.limiting ?? { is: 'look' };
  return { grade, priceCents: salePrice(model, unit, grade, rules), limiting };
}

/** Price of a unit at a grade: its model's, with what its variant adds; the shop's share of it when it is sold as it is. */
export function salePrice(
  model: Model,
  { variant, disposition }: Pick<Unit, 'variant'> & Partial<Pick<Unit, 'disposition'>>,
  grade: SaleGrade,
  { asIsShare }: SaleRules,
): number {
  const whole = model.priceCents[grade] + (model.variants.find(({ id }) => id === variant)?.priceCents ?? 0);
  return disposition === 'as-is' ? Math.round(whole * asIsShare) : whole;
}

/** Grades of the parts that fill slots, for `SaleQuestion.held`; one that has no grade yet is left out. */
export const gradesHeld = (
  slots: Readonly<Record<string, string>>,
  gradeOf: (partId: string) => Grade | null | undefined,
): Readonly<Record<string, Grade>> =>
  Object.fromEntries(
    Object.entries(slots).flatMap(([slot, partId]) => {
      const grade = gradeOf(partId);
      return grade ? [[slot, grade]] : [];
    }),
  );

/** The best grade of each class among parts, as `SaleQuestion.shelf` wants it. */
export function bestOnShelf(
  parts: readonly { readonly interchange: string; readonly grade: Grade | null }[],
): Readonly<Record<string, { readonly grade: SaleGrade }>> {
  const best: Record<string, { grade: SaleGrade }> = {};
  for (const grade of [...saleGrades].reverse())
    for (const part of parts) if (part.grade === grade) best[part.interchange] = { grade };
  return best;
}
