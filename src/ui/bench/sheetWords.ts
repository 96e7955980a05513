import { say as saySheet } from '@/words/catalogue/core/sheet';
import type { RestWorth } from '@/core/sheet/restWorth';
import { screwName } from '@/core/procedure/drives';
import type { ScrewGroup } from '@/core/screws/screwGroups';
import type { SheetDifference } from '@/core/sheet/replanSheet';
import type { SkipCause } from '@/core/entities/stages';
import type { ScrewKeeping } from '@/core/shared/houseRules';
import type { LadderPolicy, Move } from '@/core/teardown/policy/ladderPolicy';
import { saySteps } from '@/words/say/saySteps';
import * as words from '@/words/catalogue/bench';

/** What is different from here on, in one sentence. */
export function sayChange(difference: SheetDifference | null): string {
  if (!difference) return words.nothingChangesFromHereOn();
  const { added, dropped, left, wanted, minutes, isReordered } = difference;
  const parts = [
    ...(added.length > 0 ? [words.isAdded({ added: saySteps(added.map(saySheet)), count: added.length })] : []),
    ...(dropped.length > 0
      ? [words.isDropped({ dropped: saySteps(dropped.map(saySheet)), count: dropped.length })]
      : []),
    ...(wanted.length > 0 ? [words.comesOutToo({ wanted, wanted2: wanted.length })] : []),
    ...(left.length > 0 ? [words.staysIn2({ left, count: left.length })] : []),
    ...(isReordered ? [words.restDoneInDifferentOrder()] : []),
    Math.abs(minutes) < 0.05
      ? words.takesSameTime()
      : words.minLess({ minutesValue: oneDecimal(Math.abs(minutes)), isMinutes: minutes < 0 ? 'yes' : 'no' }),
  ];
  return words.fromHereOn({ parts });
}

/** What is still to come, with its arithmetic. */
export const sayRest = ({ cents, minutes }: RestWorth): string =>
  cents >= 0
    ? words.afterLabourInMin({ cents, minutesValue: oneDecimal(minutes) })
    : words.lessThanMinWorkCost({ cents: -cents, minutesValue: oneDecimal(minutes) });

/** Where screws go: a cup, the mat of a face, or a pile of its kind. */
export const sayPlace = (keeping: ScrewKeeping, cup: number): string =>
  words.cup({
    isKeepingTray: keeping === 'tray' ? 'yes' : 'no',
    cup,
    isKeepingMat: keeping === 'mat' ? 'yes' : 'no',
  });

/** A group of screws, or the caps that lay over some. */
export const sayGroup = (group: ScrewGroup): string => (group.kind === 'cap' ? words.capsOver() : screwName(group));

export const keepingNames: Readonly<Record<ScrewKeeping, string>> = {
  tray: words.trayWithCups(),
  mat: words.matWithPlaces(),
  piles: words.pilesByLength(),
};

export const holders: Readonly<Record<ScrewKeeping, string>> = {
  tray: words.tray(),
  mat: words.mat(),
  piles: words.piles(),
};

export const skipWords: Readonly<Record<SkipCause, string>> = {
  'done-already': words.skipAlreadyDone(),
  'not-there': words.skipPartNotFitted(),
  'not-needed': words.skipNotNeededHere(),
};

export const moveWords: Readonly<Record<Move, string>> = {
  'go-on': words.keepTrying(),
  'next-rung': words.tryNextMethod(),
  'hand-over': words.handOver(),
  stop: words.leave4(),
};

/** What the policy says at a stage: how long to give it, and what then. */
export function sayStage(policy: LadderPolicy, stage: number): string {
  const plan = policy.stages[stage];
  if (!plan) return words.nothingMoreWorthTrying();
  const then = { 'next-rung': words.thenTryNextMethod(), 'hand-over': words.thenHandOver(), stop: words.thenLeave() }[
    plan.then
  ];
  return words.keepTryingForMin({ leaveAt: oneDecimal(plan.leaveAt), then });
}

const oneDecimal = (value: number): string => value.toFixed(1);
