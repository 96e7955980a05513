import type { SheetState } from '@/core/entities/entities';

/** The rung of its ladder that a step has come to; 0 while the usual way is tried. */
export const rungNow = ({ resistances }: Pick<SheetState, 'resistances'>, stepId: string): number =>
  resistances.findLast((entry) => entry.stepId === stepId)?.rung ?? 0;
