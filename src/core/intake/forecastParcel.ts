import type { Unit, Weighed } from '@/core/entities/entities';
import type { Disposition } from '@/core/entities/stages';
import type { Model } from '@/core/procedure/model';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import type { HouseRules } from '@/core/shared/houseRules';
import { likelierBy, sampleLooks, type Look, type LookOdds } from './looks';
import { middle80 } from '@/core/statistics/middle80';
import { drawBeta } from '@/core/statistics/drawBeta';
import type { GroupCount } from '@/core/statistics/strayWeight';
import { drawAmount, drawShare } from '@/core/triage/drawRange';
import { knowledgeFor, type ShopKnowledge } from '@/core/triage/knowledge';
import { unknownMade, type Belief } from '@/core/triage/knownLooks';
import { valueDispositions } from '@/core/triage/proposeDisposition';
import { unknownTest } from '@/core/triage/knownYields';
import { nothingSeen, type SeenInParcel } from '@/core/triage/seenInParcel';
import { drawBuild, fallbackCents } from '@/core/triage/valueBuild';
import { drawDonor, planHarvest, type Harvest } from '@/core/triage/valueDonor';
import { partKey } from '@/core/yields/parcelOutcomes';

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

/** What is drawn once for a whole parcel: units of one parcel come from one hand. */
interface ParcelDraw extends LookOdds {
  readonly chance: Chance;
  readonly yieldOf: (model: string, entry: Harvest) => number;
}

/** A way a unit could turn out, with what would then be done. */
interface Turnout {
  readonly choice: Disposition;
  readonly look: Look;
  /** What it brings, and the names of good parts, by one draw of the parcel. */
  readonly draw: (parcel: ParcelDraw) => { readonly cents: number; readonly good: readonly string[] };
}

/** The ways a unit could turn out. */
interface Turnouts {
  readonly open: readonly DeviceTest[];
  readonly looked: readonly Finding[];
  /** Each as likely as the others, by what is believed. */
  readonly ways: readonly Turnout[];
}

/** So many valuations a forecast may take: where there are many models, each is stood for by fewer ways. */
const valuations = 96;
const [fewestWays, mostWays] = [8, 48];
const draws = 400;

/**
 * What a parcel is expected to give: units to build, parts, money. What is decided counts as it was weighed; the rest turns
 * out as units of the shop have so far: what triage finds on them, which tests it makes, how those come out; and is valued as
 * at triage. Units of one parcel come from one hand: the yield of a part, the share of sound ones of a test and of what is
 * found, are drawn once for the whole of it: the shop's, as far as it is known, and how far this parcel strays from it as
 * others have. So what is little known makes the range of the sum wide, and not only that of each unit; and what the parcel
 * has shown of itself says more of the rest than other parcels do. How well the ways that were tried stand for all others is
 * drawn as well.
 *
 * @param models  by `ID@VERSION`
 * @param seen    what this parcel has shown of itself so far
 * Cost: some 96 valuations, at least 8 for each model and for each unit that was looked at in part; then 400 draws
 */
export function forecastParcel(
  items: readonly ParcelItem[],
  models: ReadonlyMap<string, Model>,
  shop: ShopKnowledge,
  rules: HouseRules,
  seen: SeenInParcel = nothingSeen,
): ParcelForecast {
  const chance = new Chance(20261126);
  const known = items.filter(({ model }) => model !== null && models.has(model));
  const undecided = known.filter(({ decided }) => !decided);
  const groups =
    new Set(undecided.filter(isUnseen).map(({ model }) => model)).size +
    undecided.filter((item) => !isUnseen(item)).length;
  const ways = Math.max(fewestWays, Math.min(mostWays, Math.floor(valuations / groups)));
  const turnouts = new Map<ParcelItem, Turnouts>();
  const ofModel = new Map<string, Turnouts>();
  for (const item of known) {
    const model = models.get(item.model as string) as Model;
    const isPlain = isUnseen(item) && !item.decided;
    const shared = isPlain ? ofModel.get(item.model as string) : undefined;
    const made = shared ?? turnoutsOf(model, item, believed(shop, seen), shop, rules, { ways, chance });
    if (isPlain) ofModel.set(item.model as string, made);
    turnouts.set(item, made);
  }
  const counts = Array.from({ length: draws }, () => drawParcel(known, turnouts, believed(shop, seen), chance));
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

/** Nobody has looked at it yet. */
const isUnseen = ({ unit }: ParcelItem): boolean =>
  unit === null || Object.keys(unit.tests).length + unit.marks.length === 0;

function turnoutsOf(
  model: Model,
  item: ParcelItem,
  beliefs: Beliefs,
  shop: ShopKnowledge,
  rules: HouseRules,
  { ways, chance }: { readonly ways: number; readonly chance: Chance },
): Turnouts {
  const known = knowledgeFor(shop, model.id);
  const about = item.unit ?? { revision: null, configuration: null, variant: null, marks: [], tests: {} };
  const base = {
    ...about,
    revision: about.revision ?? model.revisions[0]?.id ?? null,
    configuration: about.configuration ?? model.configurations[0]?.id ?? null,
  };
  if (item.decided) {
    const plan = item.decided.disposition === 'donor' ? planHarvest(model, base, known, rules) : null;
    return { open: [], looked: [], ways: [decidedWay(item.decided, plan?.harvest ?? [], item, model.id)] };
  }
  const open = model.tests.filter((test) => base.tests[test] !== 'sound' && base.tests[test] !== 'fault');
  const looked = isUnseen(item) ? (Object.keys(shop.looks.marks) as Finding[]) : [];
  const made = new Map<string, Turnout>();
  const wayOf = (look: Look): Turnout => {
    const unit = { ...base, tests: { ...base.tests, ...look.tests }, found: look.found };
    const { valued, harvest, build } = valueDispositions(model, unit, known, rules);
    const [first] = valued;
    const way = { choice: first?.disposition ?? 'quarantine', look } as const;
    if (way.choice === 'donor' && harvest) {
      const draw = drawDonor(model, harvest, rules);
      return {
        ...way,
        draw: (parcel) => {
          const { cents, good } = draw(parcel.chance, (entry) => parcel.yieldOf(model.id, entry));
          return { cents, good: good.map(({ name }) => name) };
        },
      };
    }
    if (way.choice === 'build' && build) {
      const draw = drawBuild(build, fallbackCents(build, harvest), rules);
      return { ...way, draw: (parcel) => ({ cents: draw(parcel.chance, parcel.soundOf), good: [] }) };
    }
    const amount = { mean: first?.cents ?? 0, low: first?.lowCents ?? 0, high: first?.highCents ?? 0 };
    return { ...way, draw: (parcel) => ({ cents: drawAmount(amount, parcel.chance), good: [] }) };
  };
  const looks = sampleLooks(open, looked, believedOdds(beliefs), open.length + looked.length > 0 ? ways : 1, chance);
  return {
    open,
    looked,
    ways: looks.map((look) => {
      const key = JSON.stringify([look.tests, look.found]);
      const way = made.get(key) ?? wayOf(look);
      made.set(key, way);
      return way;
    }),
  };
}

/** What was decided counts as it was weighed; of a donor, parts come out as they come. */
function decidedWay(decided: Weighed, paying: readonly Harvest[], { sought }: ParcelItem, model: string): Turnout {
  const amount = { mean: decided.cents, low: decided.lowCents, high: decided.highCents };
  // Once it has a sheet, what that does not ask for is not sought.
  const harvest = paying.filter(({ part }) => sought?.includes(part) !== false);
  return {
    choice: decided.disposition,
    look: { tests: {}, found: [] },
    draw: (parcel) => {
      if (decided.disposition !== 'donor') return { cents: drawAmount(amount, parcel.chance), good: [] };
      const good: string[] = [];
      // Worth and labour as expected; parts as they come out, by the shares of this draw.
      let { cents } = decided;
      for (const entry of harvest) {
        const { name, soundCents, known, chance: whole } = entry;
        const share = known.share > 0 ? (parcel.yieldOf(model, entry) * whole) / known.share : 0;
        const isGood = parcel.chance.happens(share);
        cents += (Number(isGood) - whole) * soundCents;
        if (isGood) good.push(name);
      }
      return { cents, good };
    },
  };
}

/** A share of this parcel: what is believed of the shop's, how far parcels stray from it, and what this one has shown. */
interface ShareHere {
  readonly known: Belief;
  readonly alike: number;
  readonly seen: GroupCount | undefined;
}

interface Beliefs {
  readonly sound: (test: DeviceTest) => ShareHere;
  readonly made: (test: DeviceTest) => ShareHere;
  readonly found: (finding: Finding) => ShareHere;
  readonly yieldOf: (model: string, entry: Harvest) => ShareHere;
}

function believed({ known, looks, alike }: ShopKnowledge, seen: SeenInParcel): Beliefs {
  const of = (belief: Belief, weight: number, own?: GroupCount): ShareHere => ({
    known: belief,
    alike: weight,
    seen: own,
  });
  return {
    sound: (test) => of(known.tests[test] ?? unknownTest, alike.units, seen.sound[test]),
    // How closely units are looked at is the house's, whoever they come from.
    made: (test) => of(looks.made[test] ?? unknownMade, Infinity),
    found: (finding) => of(looks.marks[finding] as Belief, alike.units, seen.found[finding]),
    yieldOf: (modelId, { part, known: own }) => of(own, alike.parts, seen.parts[partKey({ modelId, partRef: part })]),
  };
}

/** The middle of what a share of this parcel is expected to be. */
function middleOf({ known: { share }, alike, seen }: ShareHere): number {
  return seen && Number.isFinite(alike) ? (alike * share + seen.good) / (alike + seen.sought) : share;
}

/** A share of this parcel as it could be: the shop's drawn, and then how far the parcel strays from that. */
function drawHere({ known, alike, seen }: ShareHere, chance: Chance): number {
  const share = drawShare(known, chance);
  if (!Number.isFinite(alike) || share <= 0 || share >= 1) return share;
  const { good, sought } = seen ?? { good: 0, sought: 0 };
  return drawBeta(alike * share + good, alike * (1 - share) + sought - good, chance);
}

const believedOdds = ({ sound, made, found }: Beliefs): LookOdds => ({
  soundOf: (test) => middleOf(sound(test)),
  madeOf: (test) => middleOf(made(test)),
  foundOf: (finding) => middleOf(found(finding)),
});

/** One way the whole parcel could go. */
function drawParcel(
  items: readonly ParcelItem[],
  turnouts: ReadonlyMap<ParcelItem, Turnouts>,
  beliefs: Beliefs,
  chance: Chance,
) {
  const parcel = parcelDraw(beliefs, chance);
  const sums = new Map<Turnouts, Float64Array>();
  const parts = new Map<string, number>();
  let [builds, donors, cents] = [0, 0, 0];
  for (const item of items) {
    const own = turnouts.get(item) as Turnouts;
    const weights = sums.get(own) ?? summedWeights(own, parcel, beliefs);
    sums.set(own, weights);
    const turnout = own.ways[placeIn(weights, chance.next())] as Turnout;
    if (turnout.choice === 'build') builds += 1;
    if (turnout.choice === 'donor') donors += 1;
    const drawn = turnout.draw(parcel);
    cents += drawn.cents;
    for (const name of drawn.good) parts.set(name, (parts.get(name) ?? 0) + 1);
  }
  return { builds, donors, parts, cents };
}

/** Shares of one draw of the parcel, each drawn when it is first asked for. */
function parcelDraw({ sound, made, found, yieldOf }: Beliefs, chance: Chance): ParcelDraw {
  const drawn = new Map<string, number>();
  const once = (key: string, known: ShareHere): number => {
    const share = drawn.get(key) ?? drawHere(known, chance);
    drawn.set(key, share);
    return share;
  };
  return {
    chance,
    soundOf: (test) => once(`sound ${test}`, sound(test)),
    madeOf: (test) => once(`made ${test}`, made(test)),
    foundOf: (finding) => once(`found ${finding}`, found(finding)),
    yieldOf: (model, entry) => once(`yield ${model} ${entry.part}`, yieldOf(model, entry)),
  };
}

/**
 * How often each way comes in this draw of the parcel, summed up: likelier or less by its shares, and by as much as so few
 * ways may be off (a Bayesian bootstrap).
 */
function summedWeights({ open, looked, ways: own }: Turnouts, parcel: ParcelDraw, beliefs: Beliefs): Float64Array {
  const odds = believedOdds(beliefs);
  let sum = 0;
  return Float64Array.from(own, ({ look }) => {
    if (own.length > 1) sum += likelierBy(open, looked, look, parcel, odds) * -Math.log(1 - parcel.chance.next());
    return sum;
  });
}

/** The place of the first sum that is beyond a share of all. */
function placeIn(sums: Float64Array, share: number): number {
  const aim = share * (sums.at(-1) ?? 0);
  let [low, high] = [0, sums.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sums[middle] as number) > aim) high = middle;
    else low = middle + 1;
  }
  return low;
}

function spanOf(values: readonly number[]): Span {
  return { mean: values.reduce((sum, value) => sum + value, 0) / values.length, ...middle80(values) };
}
