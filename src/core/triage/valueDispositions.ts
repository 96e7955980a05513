import type { Unit } from '@/core/bench/entities';
import { defaultTargets, sheetOf } from '@/core/bench/sheetOf';
import { slotNeeds } from '@/core/bench/slots';
import type { Disposition } from '@/core/bench/stages';
import { priceOf, saleGradeWith } from '@/core/matching/rankForSlot';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { Minutes } from '@/core/procedure/operations';
import type { HouseRules } from '@/core/shared/houseRules';
import { money } from '@/core/shared/money';
import type { KnownYield } from './knownYields';
import type { SaleGrade } from '@/core/shared/grades';

/** What a choice for a unit is worth to the shop after parts and labour. */
export interface Valued {
  readonly disposition: Disposition;
  readonly cents: number;
  readonly lowCents: number;
  readonly highCents: number;
  /** The two numbers that decide it, in a sentence. */
  readonly because: string;
  readonly isPossible: boolean;
}

/** What is known of stock and yields when a unit is valued. */
export interface Knowledge {
  /** Best grade on the shelf by interchange class. */
  readonly shelf: Readonly<Record<string, { readonly grade: SaleGrade; readonly count: number }>>;
  /** Yields of this model's parts so far; a part that is not listed was never sought. */
  readonly yields: Readonly<Record<string, KnownYield>>;
  /** What to expect of a part that was never sought. */
  readonly unseen: KnownYield;
}

type Subject = Pick<Unit, 'revision' | 'configuration' | 'variant' | 'marks' | 'tests'>;

/**
 * Every choice for a unit with its money, best first. What must not be weighed with money comes first whatever it is
 * worth: a swollen cell is made safe, a locked unit is a question of ownership.
 *
 * Additive: parts are taken to survive independently, and minutes as the likely ones. Low and high move the yields to
 * the ends of their 80 % intervals and the minutes to low and high; they are a range, not a distribution.
 */
export function valueDispositions(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): readonly Valued[] {
  const apart = mustKeepApart(unit);
  const valued = [
    valueBuild(model, unit, known, rules),
    valueDonor(model, unit, known, rules),
    valueAsIs(model, unit, rules),
    {
      ...flat('recycle', -rules.recycleCents),
      because: `Costs ${money(rules.recycleCents)} to hand over.`,
      isPossible: true,
    },
  ].sort((a, b) => Number(b.isPossible) - Number(a.isPossible) || b.cents - a.cents);
  const quarantine: Valued = {
    ...flat('quarantine', 0),
    because: apart ?? 'Nothing asks for it: no swelling, no lock found.',
    isPossible: true,
  };
  return apart ? [quarantine, ...valued] : [...valued, quarantine];
}

const flat = (disposition: Disposition, cents: number) => ({ disposition, cents, lowCents: cents, highCents: cents });

function mustKeepApart(unit: Subject): string | null {
  if (unit.tests['account-lock'] === 'fault') return 'It is locked to an account: find the owner first.';
  if (unit.marks.some(({ kind }) => kind === 'swelling'))
    return 'The cell is swollen: make it safe before anything else.';
  return null;
}

const labour = (minutes: Minutes, rules: HouseRules) => ({
  likely: Math.round(minutes.likely * rules.labourCentsPerMinute),
  low: Math.round(minutes.low * rules.labourCentsPerMinute),
  high: Math.round(minutes.high * rules.labourCentsPerMinute),
});

function valueBuild(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): Valued {
  const needed = slotNeeds(model, unit).filter(({ isNeeded }) => isNeeded);
  const sheet = sheetOf(model, unit, { kind: 'rebuild', targets: needed.map(({ part }) => part.id) });
  const lacking = needed.filter(({ part }) => !known.shelf[part.interchange]);
  const [first] = lacking;
  if (!sheet.ok)
    return { ...flat('build', 0), because: 'What it needs cannot be reached in this model.', isPossible: false };
  const parts = needed.map(({ part }) => ({ part, grade: known.shelf[part.interchange]?.grade ?? ('B' as SaleGrade) }));
  const sellsAt = saleGradeWith(model, unit, Object.fromEntries(parts.map(({ part, grade }) => [part.id, grade])));
  const price = priceOf(model, unit.variant, sellsAt);
  const partCents = parts.reduce((sum, { part, grade }) => sum + (part.valueCents?.[grade] ?? 0), 0);
  const consumables = sheet.value.consumables.reduce((sum, { count, unitCents }) => sum + count * unitCents, 0);
  const work = labour(sheet.value.minutes, rules);
  const rest = price - partCents - consumables;
  const needs = needed.length === 0 ? 'It needs no part' : `Needs ${needed.map(({ part }) => part.name).join(', ')}`;
  const from = first ? `; no ${first.part.name} on the shelf yet` : needed.length > 0 ? ', on the shelf' : '';
  return {
    disposition: 'build',
    cents: rest - work.likely,
    lowCents: rest - work.high,
    highCents: rest - work.low,
    because: `${needs}${from}. Sells at ${sellsAt} for ${money(price)}.`,
    isPossible: unit.tests.starts !== 'fault' || needed.length > 0,
  };
}

function valueDonor(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): Valued {
  const faulty = new Set(
    slotNeeds(model, unit)
      .filter(({ isNeeded }) => isNeeded)
      .map(({ part }) => part.id),
  );
  const targets = defaultTargets(model, unit.configuration).filter((id) => !faulty.has(id));
  const sheet = sheetOf(model, unit, { kind: 'teardown', targets });
  if (!sheet.ok) return { ...flat('donor', 0), because: 'Nothing worth having can be reached.', isPossible: false };
  const worth = targets.map((id) => {
    const part = getModelPart(model, id);
    const { share, low, high } = known.yields[id] ?? known.unseen;
    const value = part.valueCents?.B ?? 0;
    return { name: part.name, likely: value * share, low: value * low, high: value * high };
  });
  const sum = (key: 'likely' | 'low' | 'high') => Math.round(worth.reduce((total, part) => total + part[key], 0));
  const work = labour(sheet.value.minutes, rules);
  const best = worth.reduce<(typeof worth)[number] | null>(
    (top, part) => (!top || part.likely > top.likely ? part : top),
    null,
  );
  return {
    disposition: 'donor',
    cents: sum('likely') - work.likely,
    lowCents: sum('low') - work.high,
    highCents: sum('high') - work.low,
    because: best
      ? `${targets.length} parts for ${money(sum('likely'))}, the ${best.name} most; ${Math.round(sheet.value.minutes.likely)} min of work.`
      : 'No sound part is left in it.',
    isPossible: best !== null,
  };
}

function valueAsIs(model: Model, unit: Subject, rules: HouseRules): Valued {
  const cents = Math.round(priceOf(model, unit.variant, 'D') * rules.asIsShare);
  const starts = unit.tests.starts === 'sound';
  return {
    ...flat('as-is', cents),
    because: starts
      ? `Untested, ${Math.round(rules.asIsShare * 100)} in 100 of the D price.`
      : 'It must start to be wiped first.',
    isPossible: starts,
  };
}
