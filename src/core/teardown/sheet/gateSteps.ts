import type { GatePlan } from '@/core/procedure/gates';
import type { Model } from '@/core/procedure/model';
import type { Debt, Gate, Minutes } from '@/core/procedure/operations';
import { message } from '@/core/shared/message';
import { plainStep, stepIdOf, type SheetStep } from './sheetStep';

/** Putting a plug on for a test and taking it off again. */
const mateMinutes: Minutes = { low: 0.4, likely: 0.8, high: 1.6 };

const gateMinutes = (mates: number): Minutes => ({
  low: 1 + mates * mateMinutes.low,
  likely: 2 + mates * mateMinutes.likely,
  high: 4 + mates * mateMinutes.high,
});

/** What all gates have in common. */
export function emptyGate(beside: SheetStep): Omit<SheetStep, 'id' | 'title' | 'detail' | 'why'> {
  return {
    ...plainStep,
    leg: 'gate',
    operationId: null,
    tool: 'Hands',
    face: beside.face,
    posture: beside.posture,
    minutes: gateMinutes(0),
  };
}

const noPlan: GatePlan = { tests: [], mates: [], lays: [], usesPack: false };

const asked = ({ tests, mates, lays, usesPack }: GatePlan) => ({
  tests,
  mates,
  lays,
  usesPack,
  minutes: gateMinutes(mates.length + lays.length),
});

/** A gate that the model asks for before a step of the way back; with power only where the plan says that it can be had. */
export function ownGate(
  operationId: string,
  gate: Gate,
  plan: GatePlan | null,
  beside: SheetStep,
  round: number,
): SheetStep {
  return {
    ...emptyGate(beside),
    ...asked(plan ?? noPlan),
    id: stepIdOf('gate', operationId, round),
    title: message('sheet.gate', { what: gate.what }),
    detail:
      gate.powersOn && plan
        ? message('sheet.powerOnThenOffAgain', { off: gate.offAgain ?? message('sheet.seeHowToConfirmOff') })
        : gate.what,
    why: message('sheet.nextFaultQuickToReach', { title: beside.title }),
  };
}

/** What a gate before a step that seals is called among the gates. */
export const sealGateOf = (operationId: string): string => `before-${operationId}`;
/** The gate before a unit leaves the bench. */
export const lastGate = 'before-leaving';

/** A gate that the tests ask for: before a step that seals, or at the end. */
export function testGate(
  model: Model,
  plan: GatePlan,
  beside: SheetStep,
  before: string | null,
  round: number,
): SheetStep {
  const isMated = plan.mates.length + plan.lays.length > 0 || plan.usesPack;
  return {
    ...emptyGate(beside),
    ...asked(plan),
    id: stepIdOf('gate', before === null ? lastGate : sealGateOf(before), round),
    title: message('sheet.gateTestBeforeSealing', { isSeals: before === null ? 'no' : 'yes' }),
    detail: message('sheet.powerOnAndProve', { isMated: isMated ? 'yes' : 'no', proofOfOff: model.proofOfOff }),
    why: message('sheet.nextStepSealsFaultFound', { isSeals: before === null ? 'no' : 'yes' }),
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
