import { sheetOf } from '@/core/sheet/sheetOf';
import { boughtGrade, predictSale, salePrice } from '@/core/sale/predictSale';
import { sellingCosts } from '@/core/sale/sellingCosts';
import { neededParts, suspects } from '@/core/sale/slots';
import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import { lockTests, type DeviceTest } from '@/core/procedure/vocabulary';
import { saleGrades, type SaleGrade } from '@/core/shared/grades';
import type { Chance } from '@/core/shared/chance';
import type { HouseRules } from '@/core/shared/houseRules';
import { movesOn, type Move } from '@/core/teardown/worth/movesOf';
import type { Brought } from '@/core/procedure/transfers';
import { meanMinutes } from '@/core/teardown/attendedMinutes';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { drawMinutes, drawRange, drawShare, type RangeOf } from './drawRange';
import type { Knowledge, Subject } from './knowledge';
import { unknownTest, type KnownYield } from './knownYields';
import type { Valued } from './valued';
import type { DonorPlan } from './valueDonor';
import { message } from '@/core/shared/message';

/** Tests that nobody has noted on a unit and that no new part answers: each may hide a fault. */
export function openTests(model: Model, unit: Subject, replaced: readonly string[]): readonly DeviceTest[] {
  const fresh = new Set(model.parts.filter(({ id }) => replaced.includes(id)).map(({ category }) => category));
  return model.tests.filter((test) => {
    const result = unit.tests[test];
    const isAnswered = suspects[test].length > 0 && suspects[test].every((category) => fresh.has(category));
    return !lockTests.includes(test) && result !== 'sound' && result !== 'fault' && !isAnswered;
  });
}

/** What goes into a slot, and what it costs the shop. */
export interface Filling {
  readonly part: ModelPart;
  readonly grade: SaleGrade;
  readonly cents: number;
  readonly isBought: boolean;
}

/** The best part on the shelf, at what it would fetch; one that is bought when there is none. */
function fillWith(part: ModelPart, known: Knowledge, rules: HouseRules): Filling {
  const there = known.shelf[part.interchange];
  const grade = there?.grade ?? boughtGrade;
  const worth = part.valueCents?.[grade] ?? 0;
  return there
    ? { part, grade, cents: worth, isBought: false }
    : { part, grade, cents: Math.round(worth * rules.purchaseFactor), isBought: true };
}

/** What the best parts on the shelf bring with them. */
const broughtFromShelf = (model: Model, needed: readonly ModelPart[], { shelf }: Knowledge): readonly Brought[] =>
  needed.flatMap(({ id, interchange }) => {
    const whole = shelf[interchange]?.whole;
    return whole?.modelId === model.id ? whole.carries.map((part) => ({ assembly: id, part })) : [];
  });

/** What building a unit takes, whatever it falls back on. */
export interface BuildPlan {
  readonly needed: readonly ModelPart[];
  readonly parts: readonly Filling[];
  /** The grade it is likely to be released with, and its price then. */
  readonly sellsAt: SaleGrade;
  readonly price: number;
  /** Prices at the grades it may get, with their shares. */
  readonly prices: readonly { readonly cents: number; readonly share: number }[];
  /** Of selling it, at the mean of these prices. */
  readonly costs: number;
  readonly consumables: number;
  readonly steps: readonly SheetStep[];
  readonly minutes: number;
  /** Of the tests that nobody made yet. */
  readonly odds: readonly KnownYield[];
  /** Chance that none of them hides a fault. */
  readonly holds: number;
  /** Tests that may show a fault at Prove: of all that fail, the share that fails by this one, and the parts it makes scrap. */
  readonly failing: readonly {
    readonly test: DeviceTest;
    readonly share: number;
    readonly spoils: ReadonlySet<string>;
  }[];
  /** What moves to the assemblies that go in, and what may break with it in expected cents. */
  readonly moves: readonly Move[];
  readonly movingRisk: number;
  /** Expected price less what selling costs, parts, what is renewed and what may break. */
  readonly restCents: number;
}

/** Null when what the unit needs cannot be reached. */
export function planBuild(model: Model, unit: Subject, known: Knowledge, rules: HouseRules): BuildPlan | null {
  const needed = neededParts(model, unit);
  const targets = needed.map(({ id }) => id);
  const brought = broughtFromShelf(model, needed, known);
  const sheet = sheetOf(model, unit, { kind: 'rebuild', targets, rules, brought });
  if (!sheet.ok) return null;
  const moves = movesOn(model, sheet.value, rules);
  const movingRisk = Math.round(moves.reduce((sum, { breakage, anotherCents }) => sum + breakage * anotherCents, 0));
  const parts = needed.map((part) => fillWith(part, known, rules));
  const { grade: sellsAt, priceCents: price } = predictSale(model, unit, { shelf: known.shelf }, rules);
  const partCents = parts.reduce((sum, { cents }) => sum + cents, 0);
  const consumables = sheet.value.consumables.reduce((sum, { count, unitCents }) => sum + count * unitCents, 0);
  const { steps } = sheet.value;
  const prices = pricesAround(model, unit, sellsAt, rules);
  const costs = sellingCosts(Math.round(meanPrice(prices)), rules);
  const open = openTests(model, unit, targets);
  const odds = open.map((test) => known.tests[test] ?? unknownTest);
  const fails = odds.reduce((sum, { share }) => sum + 1 - share, 0);
  return {
    needed,
    parts,
    sellsAt,
    price,
    prices,
    consumables,
    steps,
    minutes: steps.reduce((sum, step) => sum + meanMinutes(step.minutes), 0),
    odds,
    holds: odds.reduce((product, { share }) => product * share, 1),
    failing: open.map((test, at) => {
      const faulty = neededParts(model, { ...unit, tests: { ...unit.tests, [test]: 'fault' } });
      return {
        test,
        share: fails > 0 ? (1 - (odds[at] as KnownYield).share) / fails : 0,
        spoils: new Set(faulty.map(({ id }) => id)),
      };
    }),
    costs,
    moves,
    movingRisk,
    restCents: Math.round(meanPrice(prices)) - costs - partCents - consumables - movingRisk,
  };
}

/** Looks are judged at the end: a grade better or worse than expected, by the house rules' shares. */
export function pricesAround(
  model: Model,
  { variant }: Pick<Subject, 'variant'>,
  grade: SaleGrade,
  rules: HouseRules,
): BuildPlan['prices'] {
  const at = saleGrades.indexOf(grade);
  const of = (place: number) =>
    salePrice(model, { variant }, saleGrades[Math.min(Math.max(place, 0), saleGrades.length - 1)] as SaleGrade, rules);
  const { better, worse } = rules.saleGradeShift;
  return [
    { cents: of(at - 1), share: better },
    { cents: of(at), share: 1 - better - worse },
    { cents: of(at + 1), share: worse },
  ];
}

export const meanPrice = (prices: BuildPlan['prices']): number =>
  prices.reduce((sum, { cents, share }) => sum + cents * share, 0);

/**
 * What is left of a build that fails at Prove: a donor, but for the parts that the fault makes scrap. Taken as one fault at a
 * time, and as the unit would be taken apart without it.
 */
export function fallbackCents({ failing }: BuildPlan, harvest: DonorPlan | null): number {
  if (!harvest) return 0;
  return failing.reduce((sum, { share, spoils }) => {
    const lost = harvest.harvest
      .filter(({ part, partner }) => spoils.has(part) || (partner !== null && spoils.has(partner)))
      .reduce((all, { soundCents, chance }) => all + soundCents * chance, 0);
    return sum + share * Math.max(0, harvest.cents - lost);
  }, 0);
}

/** Expected cents of a build that falls back on something when it fails. */
export const buildCents = (
  { holds, restCents, consumables, minutes }: BuildPlan,
  fallback: number,
  { labourCentsPerMinute }: HouseRules,
): number =>
  Math.round(holds * restCents + (1 - holds) * (Math.max(0, fallback) - consumables) - minutes * labourCentsPerMinute);

/**
 * What a unit leaves when it is built and sold: its price at the grade it would have, less what selling costs, the parts it needs (at what they
 * would bring otherwise), what is renewed, and the minutes of the very sheet the bench would get. What was not tested may
 * fail at Prove, and then the work is lost and what is left is a donor.
 *
 * @param plan     what building takes; null when what the unit needs cannot be reached
 * @param harvest  how far it pays as a donor now
 */
export function valueBuild(
  plan: BuildPlan | null,
  unit: Subject,
  known: Knowledge,
  rules: HouseRules,
  harvest: DonorPlan | null,
  rangeOf: RangeOf = drawRange,
): Valued {
  if (!plan) {
    const nothing = { disposition: 'build', cents: 0, lowCents: 0, highCents: 0, figures: [] } as const;
    return { ...nothing, because: message('triage.partsNeedsCannotBeReached'), isPossible: false };
  }
  const { needed, parts, sellsAt, price, prices, costs, consumables, minutes, odds, holds } = plan;
  const work = minutes * rules.labourCentsPerMinute;
  const rest = plan.restCents;
  const fallback = fallbackCents(plan, harvest);
  const failed = fallback - consumables;
  const lacking = needed.find((part) => !known.shelf[part.interchange]);
  const draw = drawBuild(plan, fallback, rules);
  const range = rangeOf((chance) => draw(chance));
  return {
    disposition: 'build',
    cents: buildCents(plan, fallback, rules),
    lowCents: Math.round(range.low),
    highCents: Math.round(range.high),
    because: message('triage.needsNoPartSellsAt', {
      needed: needed.map(({ name }) => name),
      count: needed.length,
      lacking: lacking?.name,
      isLacking: lacking ? 'yes' : 'no',
      sellsAt,
      price,
      holds,
      isSure: odds.length === 0 ? 'yes' : 'no',
    }),
    isPossible: unit.tests.starts !== 'fault' || needed.length > 0,
    figures: [
      { says: message('triage.sellsAt', { sellsAt }), cents: price },
      ...(Math.round(meanPrice(prices)) === price
        ? []
        : [{ says: message('triage.mayBeGradedBetterOr'), cents: Math.round(meanPrice(prices)) - price }]),
      ...(costs > 0 ? [{ says: message('triage.sellingCosts'), cents: -costs }] : []),
      ...parts.map(({ part, grade, cents, isBought }) => ({
        says: message('triage.gradeBought', { name: part.name, grade, isBought: isBought ? 'yes' : 'no' }),
        cents: -cents,
      })),
      ...(plan.movingRisk > 0
        ? [{ says: message('triage.mayBreakOnMoving', { count: plan.moves.length }), cents: -plan.movingRisk }]
        : []),
      ...(consumables > 0 ? [{ says: message('triage.consumables'), cents: -consumables }] : []),
      {
        says: message('triage.minAt', { taken: minutes, labourCentsPerMinute: rules.labourCentsPerMinute }),
        cents: -Math.round(work),
      },
      ...(odds.length > 0
        ? [
            {
              says: message('triage.testNotMadeChanceFailing', { count: odds.length, fails: 1 - holds }),
              cents: Math.round((1 - holds) * (failed - rest)),
            },
          ]
        : []),
    ],
  };
}

/**
 * Ways a build could turn out: whether a fault comes to light that nobody tested for, how it is graded, how long it takes.
 *
 * @returns a draw of what it leaves, which takes how often a test comes out sound by the belief itself unless it is said
 */
export function drawBuild(
  { odds, failing, prices, price, restCents, consumables, steps }: BuildPlan,
  fallback: number,
  rules: HouseRules,
): (chance: Chance, shareOf?: (test: DeviceTest) => number) => number {
  // The parts come out again when it fails, so they are not lost.
  const failed = fallback - consumables;
  const mean = Math.round(meanPrice(prices));
  return (chance, shareOf) => {
    const isSold = failing.every(({ test }, at) =>
      chance.happens(shareOf ? shareOf(test) : drawShare(odds[at] as KnownYield, chance)),
    );
    const drawn = chance.next();
    let sum = 0;
    const sold = prices.find(({ share }) => drawn < (sum += share)) ?? prices[1];
    const off = (sold?.cents ?? price) - mean;
    const brought = isSold ? restCents + off * (1 - rules.selling.feeShare) : failed;
    return brought - drawMinutes(steps, chance) * rules.labourCentsPerMinute;
  };
}
