import type { RestWorth } from '@/core/bench/restWorth';
import type { SheetDifference } from '@/core/bench/replanSheet';
import { money } from '@/core/shared/money';
import type { SkipCause } from '@/core/bench/stages';
import type { ScrewKeeping } from '@/core/shared/houseRules';
import type { LadderPolicy, Move } from '@/core/teardown/policy/ladderPolicy';
import { sayList, saySteps } from '@/ui/words/amounts';

/** What is different from here on, in one sentence. */
export function sayChange(difference: SheetDifference | null): string {
  if (!difference) return 'It changes nothing from here on.';
  const { added, dropped, left, wanted, minutes, isReordered } = difference;
  const parts = [
    ...(added.length > 0 ? [`${saySteps(added)} ${added.length === 1 ? 'comes' : 'come'} in`] : []),
    ...(dropped.length > 0 ? [`${saySteps(dropped)} ${dropped.length === 1 ? 'falls' : 'fall'} away`] : []),
    ...(wanted.length > 0 ? [`the ${sayList(wanted)} ${wanted.length === 1 ? 'comes' : 'come'} out too`] : []),
    ...(left.length > 0 ? [`the ${sayList(left)} ${left.length === 1 ? 'stays' : 'stay'} in`] : []),
    ...(isReordered ? ['the rest is done in another order'] : []),
    Math.abs(minutes) < 0.05
      ? 'it takes as long'
      : `${oneDecimal(Math.abs(minutes))} min ${minutes < 0 ? 'less' : 'more'}`,
  ];
  return `From here on: ${parts.join(', ')}.`;
}

/** What is still to come, with its arithmetic. */
export const sayRest = ({ cents, minutes }: RestWorth): string =>
  cents >= 0
    ? `${money(cents)} after labour, in ${oneDecimal(minutes)} min`
    : `${money(-cents)} less than its ${oneDecimal(minutes)} min of work cost`;

/** Where screws go: a cup, the mat of a face, or a pile of its kind. */
export const sayPlace = (keeping: ScrewKeeping, cup: number): string =>
  keeping === 'tray' ? `cup ${cup}` : keeping === 'mat' ? `mat ${cup}, where it sat` : `pile ${cup}`;

export const keepingNames: Readonly<Record<ScrewKeeping, string>> = {
  tray: 'tray with cups',
  mat: 'mat with places',
  piles: 'piles by length',
};

export const holders: Readonly<Record<ScrewKeeping, string>> = { tray: 'Tray', mat: 'Mat', piles: 'Piles' };

export const skipWords: Readonly<Record<SkipCause, string>> = {
  'done-already': 'Pass it over: it was done before',
  'not-there': 'Pass it over: what it is about is not there',
  'not-needed': 'Pass it over: it can be spared here',
};

export const moveWords: Readonly<Record<Move, string>> = {
  'go-on': 'Go on as you are',
  'next-rung': 'Take the next way',
  'hand-over': 'Hand it over',
  stop: 'Leave it',
};

/** What the policy says at a stage: how long to give it, and what then. */
export function sayStage(policy: LadderPolicy, stage: number): string {
  const plan = policy.stages[stage];
  if (!plan) return 'Nothing further is worth trying.';
  const then = { 'next-rung': 'then the next way', 'hand-over': 'then hand it over', stop: 'then leave it' }[plan.then];
  return `Give it ${oneDecimal(plan.leaveAt)} min, ${then}.`;
}

const oneDecimal = (value: number): string => value.toFixed(1);
