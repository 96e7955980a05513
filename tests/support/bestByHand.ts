import { evaluate } from '@/core/matchPlan/evaluate';
import { matchPlanFormat, type Fill, type MatchPlan, type PlannedUnit } from '@/core/matchPlan/plan';
import { centsOf, deadlinesOf, rankOf, type MatchProblem, type UnitGroup } from '@/core/matchPlan/problem';

interface Best {
  readonly plan: MatchPlan;
  readonly cents: number;
  /** With what staying as it was accepted weighs. */
  readonly weight: number;
}

/** What stays as it was accepted weighs so much. */
export function keptCents({ keeps }: MatchProblem, { units }: MatchPlan): number {
  if (!keeps) return 0;
  const fates = keeps.fates.filter((kept) => units.some((unit) => unit.tag === kept.tag && unit.fate === kept.fate));
  const parts = keeps.parts.filter((kept) =>
    units.some(
      ({ tag, fills }) => tag === kept.tag && fills.some((fill) => fill.from === kept.from && fill.part === kept.part),
    ),
  );
  return keeps.eachCents * (fates.length + parts.length);
}

/**
 * The best plan of a small problem by trying every fate of every unit, every source of every slot, every deadline and every order:
 * slow, and nothing but that. null where none can be carried out.
 */
export function bestByHand(problem: MatchProblem): Best | null {
  const groups = problem.units.flatMap((group) => group.tags.map((tag) => ({ tag, group })));
  const days = deadlinesOf(problem);
  const last = days.at(-1) as number;
  let best: Best | null = null;
  const judge = (units: readonly PlannedUnit[]) => {
    const missing = problem.orders
      .map(({ id, count }) => ({ order: id, count: count - units.filter(({ order }) => order === id).length }))
      .filter(({ count }) => count > 0);
    const plan: MatchPlan = { format: matchPlanFormat, units, missing };
    const { cents, faults } = evaluate(problem, plan);
    const weight = cents + keptCents(problem, plan);
    if (faults.length === 0 && (!best || weight > best.weight)) best = { plan, cents, weight };
  };

  /** Every way to fill the slots of the builds that are chosen, one slot after the other. */
  const fill = (units: readonly PlannedUnit[], at: number, slot: number): void => {
    const unit = units[at];
    if (!unit) return judge(units);
    const group = groups.find(({ tag }) => tag === unit.tag)?.group as UnitGroup;
    const need = group.builds.find(({ id }) => id === unit.way && unit.fate === 'build')?.needs[slot];
    if (!need) return fill(units, at + 1, 0);
    const put = (own: Fill) => {
      const filled = { ...unit, fills: [...unit.fills, own] };
      fill(units.with(at, filled), at, slot + 1);
    };
    const taken = (from: string, part?: string) =>
      units.reduce((sum, one) => sum + one.fills.filter((own) => own.from === from && own.part === part).length, 0);
    for (const lot of problem.lots)
      if (
        lot.of === need.of &&
        rankOf(lot.grade) <= rankOf(need.atLeast) &&
        taken(lot.id) < lot.count &&
        (lot.for ?? unit.tag) === unit.tag
      )
        put({ slot: need.slot, is: 'lot', from: lot.id, grade: lot.grade, cents: centsOf({ is: 'lot', lot }, need) });
    for (const offer of problem.offers)
      if (offer.of === need.of && rankOf(offer.grade) <= rankOf(need.atLeast) && taken(offer.id) < (offer.most ?? 99))
        put({
          slot: need.slot,
          is: 'offer',
          from: offer.id,
          grade: offer.grade,
          cents: centsOf({ is: 'offer', offer }, need),
        });
    for (const donor of units) {
      const level = groups
        .find(({ tag }) => tag === donor.tag)
        ?.group.levels.find(({ id }) => id === donor.way && donor.fate === 'donor');
      for (const given of level?.gives ?? [])
        if (given.of === need.of && rankOf(given.grade) <= rankOf(need.atLeast) && taken(donor.tag, given.slot) === 0)
          put({
            slot: need.slot,
            is: 'donor',
            from: donor.tag,
            part: given.slot,
            grade: given.grade,
            cents: centsOf({ is: 'donor', given }, need),
          });
    }
  };

  const choose = (units: readonly PlannedUnit[], at: number): void => {
    const own = groups[at];
    if (!own) return fill(units, 0, 0);
    const { tag, group } = own;
    const add = (unit: Omit<PlannedUnit, 'tag' | 'fills'>) => choose([...units, { tag, fills: [], ...unit }], at + 1);
    add({ fate: 'hold', byDays: last });
    if (group.asIs) add({ fate: 'as-is', byDays: last });
    if (group.recycle) add({ fate: 'recycle', byDays: last });
    for (const byDays of days) {
      for (const { id } of group.levels) add({ fate: 'donor', way: id, byDays });
      for (const { id, grade, sellsAs } of group.builds) {
        add({ fate: 'build', way: id, sellsAt: grade, byDays });
        for (const order of problem.orders)
          if (order.sellsAs === sellsAs) add({ fate: 'build', way: id, sellsAt: grade, byDays, order: order.id });
      }
    }
  };
  choose([], 0);
  return best;
}
