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

/**
 * A unit dropped on a zone is pinned, forbidden or left out; a part likewise; a part dropped on a slot of another unit is pinned there, where
 * it fits.
 */
export function wishOfDrop(rows: readonly PlanRow[], problem: MatchProblem, from: string, onto: string): Dropped {
  const [tag = '', slot] = from.split(between);
  const row = rows.find((own) => own.tag === tag);
  const zone = dropZones.find((own) => own === onto);
  if (!row) return null;
  if (slot === undefined) {
    if (!zone) return null;
    const { fate, sellsAt } = row;
    if (zone === 'leave-out') return { is: 'wish', wish: { tag, fate: 'hold', is: 'pinned' } };
    const grade = zone === 'pin' && sellsAt ? { grade: sellsAt } : {};
    return { is: 'wish', wish: { tag, fate, ...grade, is: zone === 'pin' ? 'pinned' : 'forbidden' } };
  }
  const fill = row.cells.find((own) => own.slot === slot)?.fill;
  if (!fill) return null;
  if (zone) {
    const is = zone === 'pin' ? 'pinned' : 'forbidden';
    return zone === 'leave-out' ? null : { is: 'slot-wish', wish: { tag, slot: fill.slot, from: fill.from, is } };
  }
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
