import type { Joint } from '@/core/procedure/joints';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { Caution, Consumable, Gate, Minutes, Operation, Wait, WayBack } from '@/core/procedure/operations';
import { walk, type WalkStep } from '@/core/procedure/walk';
import { wayBackOrder } from '@/core/procedure/wayBackOrder';
import { assignCups, type Cup } from '@/core/screws/assignCups';
import { screwGroups } from '@/core/screws/screwGroups';
import { accept, type Outcome } from '@/core/shared/outcome';
import type { HouseRules } from '@/core/shared/houseRules';
import { operationsFor, type Situation } from '@/core/procedure/situation';
import { attendedMinutes, expectedMinutes } from './attendedMinutes';
import { chooseOperations } from './chooseOperations';
import { orderOperations } from './orderOperations';
import { explainOperation } from './explainOperation';

export const legs = ['out', 'gate', 'back'] as const;
export type Leg = (typeof legs)[number];

/** One line of a run sheet: an operation on the way out, a gate, or an operation on the way back. */
export interface SheetStep {
  /** `out:ID`, `back:ID` or `gate:ID`. */
  readonly id: string;
  readonly leg: Leg;
  readonly operationId: string | null;
  readonly title: string;
  readonly detail: string;
  /** Why this step, generated from the graph. */
  readonly why: string;
  readonly tool: string;
  readonly face: string;
  readonly posture: string | null;
  readonly minutes: Minutes;
  readonly joints: readonly Joint[];
  /** Where this step's screws lie, or come from. */
  readonly cups: readonly Cup[];
  readonly frees: readonly string[];
  readonly places: readonly string[];
  readonly cautions: readonly Caution[];
  readonly consumables: readonly Consumable[];
  readonly wait: Wait | null;
  readonly needsCertificate: boolean;
}

export interface RunSheet {
  readonly steps: readonly SheetStep[];
  readonly minutes: Minutes;
  readonly tools: readonly string[];
  readonly consumables: readonly Consumable[];
  readonly cups: readonly Cup[];
  /** Screws that come out, over all joints that are opened. */
  readonly screwCount: number;
}

export interface SheetRequest extends Situation {
  readonly kind: SheetKind;
  /** Parts wanted free. On a rebuild these are the slots that get another part. */
  readonly targets: readonly string[];
  /** Parts that are scrap already. */
  readonly scrap?: readonly string[];
}

export const sheetKinds = ['teardown', 'rebuild'] as const;
export type SheetKind = (typeof sheetKinds)[number];

/**
 * The run sheet of one unit: what to do, in which order, with which tools, and where each screw goes.
 *
 * A teardown ends when the targets are free. A rebuild goes on with the way back in reverse, with its consumables, and
 * with the gate before the first step that seals (at the end when nothing seals).
 *
 * @param model    the version the unit was planned with
 * @param request  targets and situation
 * @refuses 'targets-unreachable'
 */
export function planRunSheet(model: Model, request: SheetRequest, rules: HouseRules): Outcome<RunSheet> {
  const { findings, targets } = request;
  const scrap = new Set(request.scrap);
  // A short cut may destroy what is scrap already, and only where nothing goes back.
  const isAllowed = ({ destroys = [] }: Operation) =>
    destroys.length === 0 || (request.kind === 'teardown' && destroys.every((part) => scrap.has(part)));
  const existing = operationsFor(model, request);
  const chosen = chooseOperations(existing, targets, (operation) => expectedMinutes(operation, findings), isAllowed);
  if (!chosen.ok) return chosen;
  const ids = new Set(chosen.value.ids);
  const { operations: order } = orderOperations(
    existing
      .filter(({ id }) => ids.has(id))
      .map((operation) => ({ ...operation, minutes: attendedMinutes(operation, findings) })),
    { postures: model.postures, findings },
    rules,
  );

  const walked = walk(model, order);
  const out = walked.steps.map((step) => outStep(model, step, order, targets));
  const cups = assignCups(
    out.map(({ id, joints }) => ({ stepId: id, groups: screwGroups(joints) })),
    rules.trayCups,
  );
  const outWithCups = out.map((step) => ({ ...step, cups: cups.filter(({ stepId }) => stepId === step.id) }));
  const back = request.kind === 'rebuild' ? wayBack(model, order, outWithCups, walked.openJoints) : [];
  const steps = [...outWithCups, ...back];

  return accept({
    steps,
    cups,
    minutes: sumMinutes(steps),
    tools: [...new Set(steps.map(({ tool }) => tool))].filter((tool) => tool !== 'Hands'),
    consumables: sumConsumables(steps),
    screwCount: cups.reduce((sum, { group }) => sum + group.count, 0),
  });
}

/** What the step really opens and frees: a joint that is open already is not counted or put in a cup again. */
function outStep(
  model: Model,
  { operation, opened, freed }: WalkStep,
  order: readonly Operation[],
  targets: readonly string[],
): Omit<SheetStep, 'cups'> {
  return {
    id: `out:${operation.id}`,
    leg: 'out',
    operationId: operation.id,
    title: operation.title,
    detail: operation.detail,
    why: explainOperation(model, operation, order, targets),
    tool: operation.tool,
    face: operation.face,
    posture: operation.posture ?? null,
    minutes: operation.minutes,
    joints: jointsNamed(model, opened),
    frees: freed,
    places: [],
    cautions: operation.cautions,
    consumables: [],
    wait: operation.wait ?? null,
    needsCertificate: operation.needsCertificate ?? false,
  };
}

function jointsNamed(model: Model, ids: readonly string[]): readonly Joint[] {
  return ids.flatMap((id) => model.joints.find((joint) => joint.id === id) ?? []);
}

function wayBack(
  model: Model,
  order: readonly Operation[],
  out: readonly SheetStep[],
  isOpen: ReadonlySet<string>,
): readonly SheetStep[] {
  const outById = new Map(out.map((step) => [step.operationId, step]));
  const open = new Set(isOpen);
  const steps: SheetStep[] = [];
  let isTested = false;
  for (const operation of wayBackOrder(order).order) {
    const back = operation.back as WayBack;
    const before = outById.get(operation.id) as SheetStep;
    const step = backStep(model, operation, back, before, open);
    if (back.gate) steps.push(ownGate(operation.id, back.gate, step));
    else if (back.seals && !isTested) steps.push(gateStep(model, step, true));
    isTested ||= back.seals === true || back.gate?.powersOn === true;
    steps.push(step);
  }
  const last = steps.at(-1);
  if (last && !isTested) steps.push(gateStep(model, last, false));
  return steps;
}

/** Closes what its own step opened, each joint once: one that was opened again later is closed where that is undone. */
function backStep(model: Model, operation: Operation, back: WayBack, before: SheetStep, open: Set<string>): SheetStep {
  const left = new Set(back.leaves?.map(({ joint }) => joint));
  const closes = (back.closes ?? before.joints.map(({ id }) => id)).filter((id) => !left.has(id) && open.has(id));
  for (const id of closes) open.delete(id);
  return {
    ...before,
    id: `back:${operation.id}`,
    leg: 'back',
    title: back.title,
    detail: back.detail,
    why:
      operation.frees.length > 0
        ? `Puts back the ${operation.frees.map((id) => getModelPart(model, id).name).join(' and the ')}.`
        : 'Closes what was opened.',
    minutes: back.minutes,
    joints: jointsNamed(model, closes),
    frees: [],
    places: operation.frees,
    consumables: back.consumables,
    wait: back.wait ?? null,
    needsCertificate: false,
  };
}

/** A gate that the model asks for before a step of the way back. */
function ownGate(operationId: string, gate: Gate, beside: SheetStep): SheetStep {
  return {
    ...emptyGate(beside),
    id: `gate:${operationId}`,
    title: `Gate: ${gate.what}`,
    detail: gate.powersOn ? `Power on, then off again: ${gate.offAgain ?? 'see the proof of off.'}` : gate.what,
    why: `Next: ${beside.title}. What is wrong now is quick to reach.`,
  };
}

function gateStep(model: Model, beside: SheetStep, seals: boolean): SheetStep {
  return {
    ...emptyGate(beside),
    id: 'gate:before-seal',
    title: seals ? 'Gate: test before sealing' : 'Gate: test before it leaves the bench',
    detail: `Power on, look at the picture, touch each corner, charge for a moment. Then off: ${model.proofOfOff}`,
    why: seals
      ? 'The next step seals it: what is wrong now costs a second teardown later.'
      : 'What is wrong now is quick to reach.',
  };
}

function emptyGate(beside: SheetStep): Omit<SheetStep, 'id' | 'title' | 'detail' | 'why'> {
  return {
    leg: 'gate',
    operationId: null,
    tool: 'Hands',
    face: beside.face,
    posture: beside.posture,
    minutes: { low: 1, likely: 2, high: 4 },
    joints: [],
    cups: [],
    frees: [],
    places: [],
    cautions: [],
    consumables: [],
    wait: null,
    needsCertificate: false,
  };
}

/** Sums of low, likely and high: a cautious range, wider than the spread of the sum. */
export function sumMinutes(steps: readonly { readonly minutes: Minutes }[]): Minutes {
  const sum = (key: keyof Minutes) => steps.reduce((total, { minutes }) => total + minutes[key], 0);
  return { low: sum('low'), likely: sum('likely'), high: sum('high') };
}

function sumConsumables(steps: readonly SheetStep[]): readonly Consumable[] {
  const byName = new Map<string, Consumable>();
  for (const { name, count, unitCents } of steps.flatMap(({ consumables }) => consumables)) {
    byName.set(name, { name, unitCents, count: (byName.get(name)?.count ?? 0) + count });
  }
  return [...byName.values()];
}
