import { getModelPart, type Model } from '@/core/procedure/model';
import type { Consumable, Debt, Minutes, Operation } from '@/core/procedure/operations';
import { operationsFor, type Situation } from '@/core/procedure/situation';
import type { Finding } from '@/core/procedure/vocabulary';
import { walk } from '@/core/procedure/walk';
import { wayBackOrder } from '@/core/procedure/wayBackOrder';
import { placeScrews, type Cup } from '@/core/screws/placeScrews';
import { screwGroups } from '@/core/screws/screwGroups';
import { modelBySchools, type HouseWays } from '@/core/schools/modelBySchools';
import type { SheetRules, ScrewKeeping } from '@/core/shared/houseRules';
import { accept, type Outcome } from '@/core/shared/outcome';
import { attendedMinutes, expectedMinutes } from '../attendedMinutes';
import { takeable } from '../choice/closureProblem';
import { operationClauses } from '../choice/operationClauses';
import { chooseOperations } from '../chooseOperations';
import { orderOperations, sheetBudget } from '../orderOperations';
import { gatesAfterFindings } from './findingGates';
import { operationsLeft, owedBy, standingAfter, type KeptStep, type OutNow, type Standing } from './keptSteps';
import {
  backStep,
  debtGate,
  debtGateOf,
  gateStep,
  outStep,
  ownGate,
  readStepId,
  sealGate,
  type Leg,
  type SheetStep,
} from './sheetStep';

export interface RunSheet {
  readonly steps: readonly SheetStep[];
  readonly minutes: Minutes;
  readonly tools: readonly string[];
  readonly consumables: readonly Consumable[];
  readonly cups: readonly Cup[];
  readonly keeping: ScrewKeeping;
  /** Screws that come out, over all joints that are opened. */
  readonly screwCount: number;
}

export const sheetKinds = ['teardown', 'rebuild'] as const;
export type SheetKind = (typeof sheetKinds)[number];

export interface SheetRequest extends Situation {
  readonly kind: SheetKind;
  /** Parts wanted free. On a rebuild these are the slots that get another part. */
  readonly targets: readonly string[];
  /** Parts that are scrap already. */
  readonly scrap?: readonly string[];
  /** Steps that are done: they stay, and nothing of them is asked again. */
  readonly kept?: readonly KeptStep[];
  /** Operations that cannot be done on this unit. */
  readonly barred?: readonly string[];
  /** Targets that have to come out once more, though they were out and are back in. */
  readonly again?: readonly string[];
  readonly keeping?: ScrewKeeping;
  /** What the screws of an operation owe the way back, by its id. */
  readonly screwsOwed?: ReadonlyMap<string, Debt>;
  /** Single-use parts that came off whole and are used again. */
  readonly reused?: readonly string[];
  /** Steps in the order of the sheet before: kept where no other is quicker. */
  readonly habit?: readonly string[];
}

/**
 * The run sheet of one unit: what to do, in which order, with which tools, and where each screw goes.
 *
 * A teardown ends when the targets are free. A rebuild goes on with the way back in reverse, with its consumables, and
 * with the gate before the first step that seals (at the end when nothing seals). With steps that are done it is the
 * sheet from there on: the rest is chosen and ordered anew, from the tool in hand and as the unit lies.
 *
 * @param written  the version the unit was planned with, as its author wrote it
 * @param request  targets and situation
 * @refuses 'targets-unreachable'
 */
export function planRunSheet(written: Model, request: SheetRequest, rules: SheetRules): Outcome<RunSheet> {
  const model = modelBySchools(written, rules);
  const { findings, targets, kept = [] } = request;
  const { standing, existing, wanted, isAllowed } = restOf(model, request);
  const chosen = chooseOperations(existing, wanted, (operation) => expectedMinutes(operation, findings), isAllowed);
  if (!chosen.ok) return chosen;
  const ids = new Set(chosen.value.ids);
  const last = standing.outNow.at(-1)?.operation;
  const { operations: order } = orderOperations(
    existing
      .filter(({ id }) => ids.has(id))
      .map((operation) => ({ ...operation, minutes: attendedMinutes(operation, findings) })),
    { postures: model.postures, findings, last, outParts: standing.outParts },
    rules,
    sheetBudget,
    request.habit?.map(readStepId).flatMap(({ leg, id }) => (leg === 'out' ? [id] : [])),
  );

  const walked = walk(model, order, undefined, standing);
  const all = [...standing.outNow.map(({ operation }) => operation), ...order];
  const fresh = walked.steps.map((step) =>
    outStep(model, step, all, targets, roundOf(standing, 'out', step.operation.id)),
  );
  const keeping = request.keeping ?? rules.screwsIn;
  const cups = placeScrews(
    [...standing.steps, ...fresh]
      .filter(({ leg }) => leg === 'out')
      .map(({ id, face, joints }) => ({ stepId: id, face, groups: screwGroups(joints) })),
    keeping,
    rules.trayCups,
    new Map(kept.map((step) => [step.stepId, step.cups])),
  );
  const withCups = (step: SheetStep) => ({ ...step, cups: cups.filter(({ stepId }) => stepId === step.id) });
  const outNow: readonly OutNow[] = [
    ...standing.outNow,
    ...order.map((operation, at) => ({
      operation,
      step: fresh[at] as SheetStep,
      owed: owedBy(operation, undefined, request.screwsOwed),
    })),
  ];
  const back =
    request.kind === 'rebuild'
      ? wayBack(
          model,
          outNow.map((entry) => ({ ...entry, step: withCups(entry.step) })),
          walked.openJoints,
          standing,
          fresh.length > 0,
          findings,
        )
      : [];
  const isRenewed = isRenewedUnless(model, new Set(request.reused));
  const steps = [...standing.steps.map(withCups), ...fresh.map(withCups), ...back].map((step) =>
    isRenewed(step) ? step : { ...step, consumables: [] },
  );

  return accept({
    steps,
    cups,
    keeping,
    minutes: sumMinutes(steps),
    tools: [...new Set(steps.map(({ tool }) => tool))].filter((tool) => tool !== 'Hands'),
    consumables: sumConsumables(steps),
    screwCount: cups.reduce((sum, { group }) => sum + group.count, 0),
  });
}

/** A step of the way back renews what is used once, unless all of that which it puts back came off whole. */
function isRenewedUnless(model: Model, reused: ReadonlySet<string>) {
  return ({ leg, places }: SheetStep): boolean => {
    const once = places.filter((part) => getModelPart(model, part).singleUse === true);
    return leg !== 'back' || once.length === 0 || !once.every((part) => reused.has(part));
  };
}

/** What is left to choose from: how the unit stands, the operations that are not done, and the targets still to free. */
function restOf(model: Model, request: SheetRequest) {
  const { targets, kept = [], barred = [], again = [] } = request;
  const scrap = new Set(request.scrap);
  // A short cut may destroy what is scrap already, and only where nothing goes back.
  const isAllowed = ({ id, destroys = [] }: Operation) =>
    !barred.includes(id) &&
    (destroys.length === 0 || (request.kind === 'teardown' && destroys.every((part) => scrap.has(part))));
  const standing = standingAfter(model, kept, targets, request.screwsOwed);
  const done = new Set(standing.outNow.map(({ operation }) => operation.id));
  const existing = operationsLeft(operationsFor(model, request), done);
  const wanted = targets.filter(
    (part) => !standing.outParts.has(part) && (!standing.hadParts.has(part) || again.includes(part)),
  );
  return { standing, existing, wanted, isAllowed };
}

/** Targets that the rest of a sheet can still free, or that are out already. */
export function reachableTargets(written: Model, request: SheetRequest, ways: HouseWays): readonly string[] {
  const model = modelBySchools(written, ways);
  const { existing, wanted, isAllowed } = restOf(model, request);
  const can = takeable(existing.length, operationClauses(existing), (index) => isAllowed(existing[index] as Operation));
  const freed = new Set(can.flatMap((index) => existing[index]?.frees ?? []));
  return request.targets.filter((part) => !wanted.includes(part) || freed.has(part));
}

const roundOf = ({ rounds }: Standing, leg: Leg, id: string): number => (rounds.get(`${leg}:${id}`) ?? 0) + 1;

function wayBack(
  model: Model,
  outNow: readonly OutNow[],
  isOpen: ReadonlySet<string>,
  standing: Standing,
  isOpenedAnew: boolean,
  findings: readonly Finding[],
): readonly SheetStep[] {
  const entryOf = new Map(outNow.map((entry) => [entry.operation.id, entry]));
  const open = new Set(isOpen);
  const steps: SheetStep[] = [];
  let isTested = standing.isTested && !isOpenedAnew;
  const sealRound = roundOf(standing, 'gate', sealGate);
  const askedByFindings = (beside: SheetStep) =>
    gatesAfterFindings(findings, standing.passed, beside, (id) => roundOf(standing, 'gate', id));
  for (const operation of wayBackOrder(outNow.map((entry) => entry.operation)).order) {
    const { gate, seals } = operation.back as NonNullable<Operation['back']>;
    const { step: before, owed } = entryOf.get(operation.id) as OutNow;
    const step = backStep(model, operation, before, open, roundOf(standing, 'back', operation.id));
    if (steps.length === 0) steps.push(...askedByFindings(step));
    for (const one of owed.filter((each) => !standing.settled.has(debtGateOf(each))))
      steps.push(debtGate(one, step, roundOf(standing, 'gate', debtGateOf(one))));
    const isPassed = !isOpenedAnew && standing.passed.has(operation.id);
    if (gate && !isPassed) steps.push(ownGate(operation.id, gate, step, roundOf(standing, 'gate', operation.id)));
    else if (!gate && seals && !isTested) steps.push(gateStep(model, step, true, sealRound));
    isTested ||= seals === true || gate?.powersOn === true;
    steps.push(step);
  }
  // Planned anew when all is back, what is left is to look and to test.
  const last = steps.at(-1) ?? standing.steps.at(-1);
  if (last && !isTested) {
    if (steps.length === 0) steps.push(...askedByFindings(last));
    steps.push(gateStep(model, last, false, sealRound));
  }
  return steps;
}

/** Sums of low, likely and high: a cautious range, wider than the spread of the sum. */
export function sumMinutes(steps: readonly { readonly minutes: Minutes }[]): Minutes {
  const sum = (key: keyof Minutes) => steps.reduce((total, { minutes }) => total + minutes[key], 0);
  return { low: sum('low'), likely: sum('likely'), high: sum('high') };
}

function sumConsumables(steps: readonly SheetStep[]): readonly Consumable[] {
  const byName = new Map<Consumable['name'], Consumable>();
  for (const { name, count, unitCents } of steps.flatMap(({ consumables }) => consumables)) {
    byName.set(name, { name, unitCents, count: (byName.get(name)?.count ?? 0) + count });
  }
  return [...byName.values()];
}
