import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { message } from '@/core/shared/message';
import { waysFreed } from '@/core/battery/cellRecord';
import { howFreed } from '@/core/sheet/howFreed';
import { carriedBy, type FreedPart, type Part, type SheetState, type Unit } from '@/core/entities/entities';
import { hitsOf } from '@/core/findings/hits';
import { withFindings } from '@/core/findings/mark';
import { findingRules } from '@/core/findings/rules';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { Reuse } from '@/core/grading/attributes';
import type { ModelPart } from '@/core/procedure/parts';
import type { Operation } from '@/core/procedure/operations';
import { transfersOf } from '@/core/procedure/transfers';
import { rungNow } from '@/core/sheet/rungNow';
import { partsOutNow, partsToTag, stepEndedBy, troubleOf } from '@/core/sheet/sheetSteps';
import { movedBy } from '@/core/teardown/sheet/moveSteps';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { StepAtHand } from './openSheet';
import { partChange, type Change, type World } from './world';

/** Makes the parts that came free. What is missing makes none; what is broken goes to scrap at once. */
export function free(
  world: World,
  { unit, model, sheet, steps, step, operation }: StepAtHand,
  reported: readonly FreedPart[],
  endId: string | undefined,
): Outcome<readonly Change[]> {
  const ended = stepEndedBy(step, operation, endId);
  const expected = partsToTag(model, sheet, ended).map(({ id }) => id);
  const refs = reported.map(({ partRef }) => partRef);
  if (expected.length !== refs.length || expected.some((id) => !refs.includes(id))) {
    return refuse('bad-input', {
      field: 'freed',
      says:
        expected.length > 0
          ? message('refusals.thisStepFrees', { parts: expected })
          : message('refusals.thisStepFreesNothing'),
    });
  }
  const gone = new Set([
    ...partsOutNow(steps, sheet),
    ...ended.frees,
    ...sheet.partTroubles.flatMap(({ partRef, state }) => (state === 'suspect' ? [] : [partRef])),
  ]);
  const stillOn = (assembly: string) =>
    transfersOf(model, assembly, unit.configuration)
      .map(({ part }) => part)
      .filter((part) => !gone.has(part));
  const tried = operation?.ladder?.rungs.slice(0, rungNow(sheet, step.id)) ?? [];
  const freedBy = (partRef: string) =>
    operation && getModelPart(model, partRef).category === 'battery'
      ? howFreed(operation, step.joints, endId, tried)
      : undefined;
  return accept(
    reported
      .filter(({ state }) => state !== 'missing')
      .map((item) =>
        partChange(
          null,
          freshPart(
            unit,
            model,
            sheet,
            world.isPast ? item : { ...item, carries: stillOn(item.partRef), freedBy: freedBy(item.partRef) },
          ),
        ),
      ),
  );
}

function freshPart(
  unit: Unit,
  model: Model,
  sheet: SheetState,
  { partId, partRef, state, tag, carries = [], freedBy }: FreedPart,
): Part {
  const modelPart = getModelPart(model, partRef);
  const { category, interchange, data, singleUse } = modelPart;
  const isBroken = state === 'broken-by-us' || state === 'broken-before';
  const trouble = troubleOf(sheet, partRef);
  // A cell that swelled or was bent goes to the fire-safe place, whatever else it looks like.
  const isHazard =
    category === 'battery' &&
    (sheet.findings.some((finding) => findingRules[finding].cellPlace === 'hazard') ||
      trouble?.defectCode === 'cell-bent');
  const limiting = isHazard ? 'hazard' : isBroken ? state : null;
  const promisedTo = limiting === null ? unit.promised[partRef] : undefined;
  return {
    id: partId,
    tag: tag ?? '…',
    partRef,
    modelId: model.id,
    category,
    interchange,
    unitId: unit.id,
    state,
    place: isHazard ? 'hazard' : isBroken ? 'scrap' : 'grade',
    readings: freedBy === undefined ? {} : { freed: freedBy },
    grade: limiting === null ? null : 'X',
    limiting,
    bin: null,
    assignedTo: null,
    isDataCleared: data !== true || unit.isWiped,
    carries,
    ...(promisedTo !== undefined && { reservedFor: promisedTo }),
    ...(singleUse && { reuse: reuseOf(modelPart) }),
    findings: hitsOf(model, modelPart, withFindings(unit, sheet.findings)),
    version: 0,
    lastFactId: '',
  };
}

/** A part that is meant to be used once goes back only where its model has a question whose yes allows it. */
export const reuseOf = ({ reusableIf }: Pick<ModelPart, 'reusableIf'>): Reuse =>
  reusableIf === undefined ? 'never' : 'asked';

/** Assemblies that are out and lose what this step takes off them, or moves from them to the one that goes in. */
export function takenOff(
  world: World,
  unit: Unit,
  step: SheetStep,
  endId: string | undefined,
  operation: Operation | undefined,
): readonly Change[] {
  const moved = step.leg === 'move' ? movedBy(step.id) : undefined;
  const off = step.leg === 'out' ? stepEndedBy(step, operation, endId).frees : moved ? [moved.part] : [];
  return world
    .partsOf(unit.id)
    .filter((part) => (!moved || moved.assembly === part.partRef) && carriedBy(part).some((one) => off.includes(one)))
    .map((part) => partChange(part, { ...part, carries: carriedBy(part).filter((one) => !off.includes(one)) }));
}

/** On the way back the assigned part takes the place of the one that came out. */
export function fit(
  world: World,
  unit: Unit,
  step: SheetStep,
): Outcome<{ readonly unit: Unit; readonly parts: readonly Change[] }> {
  const fitted: Record<string, string> = {};
  const parts: Change[] = [];
  for (const slot of step.places) {
    const partId = unit.assigned[slot];
    if (partId === undefined) continue;
    const part = world.find('part', partId);
    if (!part) return refuse('not-found', { id: partId });
    fitted[slot] = partId;
    parts.push(partChange(part, { ...part, place: 'fitted', bin: null }));
  }
  const assigned = Object.fromEntries(Object.entries(unit.assigned).filter(([slot]) => fitted[slot] === undefined));
  return accept({ unit: { ...unit, fitted: { ...unit.fitted, ...fitted }, assigned }, parts });
}

export const isThere = ({ state }: FreedPart): boolean => state !== 'missing';

export function withTags(freed: readonly FreedPart[], tags: readonly string[]): readonly FreedPart[] {
  const left = [...tags];
  return freed.map((item) => (isThere(item) ? { ...item, tag: left.shift() } : item));
}

/** What came free, with what is still on it and how a cell was freed: the log tells it whatever the model says later. */
export function withCarried(freed: readonly FreedPart[], changes: readonly Change[]): readonly FreedPart[] {
  const made = new Map(changes.flatMap(({ kind, after }) => (kind === 'part' && after ? [[after.id, after]] : [])));
  return freed.map((item) => {
    const part = made.get(item.partId);
    const carries = part ? carriedBy(part) : [];
    const freedBy = waysFreed.find((way) => way === part?.readings.freed);
    return { ...item, ...(carries.length > 0 && { carries }), ...(freedBy && { freedBy }) };
  });
}

export function tagsOfNewParts(changes: readonly Change[]): readonly string[] {
  return changes.flatMap((change) =>
    change.kind === 'part' && !change.before && change.after ? [change.after.tag] : [],
  );
}
