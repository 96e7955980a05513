import type { Operation, Rung } from '@/core/procedure/operations';
import type { Joint } from '@/core/procedure/joints';
import type { JointKind } from '@/core/procedure/vocabulary';
import type { WayFreed } from '@/core/battery/cellRecord';

/** What holds a cell without anything that sticks. */
const fasteners: readonly JointKind[] = ['screw', 'tab', 'latch', 'clip', 'threaded', 'cap', 'half-turn', 'socket'];
/** A tape that is drawn out along the cell is its strip; one that a card parts is not. */
const drawn: readonly NonNullable<Operation['motion']>['kind'][] = ['draw-out', 'slide'];

/**
 * How a step freed a cell, as far as it is known of itself: by what it opened, how it ended, and what had to be tried.
 *
 * @param joints  those that the step opens
 * @param endId  how it ended, where that was not the usual way
 * @param tried  rungs of its ladder that were tried
 * @returns undefined where somebody has to say it
 */
export function howFreed(
  operation: Pick<Operation, 'motion' | 'heat' | 'solvent' | 'ends'>,
  joints: readonly Pick<Joint, 'kind'>[],
  endId: string | undefined,
  tried: readonly Rung[],
): WayFreed | undefined {
  if (endId !== undefined && endId !== operation.ends?.[0]?.id) return undefined;
  if (operation.solvent || tried.some(({ solvent }) => solvent)) return 'solvent';
  if (operation.heat || tried.some(({ heat }) => heat)) return 'warmed';
  if (tried.length > 0 || joints.length === 0) return undefined;
  if (joints.every(({ kind }) => fasteners.includes(kind))) return 'unfastened';
  const isDrawn = operation.motion !== undefined && drawn.includes(operation.motion.kind);
  return joints.every(({ kind }) => kind === 'strip' || (kind === 'tape' && isDrawn)) ? 'strip' : undefined;
}
