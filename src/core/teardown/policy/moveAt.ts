import type { LadderPolicy, Move } from './ladderPolicy';

/** What to do now, from the stage that is tried and the minutes spent on it. */
export function moveAt(policy: LadderPolicy, stage: number, minutesSpent: number): Move {
  const plan = policy.stages[stage];
  if (!plan) return 'stop';
  return minutesSpent < plan.leaveAt ? 'go-on' : plan.then;
}
