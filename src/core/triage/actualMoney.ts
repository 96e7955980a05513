import { carriedBy, type Part, type Unit } from '@/core/entities/entities';
import { kindsFound } from '@/core/findings/mark';
import { sheetOf } from '@/core/sheet/sheetOf';
import { sellingCosts } from '@/core/sale/sellingCosts';
import { salePrice } from '@/core/sale/predictSale';
import type { Model } from '@/core/procedure/model';
import type { SaleGrade } from '@/core/shared/grades';
import type { HouseRules } from '@/core/shared/houseRules';
import { movesOf } from '@/core/teardown/worth/movesOf';
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

/** A unit's money, each line in cents and none negative. */
export interface UnitAccount {
  /** What it is sold for; null until it is released. */
  readonly saleCents: number | null;
  /** What selling it cost. */
  readonly sellingCents: number;
  /** What its graded parts are worth today, sold or not, and how many have no grade yet. */
  readonly partsOutCents: number;
  readonly ungraded: number;
  /** Parts that were put in, at what they would have fetched, and what was used up with them. */
  readonly partsInCents: number;
  readonly consumablesCents: number;
  /** Minutes that the bench timed, at the house's price. */
  readonly labourCents: number;
  /** What it costs to have it taken away. */
  readonly recycleCents: number;
}

/**
 * Where a unit's money went and came from, but for what it was bought for.
 *
 * @param market  by interchange class; one that is not listed has no stock
 */
export function unitAccount(ended: Ended, market: Readonly<Record<string, Market>>, rules: HouseRules): UnitAccount {
  const { unit, model, freed, seconds } = ended;
  const isReleased = unit.stage === 'send' || unit.stage === 'sent';
  const saleCents = isReleased && unit.saleGrade ? salePrice(model, unit, unit.saleGrade, rules) : null;
  return {
    saleCents,
    sellingCents: saleCents === null ? 0 : sellingCosts(saleCents, rules),
    partsOutCents: freed.reduce(
      (sum, part) => sum + worthOf(model, part, market, rules) + savedMoves(model, unit, part, rules),
      0,
    ),
    ungraded: freed.filter(({ grade }) => grade === null).length,
    partsInCents: partsIn(ended),
    consumablesCents: renewed(ended),
    labourCents: Math.round((seconds / 60) * rules.labourCentsPerMinute),
    recycleCents: unit.stage === 'recycled' ? rules.recycleCents : 0,
  };
}

/**
 * What a unit really brought, in cents, as its proposal is held to: its price at the grade it was released with, or its
 * parts at the grades they were given, less what went into it and the minutes the bench took.
 *
 * @returns null while it is not known: not released, or parts not graded yet
 */
export function actualMoney(ended: Ended, market: Readonly<Record<string, Market>>, rules: HouseRules): number | null {
  const { unit } = ended;
  const account = unitAccount(ended, market, rules);
  switch (unit.disposition) {
    case 'build':
      return account.saleCents === null
        ? null
        : account.saleCents -
            account.sellingCents -
            account.partsInCents -
            account.consumablesCents -
            account.labourCents;
    case 'donor':
      return unit.stage !== 'spent' || account.ungraded > 0 ? null : account.partsOutCents - account.labourCents;
    case 'as-is':
      return account.saleCents === null ? null : account.saleCents - account.sellingCents;
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

/** A whole assembly saves whoever fits it the moves, as its proposal reckoned. */
function savedMoves(model: Model, unit: Unit, whole: Part, rules: HouseRules): number {
  const carries = carriedBy(whole);
  if (carries.length === 0 || whole.grade === null || whole.grade === 'X') return 0;
  const moves = movesOf(model, { ...unit, findings: kindsFound(unit) }, whole.partRef, rules);
  return Math.round(moves.reduce((sum, { part, cents }) => sum + (carries.includes(part) ? cents : 0), 0));
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
