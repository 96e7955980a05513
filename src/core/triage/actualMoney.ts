import type { Part, Unit } from '@/core/entities/entities';
import { sheetOf } from '@/core/sheet/sheetOf';
import { salePrice } from '@/core/sale/predictSale';
import type { Model } from '@/core/procedure/model';
import type { SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { worthToday, type Market } from '@/core/teardown/worth/partWorth';

/** A unit that was decided about, with what became of it. */
export interface Ended {
  readonly unit: Unit;
  readonly model: Model;
  /** Parts that came out of it. */
  readonly freed: readonly Part[];
  /** Parts that were put into it. */
  readonly fitted: readonly Part[];
  /** Seconds of work on its run sheets, as the bench timed them. */
  readonly seconds: number;
}

/**
 * What a unit really brought, in cents: its price at the grade it was released with, or its parts at the grades they were
 * given, less what went into it and the minutes the bench took. Parts count at what one more of them brings today, sold or not.
 *
 * @param market  by interchange class; one that is not listed has no stock
 * @returns null while it is not known: not released, or parts not graded yet
 */
export function actualMoney(ended: Ended, market: Readonly<Record<string, Market>>, rules: HouseRules): number | null {
  const { unit, model, seconds } = ended;
  const labour = Math.round((seconds / 60) * rules.labourCentsPerMinute);
  const isReleased = unit.stage === 'send' || unit.stage === 'sent';
  switch (unit.disposition) {
    case 'build':
      if (!isReleased || !unit.saleGrade) return null;
      return salePrice(model, unit, unit.saleGrade, rules) - partsIn(ended) - renewed(ended) - labour;
    case 'donor':
      if (unit.stage !== 'spent' || ended.freed.some(({ grade }) => grade === null)) return null;
      return ended.freed.reduce((sum, part) => sum + worthOf(model, part, market, rules), 0) - labour;
    case 'as-is':
      if (!isReleased || !unit.saleGrade) return null;
      return salePrice(model, unit, unit.saleGrade, rules);
    case 'recycle':
      return -rules.recycleCents;
    default:
      return null;
  }
}

function worthOf(
  model: Model,
  { partRef, grade, interchange }: Part,
  market: Readonly<Record<string, Market>>,
  rules: HouseRules,
): number {
  const cents = grade === null || grade === 'X' ? 0 : model.parts.find(({ id }) => id === partRef)?.valueCents?.[grade];
  return worthToday(cents ?? 0, market[interchange] ?? { stock: 0, usedPerMonth: null }, rules);
}

/** What was put in is worth what it would have fetched in its slot's own prices. */
const partsIn = ({ model, unit, fitted }: Ended): number =>
  Object.entries(unit.fitted).reduce((sum, [slot, id]) => {
    const grade = fitted.find((part) => part.id === id)?.grade as SaleGrade | undefined;
    return sum + (grade ? (model.parts.find((part) => part.id === slot)?.valueCents?.[grade] ?? 0) : 0);
  }, 0);

function renewed({ model, unit }: Ended): number {
  const sheet = unit.sheet?.kind === 'rebuild' ? sheetOf(model, unit, unit.sheet) : null;
  return sheet?.ok ? sheet.value.consumables.reduce((sum, { count, unitCents }) => sum + count * unitCents, 0) : 0;
}
