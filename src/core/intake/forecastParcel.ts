import type { Unit } from '@/core/entities/entities';
import type { Weighed } from '@/core/entities/entities';
import type { Disposition } from '@/core/entities/stages';
import type { Model } from '@/core/procedure/model';
import type { DeviceTest, TestResult } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import type { HouseRules } from '@/core/shared/houseRules';
import { drawShare } from '@/core/triage/drawRange';
import { knowledgeFor, type ShopKnowledge } from '@/core/triage/knowledge';
import type { KnownYield } from '@/core/triage/knownYields';
import { proposeDisposition } from '@/core/triage/proposeDisposition';
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
}

const turnoutsEach = 10;
const draws = 400;
const unknownTest: KnownYield = { share: 0.8, low: 0.6, high: 0.95 };

/**
 * What a parcel is expected to give: units to build, parts, money. What is decided counts as it was weighed; the rest turns
 * out as the quick tests of the shop have so far, and is valued as at triage. Yields are drawn once for a whole parcel, so
 * that what is little known makes the range of the sum wide, and not only that of each unit.
 *
 * @param models  by `ID@VERSION`
 * Cost: ten proposals for each model, then 400 draws of the parcel
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
    const made = shared ?? turnoutsOf(model, item, shop, rules, chance, isPlain ? turnoutsEach : 4);
    if (isPlain && !item.decided) ofModel.set(item.model as string, made);
    turnouts.set(item, made);
  }
  const counts = Array.from({ length: draws }, () => drawParcel(known, turnouts, chance));
  const names = [...new Set(counts.flatMap(({ parts }) => [...parts.keys()]))];
  return {
    builds: spanOf(counts.map(({ builds }) => builds)),
    donors: spanOf(counts.map(({ donors }) => donors)),
    parts: names
      .map((name) => ({ name, good: spanOf(counts.map(({ parts }) => parts.get(name) ?? 0)) }))
      .sort((a, b) => b.good.mean - a.good.mean),
    cents: spanOf(counts.map(({ cents }) => cents)),
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
  { decided, unit }: ParcelItem,
  shop: ShopKnowledge,
  rules: HouseRules,
  chance: Chance,
  count: number,
): readonly Turnout[] {
  const known = knowledgeFor(shop, model.id);
  const about = unit ?? { revision: null, configuration: null, variant: null, marks: [], tests: {} };
  const base = {
    ...about,
    revision: about.revision ?? model.revisions[0]?.id ?? null,
    configuration: about.configuration ?? model.configurations[0]?.id ?? null,
  };
  if (decided) {
    const harvest = decided.disposition === 'donor' ? (planHarvest(model, base, known, rules)?.harvest ?? []) : [];
    return [{ choice: decided.disposition, ...decided, harvest }];
  }
  return Array.from({ length: count }, (): Turnout => {
    const tests: Partial<Record<DeviceTest, TestResult>> = { ...base.tests };
    for (const test of model.tests) {
      if (tests[test] === 'sound' || tests[test] === 'fault') continue;
      tests[test] = chance.happens(drawShare(shop.known.tests[test] ?? unknownTest, chance)) ? 'sound' : 'fault';
    }
    const subject = { ...base, tests };
    const [first] = proposeDisposition(model, subject, known, rules).valued;
    const choice = first?.disposition ?? 'quarantine';
    const harvest = choice === 'donor' ? (planHarvest(model, subject, known, rules)?.harvest ?? []) : [];
    return {
      choice,
      cents: first?.cents ?? 0,
      lowCents: first?.lowCents ?? 0,
      highCents: first?.highCents ?? 0,
      harvest,
    };
  });
}

/** One way the whole parcel could go. */
function drawParcel(
  items: readonly ParcelItem[],
  turnouts: ReadonlyMap<ParcelItem, readonly Turnout[]>,
  chance: Chance,
) {
  const shares = new Map<string, number>();
  const parts = new Map<string, number>();
  let [builds, donors, cents] = [0, 0, 0];
  for (const item of items) {
    const turnout = chance.pick(turnouts.get(item) as readonly Turnout[]);
    if (turnout.choice === 'build') builds += 1;
    if (turnout.choice !== 'donor') {
      cents += drawBetween(turnout, chance);
      continue;
    }
    donors += 1;
    // Worth and labour as expected; parts as they come out, by the shares of this draw.
    cents += turnout.cents;
    for (const { part, name, soundCents, known } of turnout.harvest) {
      const key = `${item.model} ${part}`;
      const share = shares.get(key) ?? drawShare(known, chance);
      shares.set(key, share);
      const isGood = chance.happens(share);
      cents += (Number(isGood) - known.share) * soundCents;
      if (isGood) parts.set(name, (parts.get(name) ?? 0) + 1);
    }
  }
  return { builds, donors, parts, cents };
}

/** As a share between its ends: what is in the middle comes as often as what lies outside of it. */
const drawBetween = ({ cents, lowCents, highCents }: Turnout, chance: Chance): number =>
  lowCents === highCents
    ? cents
    : drawShare({ share: cents, low: lowCents, high: highCents }, chance, Number.NEGATIVE_INFINITY, Infinity);

function spanOf(values: readonly number[]): Span {
  return { mean: values.reduce((sum, value) => sum + value, 0) / values.length, ...middle80(values) };
}
