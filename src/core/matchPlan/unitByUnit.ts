import { matchPlanFormat, type Fill, type MatchPlan, type PlannedUnit } from './plan';
import {
  centsOf,
  rankOf,
  type Build,
  type Fate,
  type MatchProblem,
  type Need,
  type Source,
  type UnitGroup,
  type Uses,
} from './problem';

/**
 * What a careful person gets who goes unit by unit, the one that could bring most first: each becomes what brings most with the parts
 * and the minutes that are left then; parts are the cheapest from the shelf or from who sells them. Donors give to the shelf and to
 * nobody in particular; orders take what was built anyhow. Wishes and reserves are not looked at: it is a measure, not an offer.
 */
export function unitByUnit(problem: MatchProblem): MatchPlan {
  const left = new Map<string, number>([
    ...problem.lots.map(({ id, count }) => [id, count] as const),
    ...problem.offers.map(({ id, most }) => [id, most ?? Infinity] as const),
  ]);
  const minutes = new Map(problem.resources.map((own) => [own.id, own.minutes]));
  const bestOf = (group: UnitGroup, tag: string) =>
    choicesOf(problem, group, tag, left)
      .filter(({ uses }) => Object.entries(uses).every(([id, taken]) => taken <= (minutes.get(id) ?? Infinity)))
      .reduce((top, one) => (one.cents > top.cents ? one : top));
  const units = problem.units
    .flatMap((group) => group.tags.map((tag) => ({ tag, group, cents: bestOf(group, tag).cents })))
    .sort((a, b) => b.cents - a.cents || (a.tag < b.tag ? -1 : 1))
    .map(({ tag, group }): PlannedUnit => {
      const { fate, way, sellsAt, fills, uses } = bestOf(group, tag);
      for (const { from } of fills) left.set(from, (left.get(from) ?? 0) - 1);
      for (const [id, taken] of Object.entries(uses)) minutes.set(id, (minutes.get(id) ?? Infinity) - taken);
      return {
        tag,
        fate,
        ...(way !== undefined && { way }),
        ...(sellsAt && { sellsAt }),
        fills,
        byDays: problem.horizonDays,
      };
    });
  return withOrders(problem, { format: matchPlanFormat, units, missing: [] });
}

interface Choice extends Pick<PlannedUnit, 'way' | 'sellsAt'> {
  readonly fate: Fate;
  readonly cents: number;
  readonly uses: Uses;
  readonly fills: readonly Fill[];
}

function choicesOf(
  problem: MatchProblem,
  group: UnitGroup,
  tag: string,
  left: ReadonlyMap<string, number>,
): readonly Choice[] {
  return [
    { fate: 'hold', cents: 0, uses: {}, fills: [] },
    ...(group.asIs ? [{ fate: 'as-is' as const, cents: group.asIs.cents, uses: group.asIs.uses, fills: [] }] : []),
    ...(group.recycle ? [{ fate: 'recycle' as const, cents: group.recycle.cents, uses: {}, fills: [] }] : []),
    ...group.levels.map(({ id, cents, uses }) => ({ fate: 'donor' as const, way: id, cents, uses, fills: [] })),
    ...group.builds.flatMap((build) => filled(problem, build, tag, left) ?? []),
  ];
}

/** A build with the cheapest part in every slot; null where one of them stays empty. */
function filled(
  { lots, offers }: MatchProblem,
  build: Build,
  tag: string,
  left: ReadonlyMap<string, number>,
): Choice | null {
  const taken = new Map<string, number>();
  const isLeft = (id: string) => (left.get(id) ?? 0) > (taken.get(id) ?? 0);
  const fills: Fill[] = [];
  for (const need of build.needs) {
    const fits = (of: string, grade: Build['grade']) => of === need.of && rankOf(grade) <= rankOf(need.atLeast);
    const found: readonly Fill[] = [
      ...lots
        .filter((lot) => fits(lot.of, lot.grade) && isLeft(lot.id) && (lot.for === undefined || lot.for === tag))
        .map((lot) => fillOf(need, { is: 'lot', lot }, lot.id, lot.grade)),
      ...offers
        .filter(({ id, of, grade }) => fits(of, grade) && isLeft(id))
        .map((offer) => fillOf(need, { is: 'offer', offer }, offer.id, offer.grade)),
    ];
    const [first] = found.toSorted((a, b) => a.cents - b.cents);
    if (!first) return null;
    taken.set(first.from, (taken.get(first.from) ?? 0) + 1);
    fills.push(first);
  }
  const cents = build.cents - fills.reduce((sum, fill) => sum + fill.cents, 0);
  return { fate: 'build', way: build.id, sellsAt: build.grade, cents, uses: build.uses, fills };
}

const fillOf = (need: Need, source: Exclude<Source, { is: 'donor' }>, from: string, grade: Build['grade']): Fill => ({
  slot: need.slot,
  is: source.is,
  from,
  grade,
  cents: centsOf(source, need),
});

/** Orders take the worst that does for them of what was built. */
function withOrders(problem: MatchProblem, plan: MatchPlan): MatchPlan {
  const going = new Map<string, string>();
  const groupOf = new Map(problem.units.flatMap((group) => group.tags.map((tag) => [tag, group] as const)));
  const missing = problem.orders.flatMap(({ id, sellsAs, atLeast, count, days }) => {
    // It is done by the end of the horizon, and no sooner.
    const isInTime = days === null || days >= problem.horizonDays;
    const fitting = plan.units.filter(({ tag, way, fate, sellsAt }) => {
      const build = fate === 'build' ? groupOf.get(tag)?.builds.find((own) => own.id === way) : undefined;
      return isInTime && build?.sellsAs === sellsAs && sellsAt && rankOf(sellsAt) <= rankOf(atLeast) && !going.has(tag);
    });
    const sent = fitting.toSorted((a, b) => rankOf(b.sellsAt ?? 'A') - rankOf(a.sellsAt ?? 'A')).slice(0, count);
    for (const { tag } of sent) going.set(tag, id);
    return sent.length < count ? [{ order: id, count: count - sent.length }] : [];
  });
  return {
    ...plan,
    missing,
    units: plan.units.map((unit) => {
      const order = going.get(unit.tag);
      return order === undefined ? unit : { ...unit, order };
    }),
  };
}
