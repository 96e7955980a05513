import type { Disposition } from '@/core/entities/stages';
import type { Unit } from '@/core/entities/entities';
import {
  matchProblemFormat,
  type Keeps,
  type Lot,
  type MatchProblem,
  type Offer,
  type UnitGroup,
} from '@/core/matchPlan/problem';
import { getModelPart, modelAmong, slotsOf, type Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import { boughtGrade } from '@/core/sale/predictSale';
import { slotNeeds } from '@/core/sale/slots';
import type { SaleGrade } from '@/core/shared/grades';
import { grouped } from '@/core/shared/grouped';
import { fixtureKinds, type HouseRules } from '@/core/shared/houseRules';
import { plainSerial } from '@/core/shared/serials';
import { priceOfPart, worthToday } from '@/core/teardown/worth/partWorth';
import { knowledgeFor } from '@/core/triage/knowledge';
import { mustKeepApart, valueDispositions } from '@/core/triage/proposeDisposition';
import { fallbackCents } from '@/core/triage/valueBuild';
import { acceptedBefore, keptLots, lapsedPromises, type Lapsed } from './accepted';
import { fallingPrices } from './fallingPrices';
import type { MatchStock } from './matchStock';
import { offerOfPlan } from './offers';
import { waysAsDonor } from './waysAsDonor';
import { certified, hands, partsOfPair, waysToBuild } from './waysToBuild';

/** What a lead says beside: how long, how many minutes, what was ordered, what may be bought when. */
export interface MatchTerms extends Pick<MatchProblem, 'horizonDays' | 'orders' | 'wishes' | 'slotWishes'> {
  /** Minutes of anybody, and of certified people, until the horizon; null where they never run out. */
  readonly handsMinutes: number | null;
  readonly certifiedMinutes: number | null;
  /** How long what is bought takes. */
  readonly purchaseDays: number;
  /** Whatever was accepted before. */
  readonly isAnew: boolean;
}

export const plainTerms: MatchTerms = {
  horizonDays: 7,
  orders: [],
  wishes: [],
  slotWishes: [],
  handsMinutes: null,
  certifiedMinutes: null,
  purchaseDays: 4,
  isAnew: false,
};

/** Hours of a day in which somebody is there to put something on a fixture. */
const fixtureHours = 8;

/** What of a problem follows from the stock alone, whatever is wished of the plan. */
export interface StockGround extends Pick<MatchProblem, 'units' | 'lots' | 'offers' | 'falls' | 'reserves'> {
  readonly keeps: Keeps;
  /** What Triage would propose by itself, by the tag of each unit that is not decided. */
  readonly proposed: Readonly<Record<string, Disposition>>;
  /** What was promised or kept and no longer holds. */
  readonly lapsed: readonly Lapsed[];
}

/**
 * What a shop's live stock can become, with the very numbers that Triage, the planner and the bench go by: prices and
 * grades of `predictSale`, sheets of `sheetOf`, harvests of the planner, worth of parts as the shelf has it today. What stays
 * on the shelf is worth as much in every plan, so that only what is used counts.
 *
 * Cost: one run sheet for each grade and one harvest plan for each wanted class of each kind of unit, some milliseconds each
 *
 * @param purchaseDays  how long takes what is bought where nobody's offer is noted
 */
export function stockGround(stock: MatchStock, purchaseDays: number, rules: HouseRules): StockGround {
  const { models, knowledge } = stock;
  const units = stock.units.flatMap((unit) => {
    const model = modelAmong(models, unit);
    return model ? [{ unit, model }] : [];
  });
  const kinds = [...grouped(units, ({ unit, model }) => kindOf(unit, model, stock.gradeOf)).values()];
  const wanted = wantedClasses(units, stock);
  const partsOf = classParts(models);
  const cheapest = new Map(stock.offers.toReversed().map(({ interchange, cents }) => [interchange, cents]));
  const buyCents = (interchange: string, part: ModelPart) =>
    cheapest.get(interchange) ??
    Math.round(
      (part.valueCents?.[boughtGrade] ?? partsOf.get(interchange)?.valueCents?.[boughtGrade] ?? 0) *
        rules.purchaseFactor,
    );
  const proposed: Record<string, Disposition> = {};
  const groups = kinds.flatMap((alike): readonly UnitGroup[] => {
    const [first] = alike;
    if (!first) return [];
    const { unit, model } = first;
    const known = knowledgeFor(knowledge, model.id);
    const subject = { ...unit, isReportedLost: unit.serial !== null && stock.lost.has(plainSerial(unit.serial)) };
    const tags = alike.map((own) => own.unit.tag);
    const id = tags[0] as string;
    // What money does not decide stays where it is.
    if (mustKeepApart(subject)) return [{ id, tags, asIs: null, recycle: null, builds: [], levels: [] }];
    const { valued, harvest, build } = valueDispositions(model, subject, known, rules);
    const asIs = valued.find(({ disposition }) => disposition === 'as-is');
    const held = heldGrades(unit, stock.gradeOf);
    for (const own of alike)
      if (own.unit.disposition === null && valued[0]) proposed[own.unit.tag] = valued[0].disposition;
    return [
      {
        id,
        tags,
        asIs: asIs?.isPossible ? { cents: asIs.cents, uses: {} } : null,
        recycle: { cents: -rules.recycleCents },
        builds: waysToBuild(model, unit, held, known, rules, build ? fallbackCents(build, harvest) : 0),
        levels: waysAsDonor(model, unit, known, wanted, buyCents, rules),
      },
    ];
  });
  const needed = new Set(groups.flatMap(({ builds }) => builds.flatMap(({ needs }) => needs.map(({ of }) => of))));
  const worthOf = (of: string, grade: SaleGrade) =>
    partsOfPair(of).reduce((sum, interchange) => {
      const part = partsOf.get(interchange);
      const market = knowledge.known.market[interchange] ?? { stock: 0, usedPerMonth: null };
      const isPriced = part && priceOfPart(part, rules.gradeMix) !== undefined;
      return sum + (isPriced ? worthToday(part.valueCents?.[grade] ?? 0, market, rules) : 0);
    }, 0);
  const lots = stock.stock
    .filter(({ interchange }) => needed.has(interchange))
    .map(({ interchange, grade, count, whole }): Lot => {
      const brings = whole && { model: whole.modelId, parts: whole.carries };
      return {
        id: [interchange, grade, ...(whole ? [whole.modelId, ...whole.carries] : [])].join(' '),
        of: interchange,
        grade,
        count,
        worthCents: worthOf(interchange, grade),
        ...(brings && { brings }),
      };
    });
  const noted = grouped(stock.offers, ({ interchange }) => interchange);
  const offers = [...needed].flatMap((of): readonly Offer[] => {
    const part = partsOf.get(of);
    const own = (noted.get(of) ?? []).map((offer) => offerOfPlan(offer, worthOf(of, offer.grade)));
    if (own.length > 0) return own;
    const cents = part ? buyCents(of, part) : 0;
    if (cents === 0) return [];
    const worthCents = worthOf(of, boughtGrade);
    return [{ id: `buy ${of}`, of, grade: boughtGrade, cents, worthCents, most: null, leadDays: purchaseDays }];
  });
  const free = new Set(groups.flatMap(({ tags }) => tags));
  const kept = keptLots(stock, free, buyCents).filter(({ of }) => needed.has(of));
  return {
    units: groups,
    lots: [...lots, ...kept.map((own) => ({ ...own, worthCents: worthOf(own.of, own.grade) }))],
    offers,
    falls: fallingPrices(units, rules),
    reserves: stock.reserves.filter(({ of }) => needed.has(of)),
    keeps: acceptedBefore(stock.units, free, rules),
    proposed,
    lapsed: lapsedPromises(stock, groups),
  };
}

/** The match problem of a stock, with what is wished of the plan. */
export function stockProblem(
  { keeps, proposed: _, lapsed: __, ...ground }: StockGround,
  terms: MatchTerms,
  { fixtures }: Pick<HouseRules, 'fixtures'>,
): MatchProblem {
  const { handsMinutes, certifiedMinutes, purchaseDays: ___, isAnew, ...wished } = terms;
  return {
    format: matchProblemFormat,
    resources: [
      ...(handsMinutes === null ? [] : [{ id: hands, minutes: handsMinutes }]),
      ...(certifiedMinutes === null ? [] : [{ id: certified, minutes: certifiedMinutes }]),
      ...fixtureKinds.flatMap((id) => {
        const count = fixtures[id];
        return count === null ? [] : [{ id, minutes: count * terms.horizonDays * fixtureHours * 60 }];
      }),
    ],
    ...ground,
    ...wished,
    ...(!isAnew && keeps.fates.length + keeps.parts.length > 0 && { keeps }),
  };
}

/** Grades of what is set aside for a unit, by slot. */
const heldGrades = ({ assigned }: Pick<Unit, 'assigned'>, gradeOf: MatchStock['gradeOf']) =>
  Object.fromEntries(Object.entries(assigned).map(([slot, id]) => [slot, gradeOf[id] ?? ('X' as const)]));

/** Units that look the same to everything that is reckoned here. */
function kindOf(unit: Unit, model: Model, gradeOf: MatchStock['gradeOf']): string {
  const { revision, configuration, variant, marks, found, tests } = unit;
  const held = heldGrades(unit, gradeOf);
  const placed = marks.map(({ kind, face, field, depthMm }) => [kind, face, field, depthMm].join(' ')).sort();
  // A unit that something is set aside for is one of its own.
  const alone = Object.keys(held).length > 0 ? unit.tag : '';
  const said = Object.entries(tests).sort(([a], [b]) => (a < b ? -1 : 1));
  return JSON.stringify([model.id, model.version, revision, configuration, variant, placed, found, said, alone]);
}

/** Classes of the slots that some unit could want another part for: the bad ones, and all that are seen. */
function wantedClasses(
  units: readonly { readonly unit: Unit; readonly model: Model }[],
  { gradeOf }: MatchStock,
): ReadonlySet<string> {
  return new Set(
    units.flatMap(({ unit, model }) => {
      const held = heldGrades(unit, gradeOf);
      return slotNeeds(model, unit).flatMap(({ part, isNeeded }) =>
        isNeeded && held[part.id] === undefined ? [part.interchange] : [],
      );
    }),
  );
}

/** A part of each class, of the first model that has it: what the class is worth. */
function classParts(models: readonly Model[]): ReadonlyMap<string, ModelPart> {
  const parts = new Map<string, ModelPart>();
  for (const model of models)
    for (const { id } of slotsOf(model, null)) {
      const part = getModelPart(model, id);
      if (!parts.has(part.interchange)) parts.set(part.interchange, part);
    }
  return parts;
}
