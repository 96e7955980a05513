import type { Disposition } from '@/core/entities/stages';
import type { Unit } from '@/core/entities/entities';
import type { Fill, MatchPlan } from '@/core/matchPlan/plan';
import { completesWith } from '@/core/matchPlan/drawPlan';
import type { Fate, MatchProblem, UnitGroup } from '@/core/matchPlan/problem';
import { modelAmong, type Model } from '@/core/procedure/model';
import { slotNeeds } from '@/core/sale/slots';
import { worstGrade, type Grade, type SaleGrade } from '@/core/shared/grades';
import { hands, partsOfPair } from './waysToBuild';

/** A part that goes into a unit, as people call it. */
export interface PlannedFill extends Fill {
  readonly name: string;
}

/** What becomes of one unit, with its money. */
export interface PlanRow {
  readonly tag: string;
  readonly id: string;
  readonly version: number;
  readonly model: string;
  readonly fate: Fate;
  /** What was decided for it before; null at Triage. */
  readonly before: Disposition | null;
  readonly sellsAt: SaleGrade | null;
  /** Names of the slots that hold its grade down, its own and new ones. */
  readonly heldBy: readonly string[];
  /** Expected, of this unit alone, after its parts. */
  readonly cents: number;
  readonly minutes: number;
  readonly fills: readonly PlannedFill[];
  /** Of a donor: what is taken out, and which of that goes into other units. */
  readonly gives: readonly { readonly name: string; readonly to: string | null }[];
  readonly order: string | null;
  /** Of a build: the chance that every donor's part that it counts on comes out sound. */
  readonly completes: number;
}

/** What is to be bought, by what it is. */
export interface ToBuy {
  readonly name: string;
  readonly of: string;
  readonly count: number;
  readonly eachCents: number;
  readonly leadDays: number;
}

const fateOrder: readonly Fate[] = ['build', 'donor', 'as-is', 'recycle', 'hold'];

/** A plan unit by unit, as a screen tells it: what needs a decision first, then by fate and by money. */
export function planRows(
  problem: MatchProblem,
  plan: MatchPlan,
  units: readonly Unit[],
  models: readonly Model[],
): readonly PlanRow[] {
  const groupOf = new Map(problem.units.flatMap((group) => group.tags.map((tag) => [tag, group] as const)));
  const unitOf = new Map(units.map((unit) => [unit.tag, unit]));
  const takers = new Map(
    plan.units.flatMap((planned) =>
      planned.fills
        .filter(({ is }) => is === 'donor')
        .map(({ from, part }) => [`${from} ${part}`, planned.tag] as const),
    ),
  );
  const rows = plan.units.flatMap((planned): readonly PlanRow[] => {
    const { tag, fate, way, fills, sellsAt = null, order = null } = planned;
    const group = groupOf.get(tag);
    const unit = unitOf.get(tag);
    const model = modelAmong(models, unit);
    if (!group || !unit || !model) return [];
    const nameOf = (slot: string) =>
      partsOfPair(slot)
        .map((id) => model.parts.find((part) => part.id === id)?.name ?? id)
        .join(' + ');
    const build = fate === 'build' ? group.builds.find(({ id }) => id === way) : undefined;
    const level = fate === 'donor' ? group.levels.find(({ id }) => id === way) : undefined;
    const partCents = fills.reduce((sum, { cents }) => sum + cents, 0);
    return [
      {
        tag,
        id: unit.id,
        version: unit.version,
        model: `${model.maker} ${model.name}`,
        fate,
        before: unit.disposition,
        sellsAt,
        heldBy: sellsAt ? heldBy(model, unit, fills, sellsAt).map(nameOf) : [],
        cents: (build?.cents ?? level?.cents ?? flatCents(group, fate)) - partCents,
        minutes: build?.uses[hands] ?? level?.uses[hands] ?? 0,
        fills: fills.map((fill) => ({ ...fill, name: nameOf(fill.slot) })),
        gives: (level?.gives ?? []).map(({ slot }) => ({
          name: nameOf(slot),
          to: takers.get(`${tag} ${slot}`) ?? null,
        })),
        order,
        completes: completesWith(problem, plan, tag),
      },
    ];
  });
  return rows.toSorted(
    (a, b) => fateOrder.indexOf(a.fate) - fateOrder.indexOf(b.fate) || b.cents - a.cents || (a.tag < b.tag ? -1 : 1),
  );
}

const flatCents = ({ asIs, recycle }: UnitGroup, fate: Fate): number =>
  fate === 'as-is' ? (asIs?.cents ?? 0) : fate === 'recycle' ? (recycle?.cents ?? 0) : 0;

/** Slots that are seen and no better than the grade at which the unit sells; none where that is the best there is. */
function heldBy(model: Model, unit: Unit, fills: readonly Fill[], sellsAt: SaleGrade): readonly string[] {
  if (sellsAt === 'A') return [];
  const grades = new Map<string, Grade>(fills.flatMap(({ slot, grade }) => partsOfPair(slot).map((id) => [id, grade])));
  return slotNeeds(model, unit)
    .filter(({ part }) => part.slot === 'cosmetic')
    .filter(({ part, ownGrade }) => {
      const grade = grades.get(part.id) ?? ownGrade;
      return worstGrade([grade, sellsAt]) === grade && grade !== 'X';
    })
    .map(({ part }) => part.id);
}

/** What the plan buys, the dearest first. */
export function toBuy(problem: MatchProblem, plan: MatchPlan, rows: readonly PlanRow[]): readonly ToBuy[] {
  const names = new Map(rows.flatMap(({ fills }) => fills.map(({ from, name }) => [from, name] as const)));
  const counts = new Map<string, number>();
  for (const { from, is } of plan.units.flatMap(({ fills }) => fills))
    if (is === 'offer') counts.set(from, (counts.get(from) ?? 0) + 1);
  return problem.offers
    .filter(({ id }) => counts.has(id))
    .map(({ id, of, cents, leadDays }) => ({
      name: names.get(id) ?? of,
      of,
      count: counts.get(id) ?? 0,
      eachCents: cents,
      leadDays,
    }))
    .toSorted((a, b) => b.count * b.eachCents - a.count * a.eachCents);
}
