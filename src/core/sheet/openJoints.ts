import type { SheetStep } from '@/core/teardown/sheet/sheetStep';

/** Joints that are open by the steps done of a sheet; those of the step under way count as open, whichever way it goes. */
export function openJoints(
  steps: readonly SheetStep[],
  doneStepIds: readonly string[],
  current: SheetStep,
): ReadonlySet<string> {
  const open = new Set(current.joints.map(({ id }) => id));
  for (const { id, leg, joints } of steps) {
    if (!doneStepIds.includes(id)) continue;
    for (const joint of joints) {
      if (leg === 'back') open.delete(joint.id);
      else if (leg === 'out') open.add(joint.id);
    }
  }
  return open;
}
