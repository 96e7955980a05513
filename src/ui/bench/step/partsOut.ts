import type { SheetState } from '@/core/entities/entities';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';

/** Parts that are out of the unit at this moment. */
export function partsOut(sheet: RunSheet, state: SheetState): readonly string[] {
  const done = sheet.steps.filter(({ id }) => state.doneStepIds.includes(id));
  const placed = new Set(done.flatMap(({ places }) => places));
  return done.flatMap(({ frees }) => frees).filter((part) => !placed.has(part));
}

/** Operations that are done and not taken back at this moment. */
export function operationsOut(sheet: RunSheet, state: SheetState): ReadonlySet<string> {
  const out = new Set<string>();
  for (const { id, leg, operationId } of sheet.steps) {
    if (!state.doneStepIds.includes(id) || operationId === null) continue;
    if (leg === 'out') out.add(operationId);
    if (leg === 'back') out.delete(operationId);
  }
  return out;
}
