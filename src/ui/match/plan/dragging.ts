import type { PlanRow } from '@/core/matching/planView';
import type { MatchProblem, SlotWish, Wish } from '@/core/matchPlan/problem';
import type { Choice } from './choice';

/** What a unit or a part can be dropped on beside other units. */
export const dropZones = ['pin', 'never', 'leave-out'] as const;
export type DropZone = (typeof dropZones)[number];

const between = '|';

export const dragId = ({ tag, slot }: Choice): string => (slot === null ? tag : [tag, slot].join(between));

/** What was meant by dropping one thing on another: a wish, or nothing that could be. */
export type Dropped =
  | { readonly is: 'wish'; readonly wish: Wish }
  | { readonly is: 'slot-wish'; readonly wish: SlotWish }
  | { readonly is: 'misfit' }
  | null;

/** What is wished of a unit, or of where one of its parts comes from, by a key or by a drop on that key's button. */
export function wishOn(
  zone: DropZone,
  { tag, fate, sellsAt }: Pick<PlanRow, 'tag' | 'fate' | 'sellsAt'>,
  fill: Pick<PlanRow['fills'][number], 'slot' | 'from'> | null,
): Dropped {
  const is = zone === 'pin' ? 'pinned' : 'forbidden';
  if (fill)
    return zone === 'leave-out' ? null : { is: 'slot-wish', wish: { tag, slot: fill.slot, from: fill.from, is } };
  if (zone === 'leave-out') return { is: 'wish', wish: { tag, fate: 'hold', is: 'pinned' } };
  return { is: 'wish', wish: { tag, fate, ...(zone === 'pin' && sellsAt && { grade: sellsAt }), is } };
}

/**
 * A unit or a part dropped on a zone is wished so; a part dropped on a slot of another unit is pinned there, where it fits.
 */
export function wishOfDrop(rows: readonly PlanRow[], problem: MatchProblem, from: string, onto: string): Dropped {
  const [tag = '', slot] = from.split(between);
  const row = rows.find((own) => own.tag === tag);
  const zone = dropZones.find((own) => own === onto);
  if (!row) return null;
  if (slot === undefined) return zone ? wishOn(zone, row, null) : null;
  const fill = row.cells.find((own) => own.slot === slot)?.fill;
  if (!fill) return null;
  if (zone) return wishOn(zone, row, fill);
  const [other = '', target] = onto.split(between);
  if (target === undefined || other === tag) return null;
  const wanted = needOf(problem, other, target);
  const isFit = wanted !== undefined && wanted.of === needOf(problem, tag, slot)?.of;
  if (!isFit) return { is: 'misfit' };
  return { is: 'slot-wish', wish: { tag: other, slot: wanted.slot, from: fill.from, is: 'pinned' } };
}

/** A slot as some build of the unit asks for it. */
function needOf({ units }: MatchProblem, tag: string, slot: string) {
  const group = units.find(({ tags }) => tags.includes(tag));
  return group?.builds.flatMap(({ needs }) => needs).find((need) => need.slot.split('+').includes(slot));
}
