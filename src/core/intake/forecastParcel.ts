import type { Unit, Weighed } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { Finding } from '@/core/procedure/vocabulary';
import { Chance } from '@/core/shared/chance';
import type { HouseRules } from '@/core/shared/houseRules';
import { drawAmount } from '@/core/triage/drawRange';
import { knowledgeFor, type ShopKnowledge } from '@/core/triage/knowledge';
import { valueDispositions } from '@/core/triage/proposeDisposition';
import { nothingSeen, type SeenInParcel } from '@/core/triage/seenInParcel';
import { drawBuild, fallbackCents } from '@/core/triage/valueBuild';
import { drawDonor, planHarvest, type Harvest } from '@/core/triage/valueDonor';
import { grouped } from '@/core/shared/grouped';
import { drawParcels, type Span, type Turnout, type Turnouts } from './drawParcels';
import { sampleLooks, type Look } from './looks';
import { believed, believedOdds, type Beliefs } from './parcelDraw';

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

/** So many valuations a forecast may take: where there are many models, each is stood for by fewer ways. */
const valuations = 96;
const [fewestWays, mostWays] = [8, 48];
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
 * of 1,500 items at most
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
  const groups = new Set(undecided.map(lookOf)).size;
  const ways = Math.max(fewestWays, Math.min(mostWays, Math.floor(valuations / groups)));
  const beliefs = believed(shop, seen);
  const turnouts = new Map<ParcelItem, Turnouts>();
  for (const [, alike] of grouped(known, lookOf)) {
    const [first] = alike as readonly [ParcelItem];
    const model = models.get(first.model as string) as Model;
    if (first.decided) {
      const isDonor = first.decided.disposition === 'donor';
      const harvest =
        (isDonor && planHarvest(model, seenOf(model, first), knowledgeFor(shop, model.id), rules)?.harvest) || [];
      for (const item of alike) turnouts.set(item, decidedTurnout(item, harvest, model.id));
      continue;
    }
    const shared = turnoutsOf(model, first, beliefs, shop, rules, { ways, chance });
    for (const item of alike) turnouts.set(item, shared);
  }
  const { names, span } = drawParcels(
    known.map((item) => turnouts.get(item) as Turnouts),
    beliefs,
    chance,
  );
  return {
    builds: span(({ builds }) => builds),
    donors: span(({ donors }) => donors),
    parts: names
      .map((name) => ({ name, good: span(({ parts }) => parts.get(name) ?? 0) }))
      .sort((a, b) => b.good.mean - a.good.mean),
    cents: span(({ cents }) => cents),
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

/** Items of one look are valued once. */
function lookOf(item: ParcelItem): string {
  const { model, decided, unit } = item;
  if (decided) return JSON.stringify(decided.disposition === 'donor' ? [model, 'donor', unit] : [model, 'decided']);
  return JSON.stringify(isUnseen(item) ? [model] : [model, unit]);
}

/** What is known of it, and what is likeliest where nothing is. */
function seenOf(model: Model, { unit }: ParcelItem): NonNullable<ParcelItem['unit']> {
  const about = unit ?? { revision: null, configuration: null, variant: null, marks: [], tests: {} };
  return {
    ...about,
    revision: about.revision ?? model.revisions[0]?.id ?? null,
    configuration: about.configuration ?? model.configurations[0]?.id ?? null,
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
  const base = seenOf(model, item);
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
function decidedTurnout(item: ParcelItem, paying: readonly Harvest[], model: string): Turnouts {
  const decided = item.decided as Weighed;
  const amount = { mean: decided.cents, low: decided.lowCents, high: decided.highCents };
  // Once it has a sheet, what that does not ask for is not sought.
  const harvest = paying.filter(({ part }) => item.sought?.includes(part) !== false);
  const way: Turnout = {
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
  return { open: [], looked: [], ways: [way] };
}
