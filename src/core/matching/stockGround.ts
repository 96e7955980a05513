import type { Disposition } from '@/core/entities/stages';
import type { Keeps, Lot, MatchProblem, Offer, UnitGroup } from '@/core/matchPlan/problem';
import { boughtGrade } from '@/core/sale/predictSale';
import type { SaleGrade } from '@/core/shared/grades';
import { grouped } from '@/core/shared/grouped';
import type { HouseRules } from '@/core/shared/houseRules';
import { priceOfPart, worthToday } from '@/core/teardown/worth/partWorth';
import { acceptedBefore, keptLots, lapsedPromises, type Lapsed } from './accepted';
import { fallingPrices } from './fallingPrices';
import { waysOfKind, type KindWays, type KnownWays } from './kindWays';
import type { MatchStock } from './matchStock';
import { offerOfPlan } from './offers';
import { stockKinds } from './stockKinds';
import { partsOfPair } from './waysToBuild';

/** What of a problem follows from the stock alone, whatever is wished of the plan. */
export interface StockGround extends Pick<MatchProblem, 'units' | 'lots' | 'offers' | 'falls' | 'reserves'> {
  readonly keeps: Keeps;
  /** What Triage would propose by itself, by the tag of each unit that is not decided. */
  readonly proposed: Readonly<Record<string, Disposition>>;
  /** What was promised or kept and no longer holds. */
  readonly lapsed: readonly Lapsed[];
  /** What kinds of units can become, for the next time. */
  readonly ways: KnownWays;
}

/** How a ground is made: what is known from the last time, and who is told how far it is. */
export interface MakingGround {
  readonly known?: KnownWays;
  readonly onKind?: (done: number, kinds: number) => void;
}

/**
 * What a shop's live stock can become, with the very numbers that Triage, the planner and the bench go by: prices and
 * grades of `predictSale`, sheets of `sheetOf`, harvests of the planner, worth of parts as the shelf has it today. What stays
 * on the shelf is worth as much in every plan, so that only what is used counts.
 *
 * Cost: some 50 ms for each kind of unit that is not known from before
 *
 * @param purchaseDays  how long takes what is bought where nobody's offer is noted
 */
export function stockGround(
  stock: MatchStock,
  purchaseDays: number,
  rules: HouseRules,
  { known = new Map(), onKind = () => undefined }: MakingGround = {},
): StockGround {
  const { knowledge } = stock;
  const { units, kinds, wanted, partsOf, buyCents } = stockKinds(stock, rules);
  const ways = new Map<string, KindWays>();
  const proposed: Record<string, Disposition> = {};
  const groups = kinds.flatMap(({ key, alike }, at): readonly UnitGroup[] => {
    const [first] = alike;
    if (!first) return [];
    const { unit, model } = first;
    const own = known.get(key) ?? waysOfKind(unit, model, stock, wanted, buyCents, rules);
    ways.set(key, own);
    onKind(at + 1, kinds.length);
    const tags = alike.map((each) => each.unit.tag);
    for (const each of alike)
      if (each.unit.disposition === null && own.proposed) proposed[each.unit.tag] = own.proposed;
    const { asIs, recycle, builds, levels } = own;
    return [{ id: tags[0] as string, tags, asIs, recycle, builds, levels }];
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
    ways,
  };
}
