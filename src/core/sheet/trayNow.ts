import { discard, type Cup } from '@/core/screws/placeScrews';
import type { ScrewGroup } from '@/core/screws/screwGroups';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { ScrewTrouble } from '../entities/entities';

export interface CupContent {
  readonly cup: number;
  readonly kind: ScrewGroup['kind'];
  /** Screws and caps that lie in it, without those that were never there. */
  readonly count: number;
}

/**
 * What must lie in the cups, counted from the steps: what came out and has not gone back. A cup that should be empty is
 * not listed. At a gate the tray is held against it, before anything is covered.
 *
 * @param steps  of the whole sheet, with the cups of it
 */
export function trayNow(
  { steps, cups }: { readonly steps: readonly SheetStep[]; readonly cups: readonly Cup[] },
  doneStepIds: readonly string[],
  troubles: readonly ScrewTrouble[],
): readonly CupContent[] {
  // The last that was done to a joint counts: what came out once more lies in its cup again.
  const isOut = new Map<string, boolean>();
  const done = new Set(doneStepIds);
  for (const { id, leg, joints } of steps)
    if (done.has(id) && (leg === 'out' || leg === 'back'))
      for (const joint of joints) isOut.set(joint.id, leg === 'out');
  const absent = new Map<string, number>();
  for (const { stepId, kind, count } of troubles)
    if (kind === 'missing') absent.set(stepId, (absent.get(stepId) ?? 0) + count);
  const contents = new Map<string, CupContent>();
  for (const { cup, stepId, group } of cups) {
    if (cup === discard) continue;
    const lying = group.jointIds.filter((id) => isOut.get(id)).length;
    // One that was never there is missing from the first cup of its step that holds any.
    const less = group.kind === 'screw' ? Math.min(lying, absent.get(stepId) ?? 0) : 0;
    absent.set(stepId, (absent.get(stepId) ?? 0) - less);
    const key = `${cup} ${group.kind}`;
    const count = (contents.get(key)?.count ?? 0) + lying - less;
    if (lying - less > 0) contents.set(key, { cup, kind: group.kind, count });
  }
  return [...contents.values()].sort((a, b) => a.cup - b.cup);
}
