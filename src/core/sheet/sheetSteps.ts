import type { FreedPart, SheetState, Unit } from '../entities/entities';
import { getModelPart, type Model } from '@/core/procedure/model';
import { endOf, usualEnd } from '@/core/procedure/ends';
import type { Operation } from '@/core/procedure/operations';
import type { ModelPart } from '@/core/procedure/parts';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';

/** The step that is to be done now: the first of the sheet that is not done. */
export function nextStep(steps: readonly SheetStep[], state: Pick<SheetState, 'doneStepIds'>): SheetStep | undefined {
  return steps.find(({ id }) => !state.doneStepIds.includes(id));
}

/**
 * The parts that get a tag when a step is done: on a teardown all that are worth something, on a rebuild only those that
 * are being replaced (the rest is parked and goes back).
 */
export function partsToTag(model: Model, sheet: SheetState, step: Pick<SheetStep, 'frees'>): readonly ModelPart[] {
  return (
    step.frees
      .map((id) => getModelPart(model, id))
      .filter((part) => !part.singleUse && (part.valueCents !== undefined || part.data === true))
      // What comes out once more has its tag.
      .filter(
        (part) => sheet.kind === 'teardown' || (sheet.targets.includes(part.id) && !sheet.again.includes(part.id)),
      )
  );
}

/**
 * A step as it ended: its own, and what that end freed beside it. The sheet is planned with the usual end, so that end's
 * own comes off when it ended otherwise.
 */
export function stepEndedBy<S extends Pick<SheetStep, 'frees'>>(
  step: S,
  operation: Operation | undefined,
  endId: string | undefined,
): S {
  const [usual, told] = operation ? [usualEnd(operation), endOf(operation, endId)] : [];
  if (told === usual) return step;
  const notFreed = (usual?.frees ?? []).filter((part) => !operation?.frees.includes(part));
  const frees = step.frees.filter((part) => !notFreed.includes(part));
  return { ...step, frees: [...new Set([...frees, ...(told?.frees ?? [])])] };
}

/** What the bench reports of a step's parts: sound, unless trouble was noted. */
export function freedByStep(
  model: Model,
  sheet: SheetState,
  step: Pick<SheetStep, 'frees'>,
  makePartId: () => string,
): readonly FreedPart[] {
  return partsToTag(model, sheet, step).map(({ id }) => ({
    partId: makePartId(),
    partRef: id,
    state: troubleOf(sheet, id)?.state ?? 'sound',
  }));
}

export const troubleOf = (sheet: SheetState, partRef: string) =>
  sheet.partTroubles.findLast((trouble) => trouble.partRef === partRef);

/** Parts that are out of the unit after the steps done. */
export function partsOutNow(
  steps: readonly SheetStep[],
  { doneStepIds }: Pick<SheetState, 'doneStepIds'>,
): ReadonlySet<string> {
  const out = new Set<string>();
  for (const { frees, places } of steps.filter(({ id }) => doneStepIds.includes(id))) {
    for (const part of frees) out.add(part);
    for (const part of places) out.delete(part);
  }
  return out;
}

/** Parts a donor is torn down for by default: all that have a worth, unless the configuration lacks them. */
export function defaultTargets(model: Model, configuration: string | null): readonly string[] {
  const absent = new Set(model.configurations.find(({ id }) => id === configuration)?.absentParts ?? []);
  return model.parts.filter(({ id, valueCents }) => valueCents !== undefined && !absent.has(id)).map(({ id }) => id);
}

export const sheetKindAt = (stage: Unit['stage']): SheetKind | null =>
  stage === 'teardown' ? 'teardown' : stage === 'rebuild' ? 'rebuild' : null;
