import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { SheetState, Unit } from '../entities/entities';
import type { Said } from './define';
import { nextStep, sheetOf } from '../sheet/sheetOf';
import { modelOf, unitAt } from './unitAt';
import type { World } from './world';

export interface OpenSheet {
  readonly unit: Unit;
  readonly model: Model;
  readonly sheet: SheetState;
  readonly steps: readonly SheetStep[];
}

/** The unit with its running sheet, refused when there is none. */
export function openSheet(world: World, fact: Pick<Said<unknown>, 'subjectId'>): Outcome<OpenSheet> {
  const found = unitAt(world, fact, 'teardown', 'rebuild');
  if (!found.ok) return found;
  const unit = found.value;
  const model = modelOf(world, unit);
  if (!model.ok) return model;
  if (!unit.sheet || unit.sheet.isClosed) return refuse('step-not-next', { tag: unit.tag });
  const planned = sheetOf(model.value, unit, unit.sheet);
  return planned.ok ? accept({ unit, model: model.value, sheet: unit.sheet, steps: planned.value.steps }) : planned;
}

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

/** The step a fact is about, refused unless it is the one to be done now; whether it may be worked on is not asked. */
export function stepSpokenOf(
  world: World,
  fact: Pick<Said<{ readonly stepId: string }>, 'subjectId' | 'payload'>,
): Outcome<StepAtHand> {
  const opened = openSheet(world, fact);
  if (!opened.ok) return opened;
  const step = stepNow(opened.value, fact.payload.stepId);
  if (!step.ok) return step;
  const operation = opened.value.model.operations.find(({ id }) => id === step.value.operationId);
  return accept({ ...opened.value, step: step.value, operation });
}

/**
 * The step to be worked on now, refused while something forbids work: a hazard that nobody has cleared, or, for a step
 * that heats, solvent in the air.
 */
export function stepAtHand(
  world: World,
  fact: Pick<Said<{ readonly stepId: string }>, 'subjectId' | 'at' | 'payload'>,
  isSkipped = false,
): Outcome<StepAtHand> {
  const spoken = stepSpokenOf(world, fact);
  if (!spoken.ok) return spoken;
  const { unit, sheet, step, operation } = spoken.value;
  if (sheet.isHalted && !world.isPast) return refuse('sheet-halted', { tag: unit.tag });
  const isHeated = step.leg === 'out' && operation?.heat !== undefined;
  const lockedMs = sheet.heatLockedUntil === null ? 0 : Date.parse(sheet.heatLockedUntil) - Date.parse(fact.at);
  if (isHeated && !isSkipped && lockedMs > 0 && !world.isPast)
    return refuse('heat-locked', { tag: unit.tag, minutes: Math.ceil(lockedMs / 60_000) });
  return spoken;
}

/** Marks a step done; its timer, if one ran, is over. */
export const advance = (unit: Unit, sheet: SheetState, stepId: string): Unit =>
  handOn({ ...unit, timer: null, sheet: { ...sheet, doneStepIds: [...sheet.doneStepIds, stepId] } });

/** When nothing is left to do, the sheet is closed and the unit goes on. */
export function handOn(unit: Unit & { readonly sheet: SheetState }): Unit {
  const { sheet } = unit;
  if (!sheet.stepIds.every((id) => sheet.doneStepIds.includes(id))) return unit;
  return { ...unit, stage: sheet.kind === 'teardown' ? 'spent' : 'prove', sheet: { ...sheet, isClosed: true } };
}
