import type { SheetState } from '@/core/entities/entities';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';

/** Parts that are out of the unit at this moment. */
export function partsOut(sheet: RunSheet, state: SheetState): readonly string[] {
  const done = sheet.steps.filter(({ id }) => state.doneStepIds.includes(id));
  const placed = new Set(done.flatMap(({ places }) => places));
  return done.flatMap(({ frees }) => frees).filter((part) => !placed.has(part));
}
