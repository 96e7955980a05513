import type { Face, Point } from '@/core/procedure/faces';
import type { Joint } from '@/core/procedure/joints';
import type { Handwork } from '@/core/procedure/operations';
import type { Box } from './labelPlace';

/** Room round what is worked at, in millimetres. */
const marginMm = 9;
/** A place of work is at least so wide and high: less shows no neighbourhood. */
const leastMm = 24;

/** How much larger a close-up draws than the face beside it, at least. */
export const closer = 3;

/**
 * The place of work of a step on its face: its joints, where it is held, where a tip or a pick goes in. Null where that is
 * most of the face, and a close-up would show nothing closer.
 *
 * @param room  of the close-up in pixels: the place takes its proportions
 */
export function placeOfWork(
  face: Face,
  joints: readonly Joint[],
  hands: Pick<Handwork, 'hold' | 'tip' | 'seam'> | null,
  room: { readonly width: number; readonly height: number },
): Box | null {
  const own = joints.filter((joint) => joint.face === face.id);
  const points: readonly Point[] = [
    ...own,
    // A hold at the far end would leave nothing close: it is shown on the whole face.
    ...(own.length === 0 && hands?.hold ? [hands.hold] : []),
    ...(hands?.tip ? [hands.tip] : []),
    ...(hands?.seam ?? []).flatMap((segment) => [segment, { xMm: segment.toXMm, yMm: segment.toYMm }]),
  ];
  if (points.length === 0) return null;
  const [left, right] = [Math.min(...points.map(({ xMm }) => xMm)), Math.max(...points.map(({ xMm }) => xMm))];
  const [top, bottom] = [Math.min(...points.map(({ yMm }) => yMm)), Math.max(...points.map(({ yMm }) => yMm))];
  let widthMm = Math.max(leastMm, right - left + 2 * marginMm);
  let heightMm = Math.max(leastMm, bottom - top + 2 * marginMm);
  // The room's own proportions, so that nothing of it is left empty.
  const wide = room.width / room.height;
  if (widthMm / heightMm < wide) widthMm = heightMm * wide;
  else heightMm = widthMm / wide;
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const isMost = widthMm * heightMm > 0.45 * face.widthMm * face.heightMm;
  return isMost ? null : { xMm: middle.x - widthMm / 2, yMm: middle.y - heightMm / 2, widthMm, heightMm };
}
