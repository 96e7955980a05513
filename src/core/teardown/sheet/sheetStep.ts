import type { Joint } from '@/core/procedure/joints';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { Caution, Consumable, Debt, Gate, Minutes, Operation, Wait, WayBack } from '@/core/procedure/operations';
import type { WalkStep } from '@/core/procedure/walk';
import type { Cup } from '@/core/screws/placeScrews';
import { explainOperation } from '../explainOperation';
import { message, type Wording } from '@/core/shared/message';

export const legs = ['out', 'gate', 'back'] as const;
export type Leg = (typeof legs)[number];

/** One line of a run sheet: an operation on the way out, a gate, or an operation on the way back. */
export interface SheetStep {
  /** `out:ID`, `back:ID` or `gate:ID`; with `~2` behind it when it is done a second time. */
  readonly id: string;
  readonly leg: Leg;
  readonly operationId: string | null;
  readonly title: Wording<'sheet'>;
  readonly detail: Wording<'sheet'>;
  /** Why this step, generated from the graph. */
  readonly why: Wording<'sheet'>;
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

/** The id of a step, in its n-th round. */
export const stepIdOf = (leg: Leg, id: string, round: number): string => `${leg}:${id}${round > 1 ? `~${round}` : ''}`;

/** What a step's id says, without its round; `id` of a gate is an operation's, or `before-seal`. */
export function readStepId(stepId: string): { readonly leg: Leg; readonly id: string } {
  const [leg, rest = ''] = stepId.split(':') as [Leg, string?];
  return { leg, id: rest.split('~')[0] as string };
}

/** The id of a step in its first round: what is timed of all rounds together stands under it. */
export function firstRoundOf(stepId: string): string {
  const { leg, id } = readStepId(stepId);
  return stepIdOf(leg, id, 1);
}

/** What the step really opens and frees: a joint that is open already is not counted or put in a cup again. */
export function outStep(
  model: Model,
  { operation, opened, freed }: WalkStep,
  order: readonly Operation[],
  targets: readonly string[],
  round: number,
): SheetStep {
  return {
    id: stepIdOf('out', operation.id, round),
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
    cups: [],
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

/** Closes what its own step opened, each joint once: one that was opened again later is closed where that is undone. */
export function backStep(
  model: Model,
  operation: Operation,
  before: SheetStep,
  open: Set<string>,
  round: number,
): SheetStep {
  const back = operation.back as WayBack;
  const left = new Set(back.leaves?.map(({ joint }) => joint));
  const closes = (back.closes ?? before.joints.map(({ id }) => id)).filter((id) => !left.has(id) && open.has(id));
  for (const id of closes) open.delete(id);
  return {
    ...before,
    id: stepIdOf('back', operation.id, round),
    leg: 'back',
    title: back.title,
    detail: back.detail,
    why:
      operation.frees.length > 0
        ? message('sheet.putsBack', { parts: operation.frees.map((id) => getModelPart(model, id).name) })
        : message('sheet.closesWhatWasOpened'),
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
export function ownGate(operationId: string, gate: Gate, beside: SheetStep, round: number): SheetStep {
  return {
    ...emptyGate(beside),
    id: stepIdOf('gate', operationId, round),
    title: message('sheet.gate', { what: gate.what }),
    detail: gate.powersOn
      ? message('sheet.powerOnThenOffAgain', { off: gate.offAgain ?? message('sheet.seeHowToConfirmOff') })
      : gate.what,
    why: message('sheet.nextFaultQuickToReach', { title: beside.title }),
  };
}

/** Why something is owed on the way back: an end of an operation left it, or its screws did. */
export const debtCauses = ['debt', 'screws'] as const;
export type DebtCause = (typeof debtCauses)[number];

/** Something owed where an operation is taken back. */
export interface Owed {
  readonly operationId: string;
  readonly cause: DebtCause;
  readonly debt: Debt;
}

/** What a debt is called among the gates. */
export const debtGateOf = ({ operationId, cause }: Pick<Owed, 'operationId' | 'cause'>): string =>
  `${cause}-${operationId}`;

/** Whether a step pays what is owed since the way out. */
export const isDebt = (stepId: string): boolean => debtCauses.some((cause) => stepId.startsWith(`gate:${cause}-`));

/** Something owed since the way out: checked before the step that would cover it. */
export function debtGate(owed: Owed, beside: SheetStep, round: number): SheetStep {
  const { says, minutes, check } = owed.debt;
  return {
    ...emptyGate(beside),
    id: stepIdOf('gate', debtGateOf(owed), round),
    title: message('sheet.owed', { says }),
    detail: message('sheet.check', { check }),
    why: message('sheet.owedSinceTeardownNext', { title: beside.title }),
    minutes: { low: minutes * 0.7, likely: minutes, high: minutes * 1.6 },
  };
}

export const sealGate = 'before-seal';

/** The gate that every rebuild has: before the first step that seals, or at the end. */
export function gateStep(model: Model, beside: SheetStep, seals: boolean, round: number): SheetStep {
  return {
    ...emptyGate(beside),
    id: stepIdOf('gate', sealGate, round),
    title: message('sheet.gateTestBeforeSealing', { isSeals: seals ? 'yes' : 'no' }),
    detail: message('sheet.powerOnCheckPictureTouch', { proofOfOff: model.proofOfOff }),
    why: message('sheet.nextStepSealsFaultFound', { isSeals: seals ? 'yes' : 'no' }),
  };
}

/** What all gates have in common. */
export function emptyGate(beside: SheetStep): Omit<SheetStep, 'id' | 'title' | 'detail' | 'why'> {
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
