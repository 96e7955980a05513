import {
  getModelPart,
  type Caution,
  type Consumable,
  type Joint,
  type Minutes,
  type Model,
  type Operation,
  type Wait,
} from '@/core/procedure/model';
import { assignCups, type Cup } from '@/core/screws/assignCups';
import { screwGroups } from '@/core/screws/screwGroups';
import { accept, type Outcome } from '@/core/shared/outcome';
import type { HouseRules } from '@/core/shared/houseRules';
import { chooseOperations, operationsFor, type Situation } from './chooseOperations';
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
  const existing = operationsFor(model, request);
  const chosen = chooseOperations(existing, request.targets, ({ minutes }) => minutes.likely);
  if (!chosen.ok) return chosen;
  const ids = new Set(chosen.value.ids);
  const order = orderOperations(
    existing.filter(({ id }) => ids.has(id)),
    rules,
  );

  const jointsOf = new Map(model.joints.map((joint) => [joint.id, joint]));
  const opened = new Set<string>();
  const out = order.map((operation) => outStep(model, operation, order, request.targets, jointsOf, opened));
  const cups = assignCups(out.map(({ id, joints }) => ({ stepId: id, groups: screwGroups(joints) })));
  const outWithCups = out.map((step) => ({ ...step, cups: cups.filter(({ stepId }) => stepId === step.id) }));
  const back = request.kind === 'rebuild' ? wayBack(model, order, outWithCups) : [];
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

/** A joint that an earlier step opened is not opened, counted or put in a cup again. */
function outStep(
  model: Model,
  operation: Operation,
  order: readonly Operation[],
  targets: readonly string[],
  jointsOf: ReadonlyMap<string, Joint>,
  opened: Set<string>,
): Omit<SheetStep, 'cups'> {
  const joints = operation.opens.filter((id) => !opened.has(id)).map((id) => jointsOf.get(id) as Joint);
  for (const { id } of joints) opened.add(id);
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
    joints,
    frees: operation.frees,
    places: [],
    cautions: operation.cautions,
    consumables: [],
    wait: operation.wait ?? null,
    needsCertificate: operation.needsCertificate ?? false,
  };
}

function wayBack(model: Model, order: readonly Operation[], out: readonly SheetStep[]): readonly SheetStep[] {
  const outById = new Map(out.map((step) => [step.operationId, step]));
  const returning = [...order].reverse().flatMap((operation) => {
    const { back } = operation;
    const before = outById.get(operation.id) as SheetStep;
    if (!back) return [];
    const step: SheetStep = {
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
      frees: [],
      places: operation.frees,
      consumables: back.consumables,
      wait: back.wait ?? null,
      needsCertificate: false,
    };
    return [{ step, seals: back.seals === true }];
  });
  const firstSeal = returning.findIndex(({ seals }) => seals);
  const gateAt = firstSeal === -1 ? returning.length : firstSeal;
  const steps = returning.map(({ step }) => step);
  const beside = steps[Math.min(gateAt, steps.length - 1)];
  return beside ? [...steps.slice(0, gateAt), gateStep(model, beside, firstSeal !== -1), ...steps.slice(gateAt)] : [];
}

function gateStep(model: Model, beside: SheetStep, seals: boolean): SheetStep {
  return {
    id: 'gate:before-seal',
    leg: 'gate',
    operationId: null,
    title: seals ? 'Gate: test before sealing' : 'Gate: test before it leaves the bench',
    detail: `Power on, look at the picture, touch each corner, charge for a moment. Then off: ${model.proofOfOff}`,
    why: seals
      ? 'The next step seals it: what is wrong now costs a second teardown later.'
      : 'What is wrong now is quick to reach.',
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
