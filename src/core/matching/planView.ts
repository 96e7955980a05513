import type { Disposition } from '@/core/entities/stages';
import type { Unit } from '@/core/entities/entities';
import type { Fill, MatchPlan, PlannedUnit } from '@/core/matchPlan/plan';
import { completesWith } from '@/core/matchPlan/drawPlan';
import { fates, type Fate, type MatchProblem, type UnitGroup } from '@/core/matchPlan/problem';
import { modelAmong, type Model } from '@/core/procedure/model';
import { slotNeeds } from '@/core/sale/slots';
import { worstGrade, type Grade, type SaleGrade } from '@/core/shared/grades';
import { comingLot } from './accepted';
import type { MatchStock } from './matchStock';
import { hands, partsOfPair } from './waysToBuild';

/** A part that goes into a unit, as people call it. */
export interface PlannedFill extends Fill {
  readonly name: string;
}

/** A slot of a unit that is built: what is in it when it is sold. */
export interface PlanCell {
  readonly slot: string;
  readonly name: string;
  readonly grade: Grade;
  /** It holds the grade of the unit down. */
  readonly holds: boolean;
  /** Where its part comes from; null where the unit's own stays, or one that is set aside for it already. */
  readonly fill: PlannedFill | null;
  readonly isSetAside: boolean;
  /** It is seen: its grade counts for the unit's. */
  readonly isSeen: boolean;
}

/** A part that a donor gives. */
export interface PlannedGift {
  readonly slot: string;
  readonly name: string;
  readonly chance: number;
  readonly worthCents: number;
  /** Who gets it, and for which slot; null where it goes to the shelf. */
  readonly to: { readonly tag: string; readonly slot: string } | null;
}

/** What becomes of one unit, with its money. */
export interface PlanRow {
  readonly tag: string;
  readonly id: string;
  readonly version: number;
  readonly modelId: string;
  readonly model: string;
  readonly fate: Fate;
  /** What was decided for it before; null at Triage. */
  readonly before: Disposition | null;
  /** What Triage proposes, which looks at it alone, where that is something else; null where it is the same or was decided. */
  readonly proposed: Fate | null;
  /** Something is to be accepted of it: it becomes something else, or parts are to be set aside or promised. */
  readonly isNews: boolean;
  readonly sellsAt: SaleGrade | null;
  /** The grade above at which it could sell; null where there is none. */
  readonly betterAt: SaleGrade | null;
  /** Names of the slots that hold its grade down, its own and new ones. */
  readonly heldBy: readonly string[];
  /** Expected, of this unit alone, after its parts. */
  readonly cents: number;
  readonly minutes: number;
  readonly fills: readonly PlannedFill[];
  /** Of a build: every slot of it. */
  readonly cells: readonly PlanCell[];
  readonly gives: readonly PlannedGift[];
  readonly order: string | null;
  /** Of a build: the chance that every part that it counts on and that is not out yet comes out sound. */
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

/** A plan with what is beside it: what Triage proposes. */
interface Planned {
  readonly problem: MatchProblem;
  readonly proposed: Readonly<Record<string, Disposition>>;
}

/** A plan unit by unit, as a screen tells it: by what each becomes, and by money. */
export function planRows(
  { problem, proposed }: Planned,
  plan: MatchPlan,
  { units, models, gradeOf }: Pick<MatchStock, 'units' | 'models' | 'gradeOf'>,
): readonly PlanRow[] {
  const groupOf = new Map(problem.units.flatMap((group) => group.tags.map((tag) => [tag, group] as const)));
  const unitOf = new Map(units.map((unit) => [unit.tag, unit]));
  const takers = new Map(
    plan.units.flatMap((planned) =>
      planned.fills
        .filter(({ is }) => is === 'donor')
        .map(({ from, part, slot }) => [`${from} ${part}`, { tag: planned.tag, slot }] as const),
    ),
  );
  const rows = plan.units.flatMap((planned): readonly PlanRow[] => {
    const { tag, fate, way, sellsAt = null, order = null } = planned;
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
    const fills = planned.fills.map((fill): PlannedFill => ({ ...fill, name: nameOf(fill.slot) }));
    const partCents = fills.reduce((sum, { cents }) => sum + cents, 0);
    const cells = sellsAt ? cellsOf(model, unit, fills, sellsAt, gradeOf) : [];
    const better = group.builds.filter(({ grade }) => sellsAt && grade < sellsAt).map(({ grade }) => grade);
    const gives = (level?.gives ?? []).map(({ slot, chance, worthCents }): PlannedGift => {
      return { slot, name: nameOf(slot), chance, worthCents, to: takers.get(`${tag} ${slot}`) ?? null };
    });
    return [
      {
        ...{ tag, id: unit.id, version: unit.version },
        ...{ modelId: model.id, model: `${model.maker} ${model.name}` },
        ...{ fate, before: unit.disposition },
        proposed: otherwise(proposed[tag], fate),
        isNews: isNews(unit, planned, gives),
        ...{ sellsAt, betterAt: better.sort().at(-1) ?? null },
        heldBy: cells.filter(({ holds }) => holds).map(({ name }) => name),
        cents: (build?.cents ?? level?.cents ?? flatCents(group, fate)) - partCents,
        minutes: build?.uses[hands] ?? level?.uses[hands] ?? 0,
        ...{ fills, cells, gives, order },
        completes: completesWith(problem, plan, tag),
      },
    ];
  });
  return rows.toSorted(
    (a, b) => fates.indexOf(a.fate) - fates.indexOf(b.fate) || b.cents - a.cents || (a.tag < b.tag ? -1 : 1),
  );
}

const flatCents = ({ asIs, recycle }: UnitGroup, fate: Fate): number =>
  fate === 'as-is' ? (asIs?.cents ?? 0) : fate === 'recycle' ? (recycle?.cents ?? 0) : 0;

const otherwise = (proposed: Disposition | undefined, fate: Fate): Fate | null =>
  fates.find((own) => own === proposed && own !== fate) ?? null;

function isNews({ disposition, promised }: Unit, { fate, fills }: PlannedUnit, gives: readonly PlannedGift[]): boolean {
  if (fate === 'hold') return false;
  if (disposition !== fate) return true;
  if (fate === 'build') return fills.some(({ is, from }) => is === 'lot' && !from.startsWith(`${comingLot} `));
  const going = gives.flatMap(({ slot, to }) => (to ? partsOfPair(slot).map((part) => `${part} ${to.tag}`) : []));
  const before = Object.entries(promised).map(([part, tag]) => `${part} ${tag}`);
  return going.toSorted().join() !== before.toSorted().join();
}

/** Every slot with what is in it: those that are seen and no better than the grade at which the unit sells hold it there. */
function cellsOf(
  model: Model,
  unit: Unit,
  fills: readonly PlannedFill[],
  sellsAt: SaleGrade,
  gradeOf: MatchStock['gradeOf'],
): readonly PlanCell[] {
  const fillOf = new Map(fills.flatMap((fill) => partsOfPair(fill.slot).map((id) => [id, fill] as const)));
  return slotNeeds(model, unit).map(({ part, ownGrade }): PlanCell => {
    const fill = fillOf.get(part.id) ?? null;
    const assigned = unit.assigned[part.id];
    const grade = fill?.grade ?? (assigned === undefined ? ownGrade : (gradeOf[assigned] ?? 'X'));
    const isSeen = part.slot === 'cosmetic';
    return {
      ...{ slot: part.id, name: part.name, grade, fill, isSeen },
      holds: isSeen && sellsAt !== 'A' && grade !== 'X' && worstGrade([grade, sellsAt]) === grade,
      isSetAside: fill === null && assigned !== undefined,
    };
  });
}

/** What people call the classes that builds ask for, with a model that has them. */
export function classNames({ units }: MatchProblem, models: readonly Model[]): Readonly<Record<string, string>> {
  const known = new Map<string, { readonly part: string; readonly model: string }>();
  for (const { maker, name, parts } of models)
    for (const part of parts)
      if (!known.has(part.interchange)) known.set(part.interchange, { part: part.name, model: `${maker} ${name}` });
  const classes = new Set(units.flatMap(({ builds }) => builds.flatMap(({ needs }) => needs.map(({ of }) => of))));
  return Object.fromEntries(
    [...classes].map((of) => {
      const own = partsOfPair(of).flatMap((one) => known.get(one) ?? []);
      return [of, own[0] ? `${own.map(({ part }) => part).join(' + ')} (${own[0].model})` : of];
    }),
  );
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
