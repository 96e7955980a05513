import type { Face } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Operation, SeamSegment } from '@/core/procedure/operations';
import type { HeatSegment } from './heatPlan';
import { message, type Message } from '@/core/shared/message';

/**
 * The stretches of the seam that a step warms, in the order in which they are opened: those of the step itself, or of
 * the step that comes after it and cuts. Each has its share of the minutes of the cutting, by its length.
 *
 * @returns empty where nothing is cut, as where a cell is drawn out whole
 */
export function seamStretches(model: Model, operation: Operation): readonly HeatSegment[] {
  const cut = operation.seam
    ? operation
    : model.operations.find(
        ({ seam, after }) => seam !== undefined && after.some(({ any }) => any.includes(operation.id)),
      );
  const face = model.faces.find(({ id }) => id === cut?.face);
  if (!cut?.seam || !face) return [];
  const open = cut.seam.filter(({ isForbidden }) => !isForbidden);
  const lengths = open.map(({ xMm, yMm, toXMm, toYMm }) => Math.hypot(toXMm - xMm, toYMm - yMm));
  const total = lengths.reduce((sum, length) => sum + length, 0);
  return open.map((segment, at) => ({
    warm: segment.warm ?? edgeOf(face, segment),
    workSeconds: Math.round(cut.minutes.likely * 60 * (total > 0 ? (lengths[at] as number) / total : 1 / open.length)),
  }));
}

/** The edge of the face that the middle of a stretch is nearest to. */
function edgeOf({ widthMm, heightMm }: Face, { xMm, yMm, toXMm, toYMm }: SeamSegment): Message<'heat'> {
  const [x, y] = [(xMm + toXMm) / 2, (yMm + toYMm) / 2];
  const edges = [
    [message('heat.leftEdge'), x],
    [message('heat.rightEdge'), widthMm - x],
    [message('heat.upperEdge'), y],
    [message('heat.lowerEdge'), heightMm - y],
  ] as const;
  return edges.reduce((nearest, edge) => (edge[1] < nearest[1] ? edge : nearest))[0];
}
