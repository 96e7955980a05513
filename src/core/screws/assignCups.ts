import type { ScrewGroup } from './screwGroups';

export interface Cup {
  readonly cup: number;
  readonly stepId: string;
  readonly group: ScrewGroup;
}

/**
 * A cup for every group of screws, in the order in which they come out, so that the tray reads backwards on the way in.
 * Look-alikes that a step takes out together get a cup each: that is what keeps a longer screw out of a shallow hole.
 * When the tray is full the numbers go on (a second tray), never round again into a cup in use.
 *
 * @param steps  in removal order
 */
export function assignCups(
  steps: readonly { readonly stepId: string; readonly groups: readonly ScrewGroup[] }[],
): readonly Cup[] {
  return steps
    .flatMap(({ stepId, groups }) => groups.map((group) => ({ stepId, group })))
    .map((entry, index) => ({ ...entry, cup: index + 1 }));
}
