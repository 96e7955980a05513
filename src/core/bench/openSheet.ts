import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { SheetState, Unit } from './entities';
import type { BenchEvent, EventType } from './events';
import { nextStep, sheetOf } from './sheetOf';
import { modelOf, unitAt } from './unitAt';
import type { World } from './world';

export interface OpenSheet {
  readonly unit: Unit;
  readonly model: Model;
  readonly sheet: SheetState;
  readonly steps: readonly SheetStep[];
}

/** The unit with its running sheet, refused when there is none. */
export function openSheet(world: World, event: BenchEvent<EventType>): Outcome<OpenSheet> {
  const found = unitAt(world, event, 'teardown', 'rebuild');
  if (!found.ok) return found;
  const unit = found.value;
  const model = modelOf(world, unit);
  if (!model.ok) return model;
  if (!unit.sheet || unit.sheet.isClosed) return refuse('step-not-next', { tag: unit.tag });
  const planned = sheetOf(model.value, unit, unit.sheet);
  return planned.ok ? accept({ unit, model: model.value, sheet: unit.sheet, steps: planned.value.steps }) : planned;
}

/** The step named, refused unless it is the one to be done now. */
export function stepNow({ unit, sheet, steps }: OpenSheet, stepId: string): Outcome<SheetStep> {
  if (sheet.doneStepIds.includes(stepId)) return refuse('step-done-already', { tag: unit.tag });
  const step = nextStep(steps, sheet);
  return step?.id === stepId ? accept(step) : refuse('step-not-next', { tag: unit.tag });
}

export interface StepAtHand extends OpenSheet {
  readonly step: SheetStep;
  readonly operation: Operation | undefined;
}

/**
 * The step to be worked on now, refused while something forbids work: a hazard that nobody has cleared, or, for a step
 * that heats, solvent in the air.
 */
export function stepAtHand(
  world: World,
  event: BenchEvent<'step-done' | 'step-skipped' | 'wait-begun' | 'gate-judged'>,
): Outcome<StepAtHand> {
  const opened = openSheet(world, event);
  if (!opened.ok) return opened;
  const { unit, model, sheet } = opened.value;
  const step = stepNow(opened.value, event.payload.stepId);
  if (!step.ok) return step;
  if (sheet.isHalted && !world.isPast) return refuse('sheet-halted', { tag: unit.tag });
  const operation = model.operations.find(({ id }) => id === step.value.operationId);
  const isHeated = step.value.leg === 'out' && operation?.heat !== undefined;
  const lockedMs = sheet.heatLockedUntil === null ? 0 : Date.parse(sheet.heatLockedUntil) - Date.parse(event.at);
  if (isHeated && event.type !== 'step-skipped' && lockedMs > 0 && !world.isPast)
    return refuse('heat-locked', { tag: unit.tag, minutes: Math.ceil(lockedMs / 60_000) });
  return accept({ ...opened.value, step: step.value, operation });
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
