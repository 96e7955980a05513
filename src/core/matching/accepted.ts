import type { Unit } from '@/core/entities/entities';
import type { Keeps, KeptPart, Lot, UnitGroup } from '@/core/matchPlan/problem';
import { modelAmong } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import { usualGrade } from '@/core/sale/slots';
import type { HouseRules } from '@/core/shared/houseRules';
import { knowledgeFor, yieldOf } from '@/core/triage/knowledge';
import type { MatchStock } from './matchStock';
import { partsOfPair } from './waysToBuild';

/** Somebody has to carry a change of mind round the shop: so long, in minutes. */
const changeMinutes = 2;

/** How the lots are called that are kept for one unit: on the shelf, or on their way there. */
export const keptLot = 'kept';
export const comingLot = 'coming';

/** What is decided and not begun stays so, unless it pays to change it. @param free  tags of the units that a plan is made of */
export function acceptedBefore(units: readonly Unit[], free: ReadonlySet<string>, rules: HouseRules): Keeps {
  const fates = units.flatMap(({ tag, disposition }) =>
    disposition === 'build' || disposition === 'donor' ? [{ tag, fate: disposition }] : [],
  );
  const parts = units.flatMap(({ tag: from, promised }) =>
    Object.entries(promised).flatMap(([part, tag]): readonly KeptPart[] =>
      free.has(tag) && free.has(from) ? [{ from, part, tag }] : [],
    ),
  );
  return { eachCents: Math.round(changeMinutes * rules.labourCentsPerMinute), fates, parts };
}

/** A lot of one part, before it is said what it is worth. */
type KeptLot = Omit<Lot, 'worthCents'>;

/**
 * Parts that are kept for one of the units, and those that are promised and still inside a unit on a bench.
 *
 * @param buyCents  what another in the place of one that fails costs a build
 */
export function keptLots(
  { kept, underWay, models, knowledge }: MatchStock,
  free: ReadonlySet<string>,
  buyCents: (interchange: string, part: ModelPart) => number,
): readonly KeptLot[] {
  const there = kept.flatMap((own): readonly KeptLot[] => {
    const grade = own.grade ?? usualGrade;
    if (!free.has(own.for) || grade === 'X') return [];
    const brings = own.whole && { model: own.whole.modelId, parts: own.whole.carries };
    const id = `${own.isOnShelf ? keptLot : comingLot} ${own.tag}`;
    return [{ id, of: own.interchange, grade, count: 1, for: own.for, ...(brings && { brings }) }];
  });
  const coming = underWay.flatMap(({ unit, promised }) => {
    const model = modelAmong(models, unit);
    return Object.entries(promised).flatMap(([ref, tag]): readonly KeptLot[] => {
      const part = model?.parts.find(({ id }) => id === ref);
      if (!model || !part || !free.has(tag)) return [];
      const { share } = yieldOf(model, part, unit, knowledgeFor(knowledge, model.id));
      const id = `${comingLot} ${unit.tag} ${ref}`;
      const comes = { chance: Math.round(share * 1000) / 1000, failCents: buyCents(part.interchange, part) };
      return [{ id, of: part.interchange, grade: usualGrade, count: 1, for: tag, coming: comes }];
    });
  });
  return [...there, ...coming];
}

/** A part that is promised to a unit, or kept for it, where that no longer holds, and why. */
export interface Lapsed {
  /** Tag of the part, or of the unit that it is in. */
  readonly from: string;
  /** The part in its model; null where the part has a tag of its own. */
  readonly part: string | null;
  readonly for: string;
  readonly because: 'nobody-waits' | 'not-needed' | 'cannot-come';
}

/**
 * What was accepted of parts and no longer holds: the unit that should get one waits no more, needs none like it any more, or the donor
 * can no longer give it.
 */
export function lapsedPromises(
  { units, kept, underWay }: Pick<MatchStock, 'units' | 'kept' | 'underWay'>,
  groups: readonly UnitGroup[],
): readonly Lapsed[] {
  const groupOf = new Map(groups.flatMap((group) => group.tags.map((tag) => [tag, group] as const)));
  const isNeeded = (tag: string, interchange: string) =>
    groupOf.get(tag)?.builds.some(({ needs }) => needs.some(({ of }) => partsOfPair(of).includes(interchange)));
  const ofKept = kept.flatMap(({ tag: from, for: unit, interchange }): readonly Lapsed[] => {
    if (!groupOf.has(unit)) return [{ from, part: null, for: unit, because: 'nobody-waits' }];
    return isNeeded(unit, interchange) ? [] : [{ from, part: null, for: unit, because: 'not-needed' }];
  });
  const ofDonors = units.flatMap(({ tag: from, promised }) =>
    Object.entries(promised).flatMap(([part, unit]): readonly Lapsed[] => {
      if (!groupOf.has(unit)) return [{ from, part, for: unit, because: 'nobody-waits' }];
      return gives(groupOf.get(from), part) ? [] : [{ from, part, for: unit, because: 'cannot-come' }];
    }),
  );
  const ofBenches = underWay.flatMap(({ unit, promised }) =>
    Object.entries(promised).flatMap(([part, tag]): readonly Lapsed[] =>
      groupOf.has(tag) ? [] : [{ from: unit.tag, part, for: tag, because: 'nobody-waits' }],
    ),
  );
  return [...ofKept, ...ofDonors, ...ofBenches];
}

const gives = (group: UnitGroup | undefined, part: string): boolean =>
  (group?.levels ?? []).some((level) => level.gives.some(({ slot }) => partsOfPair(slot).includes(part)));
