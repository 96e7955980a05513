import type { Unit } from '@/core/entities/entities';
import { matchProblemFormat, type Lot, type MatchProblem, type Offer, type UnitGroup } from '@/core/matchPlan/problem';
import { getModelPart, modelAmong, slotsOf, type Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import { offerOfPlan, type PurchaseOffer } from './offers';
import { boughtGrade } from '@/core/sale/predictSale';
import { slotNeeds } from '@/core/sale/slots';
import type { Grade, SaleGrade } from '@/core/shared/grades';
import { grouped } from '@/core/shared/grouped';
import type { HouseRules } from '@/core/shared/houseRules';
import { plainSerial } from '@/core/shared/serials';
import { priceOfPart, worthToday } from '@/core/teardown/worth/partWorth';
import { knowledgeFor, type ShopKnowledge } from '@/core/triage/knowledge';
import { mustKeepApart, valueAsIs } from '@/core/triage/proposeDisposition';
import { fallbackCents, planBuild } from '@/core/triage/valueBuild';
import { planHarvest } from '@/core/triage/valueDonor';
import { waysAsDonor } from './waysAsDonor';
import { certified, hands, waysToBuild } from './waysToBuild';

/** Parts on the shelf that nobody reserved, by what makes one worth as much as another. */
export interface StockLine {
  readonly interchange: string;
  readonly grade: SaleGrade;
  readonly count: number;
  /** Of assemblies that bring something. */
  readonly whole?: { readonly modelId: string; readonly carries: readonly string[] };
}

/** What the shop has, and what it knows, when a plan is made. */
export interface MatchStock {
  /** Units that are still free to become anything: identified at Triage, builds without a sheet, donors that nobody began. */
  readonly units: readonly Unit[];
  /** At the shop's prices. */
  readonly models: readonly Model[];
  readonly stock: readonly StockLine[];
  readonly knowledge: ShopKnowledge;
  /** Grades of parts that are set aside already, by their ids. */
  readonly gradeOf: Readonly<Record<string, Grade>>;
  /** Where parts can be bought; a class without one is bought at the house's factor. */
  readonly offers: readonly PurchaseOffer[];
  /** Serials that were reported lost, in plain letters. */
  readonly lost: ReadonlySet<string>;
}

/** What a lead says beside: how long, how many minutes, what was ordered, what may be bought when. */
export interface MatchTerms extends Pick<
  MatchProblem,
  'horizonDays' | 'orders' | 'falls' | 'reserves' | 'wishes' | 'slotWishes'
> {
  /** Minutes of anybody, and of certified people, until the horizon; null where they never run out. */
  readonly handsMinutes: number | null;
  readonly certifiedMinutes: number | null;
  /** How long what is bought takes. */
  readonly purchaseDays: number;
}

export const plainTerms: MatchTerms = {
  horizonDays: 7,
  orders: [],
  falls: [],
  reserves: [],
  wishes: [],
  slotWishes: [],
  handsMinutes: null,
  certifiedMinutes: null,
  purchaseDays: 4,
};

/** What of a problem follows from the stock alone, whatever is wished of the plan. */
export type StockGround = Pick<MatchProblem, 'units' | 'lots' | 'offers'>;

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
    const asIs = valueAsIs(model, unit, known, rules);
    const held = heldGrades(unit, stock.gradeOf);
    const harvest = planHarvest(model, unit, known, rules);
    const plan = planBuild(model, unit, known, rules);
    return [
      {
        id,
        tags,
        asIs: asIs.isPossible ? { cents: asIs.cents, uses: {} } : null,
        recycle: { cents: -rules.recycleCents },
        builds: waysToBuild(model, unit, held, known, rules, plan ? fallbackCents(plan, harvest) : 0),
        levels: waysAsDonor(model, unit, known, wanted, buyCents, rules),
      },
    ];
  });
  const needed = new Set(groups.flatMap(({ builds }) => builds.flatMap(({ needs }) => needs.map(({ of }) => of))));
  const worthOf = (part: ModelPart | undefined, grade: SaleGrade) =>
    part && priceOfPart(part, rules.gradeMix) !== undefined
      ? worthToday(
          part.valueCents?.[grade] ?? 0,
          knowledge.known.market[part.interchange] ?? { stock: 0, usedPerMonth: null },
          rules,
        )
      : 0;
  const lots = stock.stock
    .filter(({ interchange }) => needed.has(interchange))
    .map(({ interchange, grade, count, whole }): Lot => {
      const brings = whole && { model: whole.modelId, parts: whole.carries };
      return {
        id: [interchange, grade, ...(whole ? [whole.modelId, ...whole.carries] : [])].join(' '),
        of: interchange,
        grade,
        count,
        worthCents: worthOf(partsOf.get(interchange), grade),
        ...(brings && { brings }),
      };
    });
  const noted = grouped(stock.offers, ({ interchange }) => interchange);
  const offers = [...needed].flatMap((of): readonly Offer[] => {
    const part = partsOf.get(of);
    const own = (noted.get(of) ?? []).map((offer) => offerOfPlan(offer, worthOf(part, offer.grade)));
    if (own.length > 0) return own;
    const cents = part ? buyCents(of, part) : 0;
    if (cents === 0) return [];
    const worthCents = worthOf(part, boughtGrade);
    return [{ id: `buy ${of}`, of, grade: boughtGrade, cents, worthCents, most: null, leadDays: purchaseDays }];
  });
  return { units: groups, lots, offers };
}

/** The match problem of a stock, with what is wished of the plan. */
export function stockProblem(ground: StockGround, terms: MatchTerms): MatchProblem {
  const { handsMinutes, certifiedMinutes, purchaseDays: _, ...wished } = terms;
  return {
    format: matchProblemFormat,
    resources: [
      ...(handsMinutes === null ? [] : [{ id: hands, minutes: handsMinutes }]),
      ...(certifiedMinutes === null ? [] : [{ id: certified, minutes: certifiedMinutes }]),
    ],
    ...ground,
    ...wished,
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
