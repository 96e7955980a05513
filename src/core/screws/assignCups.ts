import { confusionOf } from './confusion';
import type { ScrewGroup } from './screwGroups';

export interface Cup {
  readonly cup: number;
  readonly stepId: string;
  readonly group: ScrewGroup;
}

/**
 * A cup for every group of screws, in the order in which they come out, so that the tray reads backwards on the way in.
 * Look-alikes that a step takes out together get a cup each: that is what keeps a longer screw out of a shallow hole.
 *
 * When there are more groups than cups, neighbours in the order share one: those that are least easily confused, weighed
 * by what the wrong one would do, exactly. So the tray still reads backwards.
 *
 * @param steps  in removal order
 * @param most   cups of the tray, at least one
 * Cost: O(groups²·cups) when some must share, else O(groups)
 */
export function assignCups(
  steps: readonly { readonly stepId: string; readonly groups: readonly ScrewGroup[] }[],
  most: number,
): readonly Cup[] {
  const entries = steps.flatMap(({ stepId, groups }) => groups.map((group) => ({ stepId, group })));
  const cupOf =
    entries.length <= most
      ? entries.map((_, at) => at + 1)
      : sharedCups(
          entries.map(({ group }) => group),
          most,
        );
  return entries.map((entry, at) => ({ ...entry, cup: cupOf[at] as number }));
}

/** Cuts the row of groups into so many runs that the pairs inside of them are the least confusing. */
function sharedCups(groups: readonly ScrewGroup[], most: number): readonly number[] {
  const count = groups.length;
  // Of the run from one group up to another, both included.
  const inside: number[][] = groups.map(() => []);
  for (let from = 0; from < count; from += 1) {
    let sum = 0;
    for (let to = from; to < count; to += 1) {
      for (let other = from; other < to; other += 1) {
        sum += confusionOf(groups[other] as ScrewGroup, groups[to] as ScrewGroup);
      }
      (inside[from] as number[])[to] = sum;
    }
  }
  let best = Array.from({ length: count }, (_, to) => ({
    cost: inside[0]?.[to] as number,
    cups: [0] as readonly number[],
  }));
  for (let cups = 1; cups < most; cups += 1) {
    best = best.map((now, to) => {
      let found = now;
      for (let from = 1; from <= to; from += 1) {
        const before = best[from - 1] as (typeof best)[number];
        const cost = before.cost + (inside[from]?.[to] as number);
        if (cost < found.cost - 1e-12) found = { cost, cups: [...before.cups, from] };
      }
      return found;
    });
  }
  const starts = best[count - 1]?.cups ?? [];
  return groups.map((_, at) => starts.filter((start) => start <= at).length);
}
