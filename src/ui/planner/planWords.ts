import { money } from '@/words/format';
import { saySteps } from '@/words/say/saySteps';
import { say as saySheet } from '@/words/catalogue/core/sheet';
import type { Model } from '@/core/procedure/model';
import { getModelPart } from '@/core/procedure/model';
import type { PlanDifference } from '@/core/teardown/plan/comparePlans';
import type { PlanAim, PlanLine, TeardownPlan, Verdict } from '@/core/teardown/plan/teardownPlan';
import type { Opening } from '@/core/teardown/openability';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import * as words from '@/words/catalogue/planner';
import * as counts from '@/words/catalogue/counts';

/** The answer in the sentence a colleague would say. */
export function sayPlan(model: Model, aim: PlanAim, plan: TeardownPlan): string {
  const last = plan.operations.flatMap(({ frees }) => frees).findLast((part) => isWorth(plan, part));
  if (plan.operations.length === 0) return words.notWorthOpening({ isKindPays: aim.kind === 'pays' ? 'yes' : 'no' });
  if (aim.kind === 'everything') return words.takingEverythingOutTakes({ minutesValue: minutes(plan.cost.minutes) });
  if (last === undefined) return words.stepAndNothingValueComes({ operations: plan.operations.length });
  const name = getModelPart(model, last).name;
  if (aim.kind === 'pays' && plan.lines.every(({ verdict }) => verdict !== 'leave')) {
    return words.asDonorPaysToTake();
  }
  return aim.kind === 'pays'
    ? words.asDonorPaysToStop({ name })
    : words.toLastPartWanted({ minutesValue: minutes(plan.cost.minutes), name });
}

const isWorth = ({ lines }: TeardownPlan, part: string): boolean => lines.some((line) => line.part === part);

/** The figures behind it. */
export function sayFigures(model: Model, plan: TeardownPlan): string {
  const everything = plan.curve.at(-1)?.cents ?? 0;
  const waiting = plan.cost.minutes - plan.handMinutes;
  return [
    words.stepHandsOn({
      operations: plan.operations.length,
      operations2: model.operations.length,
      handMinutes: minutes(plan.handMinutes),
    }),
    ...(waiting > 0.05 ? [words.waiting({ waiting: minutes(waiting) })] : []),
    words.afterLabour({ netCents: Math.round(plan.netCents) }),
    ...(plan.curve.length - 1 > plan.operations.length
      ? [words.takingEverythingOut({ everything: Math.round(everything) })]
      : []),
    '.',
  ].join('');
}

/** What the order saves against the author’s, and where. */
export function sayOrder({ cost, authorCost, isProven, missingCents }: TeardownPlan): string {
  const saved = authorCost.minutes - cost.minutes;
  const [fewerTools, fewerTurns] = [authorCost.toolChanges - cost.toolChanges, authorCost.turns - cost.turns];
  const where = [
    ...(fewerTools > 0 ? [words.toolChangeFewer({ count: fewerTools })] : []),
    ...(fewerTurns > 0 ? [words.turnFewer({ count: fewerTurns })] : []),
    ...(authorCost.waiting - cost.waiting > 0.05
      ? [words.waitingUsed({ waiting: minutes(authorCost.waiting - cost.waiting) })]
      : []),
  ];
  const proof = isProven
    ? words.nothingBringsMore()
    : words.anotherCouldBring({ missingCents: Math.ceil(missingCents) });
  if (saved < 0.05) return words.authorsOrderJustAsShort({ proof });
  return words.lessThanInAuthorsOrder({
    saved: minutes(saved),
    where,
    count: where.length,
    proof,
  });
}

/** What is different from the plan before, in a sentence. */
export function sayDifference({ added, dropped, freed, left, minutes: more, cents }: PlanDifference): string {
  const parts = [
    ...(freed.length > 0 ? [words.comesOutToo({ freed, freed2: freed.length })] : []),
    ...(left.length > 0 ? [words.staysIn({ left, count: left.length })] : []),
    ...(added.length > 0 ? [words.withWord({ steps: saySteps(added) })] : []),
    ...(dropped.length > 0 ? [words.without({ steps: saySteps(dropped) })] : []),
    words.less({ taken: minutes(Math.abs(more)), isLess: more < 0 ? 'yes' : 'no' }),
    words.lessAfterLabour({ cents: Math.abs(cents), isCents: cents < 0 ? 'yes' : 'no' }),
  ];
  return words.comparedWithPreviousPlan({ parts });
}

/** Which way of doing several units is faster, and why. */
export function sayBatch(count: number, { batch }: TeardownPlan): string {
  const { oneThrough, stepByStep, savedToolMinutes, savedWaitMinutes, handlingMinutes } = batch;
  const why = words.toolChangesMakeDifferenceWaits({
    savedToolMinutes: minutes(savedToolMinutes),
    savedWaitMinutes: minutes(savedWaitMinutes),
    handlingMinutes: minutes(handlingMinutes),
  });
  return stepByStep < oneThrough
    ? words.donorsDoingEachStepOn({ count, stepByStep: minutes(stepByStep), oneThrough: minutes(oneThrough), why })
    : words.donorsOneAfterAnotherTakes({
        count,
        oneThrough: minutes(oneThrough),
        stepByStep: minutes(stepByStep),
        why,
      });
}

/** How long to try at a joint that will not yield, what then, and when to stop. */
export function sayPolicy({ stages, stop, yieldChance }: LadderPolicy): string {
  const [first, ...further] = stages;
  if (!first) return words.notWorthTrying({ stop: saySheet(stop) });
  const tries = further.map(({ says, leaveAt }) => words.thenUpTo({ says: saySheet(says), leaveAt: minutes(leaveAt) }));
  return words.tryForThenStopChance({
    leaveAt: minutes(first.leaveAt),
    tries: tries.map((text) => `; ${text}`).join(''),
    stop: saySheet(stop),
    yieldChance: Math.round(yieldChance * 100),
  });
}

/** What it takes to get at the parts that fail most. */
export const sayOpening = ({ name, minutes: taken, cents, breakage }: Opening): string =>
  `${name}: ${minutes(taken)}, ${money(cents)}${breakage > 0.005 ? words.chanceBreakage({ breakage: Math.round(breakage * 100) }) : ''}`;

export const minutes = (value: number): string =>
  words.minutesShort({ minutesValue: value < 10 ? value.toFixed(1) : Math.round(value) });

export const verdictWords: Readonly<Record<Verdict, string>> = {
  free: words.free(),
  along: words.comesAlong(),
  leave: words.leave2(),
  unreachable: words.outReach(),
};

export const sayShare = ({ lowChance, highChance }: PlanLine): string =>
  counts.shareRange({ low: lowChance * 100, high: highChance * 100 });
