import type { Operation } from '@/core/procedure/operations';
import type { Finding } from '@/core/procedure/vocabulary';
import type { Chance } from '@/core/shared/chance';
import { drawTriangle } from '@/core/statistics/triangle';
import { isReady } from '@/core/procedure/situation';
import { attendedMinutes, meanMinutes } from '@/core/teardown/attendedMinutes';
import { stagesOf, type LadderPolicy, type YieldOdds } from '@/core/teardown/policy/ladderPolicy';

/** What is true of a unit before it is opened, and nobody at the bench knows. */
export interface UnitTruth {
  readonly findings: readonly Finding[];
  /** Parts that are bad already. */
  readonly bad: ReadonlySet<string>;
  /** How operations really yield; one that is not named does as its policy takes it. */
  readonly odds?: ReadonlyMap<string, YieldOdds>;
}

export interface SimulatedStep {
  readonly operation: string;
  readonly minutes: number;
  /** Which of its ends it took, where it has several. */
  readonly end: string | null;
  readonly broke: readonly string[];
  /** Of one that may resist: the way it was tried last (0: the usual one), and whether it yielded to that and not to other hands. */
  readonly tried: { readonly rung: number; readonly hasYielded: boolean } | null;
}

export interface SimulatedTeardown {
  readonly steps: readonly SimulatedStep[];
  /** At the steps alone: changing set-up is not in it. */
  readonly handMinutes: number;
  /** Consumables of rungs, and the words of handing over. */
  readonly cents: number;
  /** Parts that were freed, sound or not. */
  readonly parts: readonly { readonly part: string; readonly isSound: boolean }[];
}

/** How a unit stands in a simulated teardown: what is broken, and what is out and cannot be broken any more. */
export interface SimulatedUnit {
  readonly broken: Set<string>;
  readonly out: Set<string>;
}

/**
 * One operation as it could happen: minutes from the model’s triangle, an end by its chance, breakages by its risks. Changes
 * the unit.
 */
export function simulateOperation(
  operation: Operation,
  { broken, out }: SimulatedUnit,
  findings: readonly Finding[],
  chance: Chance,
): Omit<SimulatedStep, 'tried'> & { readonly freed: readonly string[] } {
  const end = drawEnd(operation, chance);
  const broke = (operation.risks ?? [])
    .filter((risk) => !out.has(risk.part) && chance.happens(risk.chance))
    .map(({ part }) => part);
  for (const part of [...broke, ...(operation.destroys ?? [])]) broken.add(part);
  const freed = [...new Set([...operation.frees, ...(end?.frees ?? [])])].filter((part) => !out.has(part));
  for (const part of freed) out.add(part);
  const between = (operation.waits ?? []).reduce(
    (sum, { first }) => sum + (first ? drawTriangle(first.minutes, chance) : 0),
    0,
  );
  const minutes = between + drawTriangle(end?.minutes ?? attendedMinutes(operation, findings), chance);
  return { operation: operation.id, minutes, end: end?.id ?? null, broke, freed };
}

/** A joint as it could resist: how long each way was tried, in order, and whether the last of them got it open. */
export interface SimulatedResistance {
  readonly minutes: readonly number[];
  readonly hasYielded: boolean;
}

/** What becomes of an operation with a ladder whose every way is tried to its end: the truth that odds are learned from. */
export function simulateResistance(
  operation: Operation,
  findings: readonly Finding[],
  odds: YieldOdds,
  chance: Chance,
): SimulatedResistance {
  const minutes: number[] = [];
  for (const stage of stagesOf(operation, findings, odds)) {
    const hasYielded = chance.happens(stage.yields);
    minutes.push(hasYielded ? drawTriangle(stage.minutes, chance) : stage.minutes.high);
    if (hasYielded) return { minutes, hasYielded };
  }
  return { minutes, hasYielded: false };
}

/**
 * One teardown as it could happen, operation by operation.
 *
 * A part that is out already cannot be broken any more, and is in nobody's way. A joint that resists is tried as its policy says; when it does not
 * yield, or breaks, what needs it is left. Unattended waits are no hand minutes. The same source of chance gives the same
 * teardown.
 *
 * @param policies  by operation; one that has none yields
 */
export function simulateTeardown(
  order: readonly Operation[],
  truth: UnitTruth,
  chance: Chance,
  policies: ReadonlyMap<string, LadderPolicy> = new Map(),
): SimulatedTeardown {
  const unit: SimulatedUnit = { broken: new Set(truth.bad), out: new Set() };
  const parts: { part: string; isSound: boolean }[] = [];
  const steps: SimulatedStep[] = [];
  const byId = new Map(order.map((operation) => [operation.id, operation]));
  const done = new Set<string>();
  let cents = 0;
  for (const operation of order) {
    if (!isReady(operation, done, byId)) continue;
    const policy = policies.get(operation.id);
    const tried = policy ? simulatePolicy(policy, truth.odds?.get(operation.id), chance) : null;
    cents += tried?.cents ?? 0;
    if (tried && !tried.isOpen) {
      steps.push({ operation: operation.id, minutes: tried.minutes, end: null, broke: [], tried });
      continue;
    }
    const slow = (operation.slowWhile ?? []).reduce(
      (all, { part, factor }) => (unit.out.has(part) ? all : all * factor),
      1,
    );
    const { freed, ...step } = simulateOperation(operation, unit, truth.findings, chance);
    // How long it took to yield is drawn by the policy; what its ends and waits take beside that is its own.
    const usual = meanMinutes(attendedMinutes(operation, truth.findings));
    const minutes = slow * (tried ? step.minutes + tried.minutes - usual : step.minutes);
    steps.push({ ...step, minutes, tried });
    done.add(operation.id);
    for (const part of freed) parts.push({ part, isSound: !unit.broken.has(part) });
  }
  return { steps, parts, cents, handMinutes: steps.reduce((sum, { minutes }) => sum + minutes, 0) };
}

/** A joint that is tried stage by stage, each until the moment to leave it. */
function simulatePolicy({ stages }: LadderPolicy, odds: YieldOdds | undefined, chance: Chance) {
  let minutes = 0;
  let cents = 0;
  let rung = 0;
  for (const [at, stage] of stages.entries()) {
    const { minutes: until, breakage, consumableCents, leaveAt, then, isOther = false } = stage;
    const really = odds?.[isOther ? 'practised' : at === 0 ? 'usual' : 'rung'] ?? stage.yields;
    // Who is handed it goes on where it stands.
    rung = isOther ? rung : at;
    cents += consumableCents;
    if (chance.happens(breakage)) break;
    const takes = chance.happens(really) ? drawTriangle(until, chance) : Infinity;
    minutes += Math.min(takes, leaveAt);
    if (takes <= leaveAt) return { minutes, cents, rung, isOpen: true, hasYielded: !isOther };
    if (then === 'stop') break;
  }
  return { minutes, cents, rung, isOpen: false, hasYielded: false };
}

function drawEnd({ ends = [] }: Operation, chance: Chance): NonNullable<Operation['ends']>[number] | undefined {
  if (ends.length === 0) return undefined;
  const drawn = chance.next();
  let sum = 0;
  return ends.find((end) => drawn < (sum += end.chance)) ?? ends.at(-1);
}
