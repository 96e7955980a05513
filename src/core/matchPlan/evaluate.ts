import { grouped } from '@/core/shared/grouped';
import type { MatchPlan, PlannedUnit } from './plan';
import {
  centsOf,
  deadlinesOf,
  movesTo,
  partFrom,
  rankOf,
  type Build,
  type Level,
  type MatchProblem,
  type Need,
  type Source,
  type UnitGroup,
  type Uses,
} from './problem';

/** What cannot be of a plan, and of what: a unit's tag, or the id of a source, an order or a resource. */
export interface PlanFault {
  readonly is:
    | 'unit-twice'
    | 'unit-missing'
    | 'unit-unknown'
    | 'no-such-build'
    | 'no-such-level'
    | 'no-such-fate'
    | 'parts-differ'
    | 'no-part'
    | 'does-not-fit'
    | 'too-bad'
    | 'runs-out'
    | 'kept-for-another'
    | 'part-late'
    | 'given-twice'
    | 'donor-late'
    | 'minutes'
    | 'reserve'
    | 'not-ordered'
    | 'order-late'
    | 'order-lacks'
    | 'order-unmet'
    | 'wish'
    | 'slot-wish';
  readonly of: string;
}

/** What a plan brings, and what of it cannot be. */
export interface Evaluation {
  /** Expected, in whole cents, against leaving everything as it lies. */
  readonly cents: number;
  /** None where the plan can be carried out as it stands. */
  readonly faults: readonly PlanFault[];
  /** Minutes of each resource that it takes. */
  readonly minutes: Uses;
}

interface Known {
  readonly unit: PlannedUnit;
  readonly group: UnitGroup;
  readonly build: Build | undefined;
  readonly level: Level | undefined;
}

/**
 * Reckons a plan from the problem alone, unit by unit, in whole cents, and says what cannot be: without the integer programme, so
 * that one can be held against the other.
 */
export function evaluate(problem: MatchProblem, plan: MatchPlan): Evaluation {
  const faults: PlanFault[] = [];
  const groupOf = new Map(problem.units.flatMap((group) => group.tags.map((tag) => [tag, group] as const)));
  const planned = new Map(plan.units.map((unit) => [unit.tag, unit]));
  if (planned.size !== plan.units.length) faults.push({ is: 'unit-twice', of: '' });
  for (const tag of groupOf.keys()) if (!planned.has(tag)) faults.push({ is: 'unit-missing', of: tag });
  const known = plan.units.flatMap((unit): readonly Known[] => {
    const group = groupOf.get(unit.tag);
    if (!group) faults.push({ is: 'unit-unknown', of: unit.tag });
    const build = unit.fate === 'build' ? group?.builds.find(({ id }) => id === unit.way) : undefined;
    const level = unit.fate === 'donor' ? group?.levels.find(({ id }) => id === unit.way) : undefined;
    return group ? [{ unit, group, build, level }] : [];
  });
  const byTag = new Map(known.map((own) => [own.unit.tag, own]));
  const minutes: Record<string, number> = {};
  const byDay: { day: number; uses: Uses }[] = [];
  const use = (uses: Uses, day: number) => {
    byDay.push({ day, uses });
    for (const [id, taken] of Object.entries(uses)) minutes[id] = (minutes[id] ?? 0) + taken;
  };
  const taken = new Map<string, number>();
  const count = (key: string) => taken.set(key, (taken.get(key) ?? 0) + 1).get(key) as number;
  let cents = 0;
  for (const own of known) {
    const { unit, group, build, level } = own;
    const { tag, fate, byDays } = unit;
    if (fate === 'build' && !build) faults.push({ is: 'no-such-build', of: tag });
    if (fate === 'donor' && !level) faults.push({ is: 'no-such-level', of: tag });
    if ((fate === 'as-is' && !group.asIs) || (fate === 'recycle' && !group.recycle))
      faults.push({ is: 'no-such-fate', of: tag });
    cents += build?.cents ?? level?.cents ?? 0;
    if (fate === 'as-is') cents += group.asIs?.cents ?? 0;
    if (fate === 'recycle') cents += group.recycle?.cents ?? 0;
    use(build?.uses ?? level?.uses ?? (fate === 'as-is' ? (group.asIs?.uses ?? {}) : {}), byDays);
    const needs = build?.needs ?? [];
    if (unit.fills.length !== needs.length) faults.push({ is: 'parts-differ', of: tag });
    for (const need of needs) {
      const source = sourceOf(problem, byTag, unit, need);
      if (!source) {
        faults.push({ is: 'no-part', of: tag });
        continue;
      }
      const part = partFrom(source);
      if (part.of !== need.of) faults.push({ is: 'does-not-fit', of: tag });
      if (rankOf(part.grade) > rankOf(need.atLeast)) faults.push({ is: 'too-bad', of: tag });
      cents -= centsOf(source, need);
      for (const { uses } of movesTo(need, part)) use(uses, byDays);
      if (source.is === 'lot' && count(`lot ${source.lot.id}`) > source.lot.count)
        faults.push({ is: 'runs-out', of: source.lot.id });
      if (source.is === 'lot' && source.lot.for !== undefined && source.lot.for !== tag)
        faults.push({ is: 'kept-for-another', of: source.lot.id });
      if (source.is === 'offer') {
        if (count(`offer ${source.offer.id}`) > (source.offer.most ?? Infinity))
          faults.push({ is: 'runs-out', of: source.offer.id });
        if (source.offer.leadDays > byDays) faults.push({ is: 'part-late', of: tag });
      }
      const fill = unit.fills.find(({ slot }) => slot === need.slot);
      if (fill?.is === 'donor') {
        if (count(`donor ${fill.from} ${fill.part}`) > 1) faults.push({ is: 'given-twice', of: fill.from });
        if ((byTag.get(fill.from)?.unit.byDays ?? Infinity) > byDays) faults.push({ is: 'donor-late', of: fill.from });
      }
    }
  }
  cents += ordersOf(problem, plan, byTag, faults);
  cents -= fallen(problem, known);
  for (const day of deadlinesOf(problem))
    for (const { id, minutes: most } of problem.resources) {
      const worked = byDay.filter((one) => one.day <= day).reduce((sum, { uses }) => sum + (uses[id] ?? 0), 0);
      if (worked > (most * day) / problem.horizonDays + 1e-6) faults.push({ is: 'minutes', of: id });
    }
  for (const { of, atLeast, count: kept } of problem.reserves) {
    const lots = problem.lots.filter((lot) => lot.of === of && rankOf(lot.grade) <= rankOf(atLeast));
    const there = lots.reduce((sum, lot) => sum + lot.count, 0);
    const used = lots.reduce((sum, lot) => sum + (taken.get(`lot ${lot.id}`) ?? 0), 0);
    if (there - used < Math.min(kept, there)) faults.push({ is: 'reserve', of });
  }
  faults.push(...broken(problem, byTag));
  return { cents, faults, minutes };
}

function sourceOf(
  { lots, offers }: MatchProblem,
  byTag: ReadonlyMap<string, Known>,
  unit: PlannedUnit,
  { slot }: Need,
): Source | undefined {
  const fill = unit.fills.find((one) => one.slot === slot);
  if (fill?.is === 'lot') {
    const lot = lots.find(({ id }) => id === fill.from);
    return lot && { is: 'lot', lot };
  }
  if (fill?.is === 'offer') {
    const offer = offers.find(({ id }) => id === fill.from);
    return offer && { is: 'offer', offer };
  }
  const given = fill && byTag.get(fill.from)?.level?.gives.find((one) => one.slot === fill.part);
  return given && { is: 'donor', given };
}

/** What orders add, and what is missing costs. */
function ordersOf(
  { orders, horizonDays }: MatchProblem,
  { units, missing }: MatchPlan,
  byTag: ReadonlyMap<string, Known>,
  faults: PlanFault[],
): number {
  const going = grouped(
    units.filter(({ order }) => order !== undefined),
    ({ order }) => order as string,
  );
  return orders.reduce((sum, order) => {
    const own = going.get(order.id) ?? [];
    for (const { tag, byDays } of own) {
      const build = byTag.get(tag)?.build;
      const fits = build?.sellsAs === order.sellsAs && rankOf(build.grade) <= rankOf(order.atLeast);
      if (!fits) faults.push({ is: 'not-ordered', of: tag });
      if (byDays > Math.min(order.days ?? horizonDays, horizonDays)) faults.push({ is: 'order-late', of: tag });
    }
    const lacks = order.count - own.length;
    if (lacks !== (missing.find((one) => one.order === order.id)?.count ?? 0))
      faults.push({ is: 'order-lacks', of: order.id });
    if (lacks > 0 && order.isFirm) faults.push({ is: 'order-unmet', of: order.id });
    return sum + own.length * order.extraCents - lacks * order.missCents;
  }, 0);
}

/** What is lost because many of the same are sold. */
function fallen({ falls }: MatchProblem, known: readonly Known[]): number {
  return falls.reduce((sum, { sellsAs, grade, after, cents }) => {
    const sold = known.filter(({ build }) => build?.sellsAs === sellsAs && build.grade === grade).length;
    return sum + Math.max(0, sold - after) * cents;
  }, 0);
}

/** Wishes that the plan does not keep. */
function broken({ wishes, slotWishes }: MatchProblem, byTag: ReadonlyMap<string, Known>): readonly PlanFault[] {
  return [
    ...wishes.flatMap(({ tag, fate, grade, is }): readonly PlanFault[] => {
      const own = byTag.get(tag);
      const isSo = own?.unit.fate === fate && (grade === undefined || own.build?.grade === grade);
      return isSo === (is === 'pinned') ? [] : [{ is: 'wish', of: tag }];
    }),
    ...slotWishes.flatMap(({ tag, slot, from, is }): readonly PlanFault[] => {
      const own = byTag.get(tag);
      if (!own?.build?.needs.some((need) => need.slot === slot)) return [];
      const isSo = own.unit.fills.some((fill) => fill.slot === slot && fill.from === from);
      return isSo === (is === 'pinned') ? [] : [{ is: 'slot-wish', of: tag }];
    }),
  ];
}
