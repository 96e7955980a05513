import type { ScrewKeeping } from '@/core/shared/houseRules';
import { confusionOf } from './confusion';
import type { ScrewGroup } from './screwGroups';

/** Where a group of screws lies. With mats and piles the number is that of the mat or pile. */
export interface Cup {
  readonly cup: number;
  readonly stepId: string;
  readonly group: ScrewGroup;
}

/** What is used once lies in no cup: it goes to the discard, and new ones come on the way back. */
export const discard = 0;

export interface ScrewStep {
  readonly stepId: string;
  /** The face that its screws are drawn on: a mat shows one face. */
  readonly face: string;
  readonly groups: readonly ScrewGroup[];
}

/**
 * A place for every group of screws, in the order in which they come out, so that they are found backwards on the way in.
 *
 * _Tray_: look-alikes that a step takes out together get a cup each: that is what keeps a longer screw out of a shallow
 * hole. When there are more groups than cups, neighbours in the order share one: those that are least easily confused,
 * weighed by what the wrong one would do, exactly. _Mat_: one for each face, and the screw lies where it sat. _Piles_:
 * one for each kind of screw, whichever step it came from. Whatever the house does, single-use ones go to the discard.
 *
 * @param steps   in removal order
 * @param most    cups of the tray, at least one
 * @param lying   where screws lie already, by step, one number for each group: those stay
 * Cost: O(groups²·cups) when some must share, else O(groups)
 */
export function placeScrews(
  steps: readonly ScrewStep[],
  keeping: ScrewKeeping,
  most: number,
  lying: ReadonlyMap<string, readonly number[]> = new Map(),
): readonly Cup[] {
  const entries = steps.flatMap(({ stepId, face, groups }) =>
    groups.map((group, at) => ({
      stepId,
      face,
      group,
      lies: group.singleUse ? discard : lying.get(stepId)?.[at],
    })),
  );
  const taken = Math.max(0, ...entries.map(({ lies = 0 }) => lies));
  const open = entries.filter(({ lies }) => lies === undefined);
  const numbers =
    keeping === 'tray'
      ? cupNumbers(
          open.map(({ group }) => group),
          most,
          taken,
        )
      : numbersBy(keeping === 'mat' ? ({ face }) => face : pileOf, entries, taken);
  return entries.map(({ stepId, group, lies }) => ({
    stepId,
    group,
    cup: lies ?? (numbers.shift() as number),
  }));
}

/** Cups behind those that are taken; when none is left, the last one is shared. */
function cupNumbers(groups: readonly ScrewGroup[], most: number, taken: number): number[] {
  const free = Math.max(1, most - taken);
  const first = Math.min(taken, most - 1);
  const cups = groups.length <= free ? groups.map((_, at) => at + 1) : sharedCups(groups, free);
  return cups.map((cup) => first + cup);
}

interface Lying extends Pick<ScrewStep, 'face'> {
  readonly group: ScrewGroup;
  readonly lies: number | undefined;
}

const pileOf = ({ group }: Lying): string => `${group.kind} ${group.drive} ${group.lengthMm} ${group.diameterMm}`;

/** A number for each name, for those that lie nowhere yet; one that has a number keeps it. */
function numbersBy(nameOf: (entry: Lying) => string, entries: readonly Lying[], taken: number): number[] {
  const known = new Map(
    entries.flatMap((entry) =>
      entry.lies === undefined || entry.lies === discard ? [] : [[nameOf(entry), entry.lies]],
    ),
  );
  let next = taken;
  return entries
    .filter(({ lies }) => lies === undefined)
    .map((entry) => {
      const name = nameOf(entry);
      const number = known.get(name) ?? (next += 1);
      known.set(name, number);
      return number;
    });
}

/** Cuts the row of groups into so many runs that the pairs inside of them are the least confusing. */
function sharedCups(groups: readonly ScrewGroup[], most: number): number[] {
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
