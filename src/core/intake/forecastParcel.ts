import type { Unit } from '@/core/entities/entities';
import type { Weighed } from '@/core/entities/entities';
import type { Disposition } from '@/core/entities/stages';
import type { Model } from '@/core/procedure/model';
import type { DeviceTest, TestResult } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import type { HouseRules } from '@/core/shared/houseRules';
import { drawAmount, drawShare } from '@/core/triage/drawRange';
import { knowledgeFor, type ShopKnowledge } from '@/core/triage/knowledge';
import type { KnownYield } from '@/core/triage/knownYields';
import { valueDispositions } from '@/core/triage/proposeDisposition';
import { unknownTest } from '@/core/triage/valueBuild';
import { planHarvest, type Harvest } from '@/core/triage/valueDonor';
import { middle80 } from '@/core/statistics/middle80';

/** A unit of a parcel, or a line that promises one. */
export interface ParcelItem {
  /** `MODEL@VERSION` of what it is, or is promised to be; null when nobody knows. */
  readonly model: string | null;
  /** What was expected of it when it was decided about; null before that. */
  readonly decided: Weighed | null;
  /** What is noted of it. */
  readonly unit: Pick<Unit, 'revision' | 'configuration' | 'variant' | 'marks' | 'tests'> | null;
  /** Parts that its sheet asks for; null while it has none. */
  readonly sought: readonly string[] | null;
}

/** Middle of what is expected, and the ends of the middle 80 %. */
export interface Span {
  readonly mean: number;
  readonly low: number;
  readonly high: number;
}

export interface ParcelForecast {
  readonly builds: Span;
  readonly donors: Span;
  /** Good parts by name, most first. */
  readonly parts: readonly { readonly name: string; readonly good: Span }[];
  /** What all of it brings after parts and labour, before what was paid. */
  readonly cents: Span;
  /** Units and lines that it is of. */
  readonly known: number;
  /** Items whose model is not in the library: they are left out. */
  readonly unknown: number;
  /** Models of which no part was ever sought: their ranges are wide for want of evidence. */
  readonly neverSeen: readonly string[];
}

/** A way a unit of a model could turn out, with what would then be done. */
interface Turnout {
  readonly choice: Disposition;
  readonly cents: number;
  readonly lowCents: number;
  readonly highCents: number;
  readonly harvest: readonly Harvest[];
  /** How the tests that nobody made came out in it. */
  readonly tests: readonly { readonly test: DeviceTest; readonly isSound: boolean }[];
  /** It stands for all the seldom ones together, as often as each other that does. */
  readonly isSeldom: boolean;
}

/** The likeliest ways that tests can come out are told apart, and of the others as many are tried. */
const likely = 9;
const seldom = 3;
const draws = 400;

/**
 * What a parcel is expected to give: units to build, parts, money. What is decided counts as it was weighed; the rest turns
 * out as the quick tests of the shop have so far, and is valued as at triage. Units of one parcel come from one hand: the
 * yield of a part, and the share of sound ones of a test, are drawn once for the whole of it, so that what is little known
 * makes the range of the sum wide, and not only that of each unit.
 *
 * @param models  by `ID@VERSION`
 * Cost: twelve valuations for each model, then 400 draws of the parcel
 */
export function forecastParcel(
  items: readonly ParcelItem[],
  models: ReadonlyMap<string, Model>,
  shop: ShopKnowledge,
  rules: HouseRules,
): ParcelForecast {
  const chance = new Chance(20261126);
  const known = items.filter(({ model }) => model !== null && models.has(model));
  const turnouts = new Map<ParcelItem, readonly Turnout[]>();
  const ofModel = new Map<string, readonly Turnout[]>();
  for (const item of known) {
    const model = models.get(item.model as string) as Model;
    const isPlain = item.unit === null || Object.keys(item.unit.tests).length + item.unit.marks.length === 0;
    const shared = isPlain && !item.decided ? ofModel.get(item.model as string) : undefined;
    const made = shared ?? turnoutsOf(model, item, shop, rules, chance);
    if (isPlain && !item.decided) ofModel.set(item.model as string, made);
    turnouts.set(item, made);
  }
  const counts = Array.from({ length: draws }, () => drawParcel(known, turnouts, shop, chance));
  const names = [...new Set(counts.flatMap(({ parts }) => [...parts.keys()]))];
  return {
    builds: spanOf(counts.map(({ builds }) => builds)),
    donors: spanOf(counts.map(({ donors }) => donors)),
    parts: names
      .map((name) => ({ name, good: spanOf(counts.map(({ parts }) => parts.get(name) ?? 0)) }))
      .sort((a, b) => b.good.mean - a.good.mean),
    cents: spanOf(counts.map(({ cents }) => cents)),
    known: known.length,
    unknown: items.length - known.length,
    neverSeen: [
      ...new Set(
        known.flatMap(({ model }) => {
          const { id, maker, name } = models.get(model as string) as Model;
          return shop.yields[id] ? [] : [`${maker} ${name}`];
        }),
      ),
    ],
  };
}

function turnoutsOf(
  model: Model,
  { decided, unit, sought }: ParcelItem,
  shop: ShopKnowledge,
  rules: HouseRules,
  chance: Chance,
): readonly Turnout[] {
  const known = knowledgeFor(shop, model.id);
  const about = unit ?? { revision: null, configuration: null, variant: null, marks: [], tests: {} };
  const base = {
    ...about,
    revision: about.revision ?? model.revisions[0]?.id ?? null,
    configuration: about.configuration ?? model.configurations[0]?.id ?? null,
  };
  if (decided) {
    const paying = decided.disposition === 'donor' ? (planHarvest(model, base, known, rules)?.harvest ?? []) : [];
    // Once it has a sheet, what that does not ask for is not sought.
    const harvest = paying.filter(({ part }) => sought?.includes(part) !== false);
    return [{ choice: decided.disposition, ...decided, harvest, tests: [], isSeldom: false }];
  }
  const open = model.tests.filter((test) => base.tests[test] !== 'sound' && base.tests[test] !== 'fault');
  return testOutcomes(open, shop, chance).map(({ tests, isSeldom }): Turnout => {
    const results: Partial<Record<DeviceTest, TestResult>> = { ...base.tests };
    for (const { test, isSound } of tests) results[test] = isSound ? 'sound' : 'fault';
    const { valued, harvest } = valueDispositions(model, { ...base, tests: results }, known, rules);
    const [first] = valued;
    return {
      choice: first?.disposition ?? 'quarantine',
      cents: first?.cents ?? 0,
      lowCents: first?.lowCents ?? 0,
      highCents: first?.highCents ?? 0,
      harvest: first?.disposition === 'donor' ? (harvest?.harvest ?? []) : [],
      tests,
      isSeldom,
    };
  });
}

const shareOf = (test: DeviceTest, { known }: ShopKnowledge): KnownYield => known.tests[test] ?? unknownTest;

/** How some tests can come out: the likeliest ways, and a few of all the others, as they come. */
function testOutcomes(open: readonly DeviceTest[], shop: ShopKnowledge, chance: Chance) {
  const outcomes = open.reduce<readonly (readonly Turnout['tests'][number][])[]>(
    (all, test) => all.flatMap((tests) => [true, false].map((isSound) => [...tests, { test, isSound }])),
    [[]],
  );
  const odds = new Map(open.map((test) => [test, shareOf(test, shop).share]));
  const chanceOf = (tests: Turnout['tests']) => chanceOfTests(tests, odds);
  const sorted = [...outcomes].sort((a, b) => chanceOf(b) - chanceOf(a));
  const rest = sorted.slice(likely);
  const drawn = Array.from({ length: Math.min(seldom, rest.length) }, () => {
    let left = chance.next() * rest.reduce((sum, tests) => sum + chanceOf(tests), 0);
    return rest.find((tests) => (left -= chanceOf(tests)) < 0) ?? (rest[0] as Turnout['tests']);
  });
  return [
    ...sorted.slice(0, likely).map((tests) => ({ tests, isSeldom: false })),
    ...drawn.map((tests) => ({ tests, isSeldom: true })),
  ];
}

const chanceOfTests = (tests: Turnout['tests'], odds: ReadonlyMap<DeviceTest, number>): number =>
  tests.reduce((all, { test, isSound }) => {
    const share = odds.get(test) as number;
    return all * (isSound ? share : 1 - share);
  }, 1);

/** One way the whole parcel could go. */
function drawParcel(
  items: readonly ParcelItem[],
  turnouts: ReadonlyMap<ParcelItem, readonly Turnout[]>,
  shop: ShopKnowledge,
  chance: Chance,
) {
  const shares = new Map<string, number>();
  const odds = new Map<DeviceTest, number>();
  const parts = new Map<string, number>();
  let [builds, donors, cents] = [0, 0, 0];
  for (const item of items) {
    const turnout = drawTurnout(turnouts.get(item) as readonly Turnout[], odds, shop, chance);
    if (turnout.choice === 'build') builds += 1;
    if (turnout.choice !== 'donor') {
      cents += drawAmount({ mean: turnout.cents, low: turnout.lowCents, high: turnout.highCents }, chance);
      continue;
    }
    donors += 1;
    // Worth and labour as expected; parts as they come out, by the shares of this draw.
    cents += turnout.cents;
    for (const { part, name, soundCents, known, chance: whole } of turnout.harvest) {
      const key = `${item.model} ${part}`;
      const share = shares.get(key) ?? drawShare(known, chance);
      shares.set(key, share);
      const isGood = chance.happens(known.share > 0 ? (share * whole) / known.share : 0);
      cents += (Number(isGood) - whole) * soundCents;
      if (isGood) parts.set(name, (parts.get(name) ?? 0) + 1);
    }
  }
  return { builds, donors, parts, cents };
}

/** How one unit turns out, by the shares of sound ones of this draw. */
function drawTurnout(
  turnouts: readonly Turnout[],
  odds: Map<DeviceTest, number>,
  shop: ShopKnowledge,
  chance: Chance,
): Turnout {
  for (const { test } of turnouts[0]?.tests ?? []) {
    if (!odds.has(test)) odds.set(test, drawShare(shareOf(test, shop), chance));
  }
  let left = chance.next();
  for (const turnout of turnouts) {
    if (turnout.isSeldom) continue;
    left -= chanceOfTests(turnout.tests, odds);
    if (left < 0) return turnout;
  }
  const others = turnouts.filter(({ isSeldom }) => isSeldom);
  return others.length > 0 ? chance.pick(others) : (turnouts.at(-1) as Turnout);
}

function spanOf(values: readonly number[]): Span {
  return { mean: values.reduce((sum, value) => sum + value, 0) / values.length, ...middle80(values) };
}
