import { endedBy } from '@/core/procedure/ends';
import { rungTools } from '@/core/procedure/everyTool';
import { closedInBy, gateBefore, planFor, unproven } from '@/core/procedure/gates';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { Consumable, Debt, Minutes, Operation } from '@/core/procedure/operations';
import { operationsFor, type Situation } from '@/core/procedure/situation';
import { testPaths, workingTests } from '@/core/procedure/testPaths';
import type { Brought } from '@/core/procedure/transfers';
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
import { debtGate, debtGateOf, ownGate, sealGateOf, testGate, lastGate } from './gateSteps';
import { moveSteps } from './moveSteps';
import { backStep, cameAlong, momentSteps, outStep, readStepId, type Leg, type SheetStep } from './sheetStep';
import { withSurroundings } from './surroundings';

export interface RunSheet {
  readonly steps: readonly SheetStep[];
  readonly minutes: Minutes;
  readonly tools: readonly string[];
  /** What is needed beside them only where a joint won't come loose. */
  readonly rungTools: readonly string[];
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
  /** Steps of the way out that are to be done once more, by their ids. */
  readonly redo?: readonly string[];
  readonly keeping?: ScrewKeeping;
  /** What the screws of an operation owe the way back, by its id. */
  readonly screwsOwed?: ReadonlyMap<string, Debt>;
  /** Single-use parts that came off whole and are used again. */
  readonly reused?: readonly string[];
  /** What comes on the assemblies that go in, and need not be moved to them. */
  readonly brought?: readonly Brought[];
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
  const done = new Set(kept.map(({ stepId }) => stepId));
  const must = (request.redo ?? []).filter((stepId) => !done.has(stepId)).map((stepId) => readStepId(stepId).id);
  const minutesOf = (operation: Operation) => expectedMinutes(operation, findings);
  const chosen = chooseOperations(existing, wanted, minutesOf, isAllowed, must);
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

  const walked = walk(
    model,
    order.map((operation) => endedBy(operation, undefined)),
    undefined,
    standing,
  );
  const all = [...standing.outNow.map(({ operation }) => operation), ...order];
  const fresh = walked.steps.map((step) =>
    outStep(model, step, all, targets, roundOf(standing, 'out', step.operation.id)),
  );
  // What the end of another did is no step of its own; on the way back it is.
  const shown = fresh.filter((_, at) => !cameAlong(walked.steps[at] as (typeof walked.steps)[number]));
  const keeping = request.keeping ?? rules.screwsIn;
  const cups = placeScrews(
    [...standing.steps, ...shown]
      .filter(({ leg }) => leg === 'out')
      .map(({ id, face, joints }) => ({ stepId: id, face, groups: screwGroups(joints) })),
    keeping,
    rules.trayCups,
    new Map(kept.map((step) => [step.stepId, step.cups])),
  );
  const withCups = (step: SheetStep) =>
    step.leg === 'out' ? { ...step, cups: cups.filter(({ stepId }) => stepId === step.id) } : step;
  const outNow: readonly OutNow[] = [
    ...standing.outNow,
    ...standing.cameAlong,
    ...walked.steps.map(({ operation }, at) => ({
      operation,
      step: fresh[at] as SheetStep,
      owed: owedBy(operation, undefined, request.screwsOwed),
    })),
  ];
  const momentsOf = (step: SheetStep) => momentSteps(step, (id) => roundOf(standing, 'moment', id));
  const back =
    request.kind === 'rebuild'
      ? wayBack(
          model,
          outNow.map((entry) => ({ ...entry, step: withCups(entry.step) })),
          walked,
          standing,
          fresh.flatMap(({ joints, frees }) => [...joints.map(({ id }) => id), ...frees]),
          request,
        )
      : [];
  const isRenewed = isRenewedUnless(model, new Set(request.reused));
  const steps = withSurroundings(
    model,
    [
      ...standing.steps.map(withCups),
      ...standing.pending,
      ...shown.map(withCups).flatMap((step) => [step, ...momentsOf(step)]),
      ...back.flatMap((step) => [step, ...momentsOf(step)]),
    ].map((step) => (isRenewed(step) ? step : { ...step, consumables: [] })),
    existing,
  );

  const tools = [...new Set(steps.flatMap(({ tool, hands }) => [tool, hands?.withTool ?? tool]))];
  const stuck = new Set(steps.flatMap(({ leg, operationId }) => (leg === 'out' ? (operationId ?? []) : [])));
  const onRungs = model.operations.filter(({ id }) => stuck.has(id)).flatMap(rungTools);

  return accept({
    steps,
    cups,
    keeping,
    minutes: sumMinutes(steps),
    tools: tools.filter((tool) => tool !== 'Hands'),
    rungTools: [...new Set(onRungs)].filter((tool) => tool !== 'Hands' && !tools.includes(tool)),
    consumables: sumConsumables(steps),
    screwCount: cups.reduce((sum, { group }) => sum + (group.kind === 'screw' ? group.count : 0), 0),
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
  const stood = standingAfter(model, kept, targets, request.screwsOwed);
  const ended = new Map([
    ...(request.ended ?? []),
    ...kept.flatMap(({ stepId, end }) => (end === undefined ? [] : [[readStepId(stepId).id, end] as const])),
  ]);
  const here = operationsFor(model, { ...request, ended });
  const standing = {
    ...stood,
    cameAlong: cameAlongWith(model, here, stood),
  };
  const done = new Set([...standing.outNow, ...standing.cameAlong].map(({ operation }) => operation.id));
  const existing = operationsLeft(here, done);
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

/** Operations whose whole work the end of another did: nothing of them is left on the way out. */
function cameAlongWith(model: Model, existing: readonly Operation[], standing: Standing): readonly OutNow[] {
  const { outNow, openJoints, outParts } = standing;
  const byId = new Map(model.operations.map((operation) => [operation.id, operation]));
  const byEnds = new Set(
    outNow.flatMap(({ operation, step }) => {
      const { opens = [], opensIfShut = [], frees = [] } = byId.get(operation.id) ?? {};
      const own = new Set([...opens, ...opensIfShut, ...frees]);
      return [...step.joints.map(({ id }) => id), ...step.frees].filter((thing) => !own.has(thing));
    }),
  );
  const done = new Set(outNow.map(({ operation }) => operation.id));
  return existing
    .filter(
      ({ id, opens, frees }) =>
        !done.has(id) &&
        [...opens, ...frees].some((thing) => byEnds.has(thing)) &&
        opens.every((joint) => openJoints.has(joint)) &&
        frees.every((part) => outParts.has(part)),
    )
    .map((operation) => {
      const walked = { operation, opened: [], closed: [], freed: [] };
      return {
        operation,
        step: outStep(model, walked, [], [], roundOf(standing, 'out', operation.id)),
        owed: [],
      };
    });
}

const roundOf = ({ rounds }: Standing, leg: Leg, id: string): number => (rounds.get(`${leg}:${id}`) ?? 0) + 1;

/**
 * The way back: each step with what is owed before it, the gates that must be passed before what it closes in, and what
 * moves to the assembly that takes the place of another.
 *
 * @param touched  joints and parts that are still to be opened and freed on the way out
 */
function wayBack(
  model: Model,
  outNow: readonly OutNow[],
  { openJoints, outParts }: Pick<Standing, 'openJoints' | 'outParts'>,
  standing: Standing,
  touched: readonly string[],
  request: Pick<SheetRequest, 'findings' | 'targets' | 'configuration' | 'brought'>,
): readonly SheetStep[] {
  const { findings, targets } = request;
  const entryOf = new Map(outNow.map((entry) => [entry.operation.id, entry]));
  const now = { open: new Set(openJoints), out: new Set(outParts) };
  const disturbed = new Set([...standing.disturbed, ...touched]);
  let proven = unproven(model, standing.proven, touched);
  const isOpenedAnew = touched.length > 0;
  const steps: SheetStep[] = [];
  const round = (leg: Leg, id: string) => roundOf(standing, leg, id);
  const order = outNow.map((entry) => entry.operation);
  const closesIn = closedInBy(order);
  // What came off by a step of its own, before or after its assembly, goes back by that step.
  const cameOff = new Set([...now.out, ...outNow.flatMap(({ step }) => step.frees)]);
  const state = () => ({ openJoints: now.open, outParts: now.out, disturbed, proven });
  const askedByFindings = (beside: SheetStep) =>
    gatesAfterFindings(findings, standing.passed, beside, (id) => round('gate', id));
  const paths = [...testPaths(model).values()];
  const isOnPath = (thing: string) => paths.some(({ joints, parts }) => joints.has(thing) || parts.has(thing));
  // Behind the last step that a test could ask about: a cover that is only snapped on afterwards need not come off again
  // when something fails.
  let early = 0;
  const testBefore = (beside: SheetStep, operation: Operation | null) => {
    const { plan } = gateBefore(model, state(), operation && (closesIn.get(operation.id) ?? new Set()));
    if (!plan) return;
    const id = operation ? sealGateOf(operation.id) : lastGate;
    const at = operation ? steps.length : early;
    steps.splice(at, 0, testGate(model, plan, steps[at] ?? beside, operation?.id ?? null, round('gate', id)));
    proven = new Set([...proven, ...plan.tests]);
  };
  for (const operation of wayBackOrder(order).order) {
    const { gate, seals } = operation.back as NonNullable<Operation['back']>;
    const { step: before, owed } = entryOf.get(operation.id) as OutNow;
    const atHand = { open: new Set(now.open), out: new Set(now.out) };
    const step = backStep(model, operation, before, atHand, round('back', operation.id));
    if (steps.length === 0) steps.push(...askedByFindings(step));
    for (const one of owed.filter((each) => !standing.settled.has(debtGateOf(each))))
      steps.push(debtGate(one, step, round('gate', debtGateOf(one))));
    const replaced = step.places.filter((part) => targets.includes(part));
    for (const part of replaced)
      steps.push(
        ...moveSteps(model, part, cameOff, request, step, (id) => round('move', id)).filter(
          ({ id }) => !standing.moved.has(readStepId(id).id),
        ),
      );
    const isPassed = !isOpenedAnew && standing.passed.has(operation.id);
    if (gate && !isPassed) {
      const { plan } = planFor(model, gate.powersOn ? gate.tests : [], state());
      steps.push(ownGate(operation.id, gate, plan, step, round('gate', operation.id)));
      proven = new Set([...proven, ...(plan?.tests ?? [])]);
    }
    if (seals) testBefore(step, operation);
    steps.push(step);
    Object.assign(now, atHand);
    const made = [...step.joints.map(({ id }) => id), ...step.places];
    for (const thing of made) disturbed.add(thing);
    if (made.some(isOnPath)) early = steps.length;
    proven = unproven(model, proven, made);
  }
  const last = steps.at(-1) ?? standing.steps.at(-1);
  if (last) {
    // Planned anew when all is back, what is left is to look and to test.
    if (steps.length === 0) steps.push(...askedByFindings(last));
    testBefore(last, null);
    const isProven = [...standing.steps, ...steps].some(({ leg, tests }) => leg === 'gate' && tests.length > 0);
    const [first] = workingTests(model);
    // Nothing that a test runs through was touched: that it still works is seen once all the same.
    const plan = isProven || first === undefined ? null : planFor(model, [first], state()).plan;
    if (plan) steps.push(testGate(model, plan, last, null, round('gate', lastGate)));
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
