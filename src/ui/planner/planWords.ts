import type { Model } from '@/core/procedure/model';
import { getModelPart } from '@/core/procedure/model';
import { money } from '@/core/shared/money';
import type { PlanDifference } from '@/core/teardown/plan/comparePlans';
import type { PlanAim, PlanLine, TeardownPlan, Verdict } from '@/core/teardown/plan/teardownPlan';
import type { Opening } from '@/core/teardown/openability';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import { sayCount, sayList } from '@/ui/words/amounts';

/** The answer in the sentence a colleague would say. */
export function sayPlan(model: Model, aim: PlanAim, plan: TeardownPlan): string {
  const last = plan.operations.flatMap(({ frees }) => frees).findLast((part) => isWorth(plan, part));
  if (plan.operations.length === 0) return aim.kind === 'pays' ? 'It does not pay to open it' : 'Nothing is wanted yet';
  if (aim.kind === 'everything') return `Everything out takes ${minutes(plan.cost.minutes)}`;
  if (last === undefined) return `${sayCount(plan.operations.length, 'operation')}, and nothing of worth comes out`;
  const name = getModelPart(model, last).name;
  if (aim.kind === 'pays' && plan.lines.every(({ verdict }) => verdict !== 'leave')) {
    return 'As a donor it pays to take out everything of worth';
  }
  return aim.kind === 'pays'
    ? `As a donor it pays to stop after the ${name}`
    : `${minutes(plan.cost.minutes)} to the ${name}, the last part wanted`;
}

const isWorth = ({ lines }: TeardownPlan, part: string): boolean => lines.some((line) => line.part === part);

/** The figures behind it. */
export function sayFigures(model: Model, plan: TeardownPlan): string {
  const everything = plan.curve.at(-1)?.cents ?? 0;
  const waiting = plan.cost.minutes - plan.handMinutes;
  return [
    `${plan.operations.length} of ${sayCount(model.operations.length, 'operation')}, ${minutes(plan.handMinutes)} of hands`,
    ...(waiting > 0.05 ? [`, ${minutes(waiting)} of waiting`] : []),
    `. ${money(Math.round(plan.netCents))} after labour`,
    ...(plan.curve.length - 1 > plan.operations.length
      ? [`; everything would be ${money(Math.round(everything))}`]
      : []),
    '.',
  ].join('');
}

/** What the order saves against the author’s, and where. */
export function sayOrder({ cost, authorCost, isProven, lowerBoundMinutes }: TeardownPlan): string {
  const saved = authorCost.minutes - cost.minutes;
  const fewer = (now: number, before: number, one: string) =>
    before > now ? [`${sayCount(before - now, one)} fewer`] : [];
  const where = [
    ...fewer(cost.toolChanges, authorCost.toolChanges, 'tool change'),
    ...fewer(cost.turns, authorCost.turns, 'turn'),
    ...(authorCost.waiting - cost.waiting > 0.05
      ? [`${minutes(authorCost.waiting - cost.waiting)} of waiting filled`]
      : []),
  ];
  const proof = isProven ? 'No order is shorter.' : `None is shorter than ${minutes(lowerBoundMinutes)}.`;
  if (saved < 0.05) return `The author’s order is as short. ${proof}`;
  return `${minutes(saved)} less than as the author wrote it${where.length > 0 ? `: ${sayList(where)}` : ''}. ${proof}`;
}

/** What is different from the plan before, in a sentence. */
export function sayDifference({ added, dropped, freed, left, minutes: more, cents }: PlanDifference): string {
  const named = (titles: readonly string[], one: string) =>
    titles.length === 0
      ? []
      : [
          titles.length <= 2
            ? `${one} ${sayList(titles.map((title) => `“${title}”`))}`
            : `${one} ${titles.length} operations`,
        ];
  const parts = [
    ...(freed.length > 0 ? [`the ${sayList(freed)} ${freed.length === 1 ? 'comes' : 'come'} out too`] : []),
    ...(left.length > 0 ? [`the ${sayList(left)} ${left.length === 1 ? 'stays' : 'stay'} in`] : []),
    ...named(added, 'with'),
    ...named(dropped, 'without'),
    `${minutes(Math.abs(more))} ${more < 0 ? 'less' : 'more'}`,
    `${money(Math.abs(cents))} ${cents < 0 ? 'less' : 'more'} after labour`,
  ];
  return `Against the plan before: ${parts.join(', ')}.`;
}

/** What counting the risks along the order changed. */
export function sayCorrection(model: Model, { correction }: TeardownPlan): string | null {
  const { errorCents, change, gainCents } = correction;
  if (errorCents < 1) return null;
  const error = `Adding up says ${money(Math.round(errorCents))} more than the order brings, since parts that are still in can break`;
  if (!change) return `${error}; that changes nothing here.`;
  const part = getModelPart(model, change.part).name;
  const operation = model.operations.find(({ id }) => id === change.operation)?.title ?? change.operation;
  const done = {
    'part-first': `the ${part} comes out before “${operation}”`,
    'without-operation': `“${operation}” is left out`,
    'without-part': `the ${part} is not counted on`,
  }[change.kind];
  return `${error}: so ${done}, for ${money(Math.round(gainCents))} more.`;
}

/** Which way of doing several units is faster, and why. */
export function sayBatch(count: number, { batch }: TeardownPlan): string {
  const { oneThrough, stepByStep, savedToolMinutes, savedWaitMinutes, handlingMinutes } = batch;
  const why = `changes of tool are worth ${minutes(savedToolMinutes)}, waits ${minutes(savedWaitMinutes)}, moving the units costs ${minutes(handlingMinutes)}`;
  return stepByStep < oneThrough
    ? `${count} donors: the same step on all takes ${minutes(stepByStep)}, one after the other ${minutes(oneThrough)}; ${why}.`
    : `${count} donors: one after the other takes ${minutes(oneThrough)}, the same step on all ${minutes(stepByStep)}; ${why}.`;
}

/** How long to try at a joint that will not yield, what then, and when to stop. */
export function sayPolicy({ stages, stop, yieldChance }: LadderPolicy): string {
  const [first, ...further] = stages;
  if (!first) return `Not worth trying: ${stop}`;
  const tries = further.map(
    ({ says, leaveAt }) => `then ${says.charAt(0).toLowerCase()}${says.slice(1)}, up to ${minutes(leaveAt)}`,
  );
  return `Give it ${minutes(first.leaveAt)}${tries.map((words) => `; ${words}`).join('')}; then stop: ${stop} It yields in ${Math.round(yieldChance * 100)} of 100.`;
}

/** What it takes to get at the parts that fail most. */
export const sayOpening = ({ name, minutes: taken, cents, breakage }: Opening): string =>
  `${name}: ${minutes(taken)}, ${money(cents)}${breakage > 0.005 ? `, ${Math.round(breakage * 100)} in 100 break something` : ''}`;

export const minutes = (value: number): string => `${value < 10 ? value.toFixed(1) : Math.round(value)} min`;

export const verdictWords: Readonly<Record<Verdict, string>> = {
  free: 'free it',
  along: 'comes along',
  leave: 'leave it',
  unreachable: 'out of reach',
};

export const sayShare = ({ lowChance, highChance }: PlanLine): string =>
  `${Math.round(lowChance * 100)}–${Math.round(highChance * 100)} in 100`;
