import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { SheetState, Unit } from '../entities/entities';
import type { Finder } from './define';
import { sheetOf } from '../sheet/sheetOf';
import { nextStep } from '../sheet/sheetSteps';
import { identifiedIn } from './findUnit';

export interface OpenSheet {
  readonly unit: Unit;
  readonly model: Model;
  readonly sheet: SheetState;
  readonly steps: readonly SheetStep[];
}

const atBench = identifiedIn('teardown', 'rebuild');

/** Finds the unit with its running sheet, refused when there is none. */
export const openSheet: Finder<OpenSheet, unknown> = (world, fact) => {
  const found = atBench(world, fact);
  if (!found.ok) return found;
  const { unit, model } = found.value;
  if (!unit.sheet || unit.sheet.isClosed) return refuse('step-not-next', { tag: unit.tag });
  const planned = sheetOf(model, unit, unit.sheet);
  return planned.ok ? accept({ unit, model, sheet: unit.sheet, steps: planned.value.steps }) : planned;
};

/** The step named, refused unless it is the one to be done now. */
function stepNow({ unit, sheet, steps }: OpenSheet, stepId: string): Outcome<SheetStep> {
  if (sheet.doneStepIds.includes(stepId)) return refuse('step-done-already', { tag: unit.tag });
  const step = nextStep(steps, sheet);
  return step?.id === stepId ? accept(step) : refuse('step-not-next', { tag: unit.tag });
}

export interface StepAtHand extends OpenSheet {
  readonly step: SheetStep;
  readonly operation: Operation | undefined;
}

interface OfStep {
  readonly stepId: string;
}

/** Finds the step a fact is about, refused unless it is the one to be done now; whether it may be worked on is not asked. */
export const stepSpokenOf: Finder<StepAtHand, OfStep> = (world, fact) => {
  const opened = openSheet(world, fact);
  if (!opened.ok) return opened;
  const step = stepNow(opened.value, fact.payload.stepId);
  if (!step.ok) return step;
  const operation = opened.value.model.operations.find(({ id }) => id === step.value.operationId);
  return accept({ ...opened.value, step: step.value, operation });
};

/** Finds the step to be passed over now, refused while a hazard that nobody has cleared halts the sheet. */
export const stepToSkip: Finder<StepAtHand, OfStep> = (world, fact) => {
  const spoken = stepSpokenOf(world, fact);
  if (!spoken.ok) return spoken;
  const { unit, sheet } = spoken.value;
  return sheet.isHalted && !world.isPast ? refuse('sheet-halted', { tag: unit.tag }) : spoken;
};

/** Finds the step to be worked on now: one that may be passed over, and does not heat with solvent in the air. */
export const stepAtHand: Finder<StepAtHand, OfStep> = (world, fact) => {
  const found = stepToSkip(world, fact);
  if (!found.ok) return found;
  const { unit, sheet, step } = found.value;
  const minutes = step.hands?.heat ? lockedMinutes(sheet, fact.at) : 0;
  return minutes > 0 && !world.isPast ? refuse('heat-locked', { tag: unit.tag, minutes }) : found;
};

/** Minutes that the heat is still locked, because solvent is in the air; 0 when it is not. */
export const lockedMinutes = ({ heatLockedUntil }: SheetState, at: string): number =>
  heatLockedUntil === null ? 0 : Math.max(0, Math.ceil((Date.parse(heatLockedUntil) - Date.parse(at)) / 60_000));

/** Marks a step done; its timer, if one ran, is over. */
export const advance = (unit: Unit, sheet: SheetState, stepId: string): Unit =>
  handOn({ ...unit, timer: null, sheet: { ...sheet, doneStepIds: [...sheet.doneStepIds, stepId] } });

/** When nothing is left to do, the sheet is closed and the unit goes on. */
export function handOn(unit: Unit & { readonly sheet: SheetState }): Unit {
  const { sheet } = unit;
  if (!sheet.stepIds.every((id) => sheet.doneStepIds.includes(id))) return unit;
  return { ...unit, stage: sheet.kind === 'teardown' ? 'spent' : 'prove', sheet: { ...sheet, isClosed: true } };
}
