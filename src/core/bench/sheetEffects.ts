import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { Effects } from './effect';
import type { Part, SheetState, Unit } from './entities';
import type { BenchEvent, EventType, FreedPart } from './events';
import { keptOf, rungNow } from './replanSheet';
import { nextStep, partsToTag, sheetKindAt, sheetOf } from './sheetOf';
import { modelOf, unitAt } from './unitAt';
import { partChange, unitChange, type Change, type World } from './world';

interface OpenSheet {
  readonly unit: Unit;
  readonly model: Model;
  readonly sheet: SheetState;
  readonly steps: readonly SheetStep[];
}

/** The unit with its running sheet, refused when there is none. */
function openSheet(world: World, event: BenchEvent<EventType>): Outcome<OpenSheet> {
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
function stepNow({ unit, sheet, steps }: OpenSheet, stepId: string): Outcome<SheetStep> {
  if (sheet.doneStepIds.includes(stepId)) return refuse('step-done-already', { tag: unit.tag });
  const step = nextStep(steps, sheet);
  return step?.id === stepId ? accept(step) : refuse('step-not-next', { tag: unit.tag });
}

/** Run sheet: steps done, what went wrong, gates, and the end of the sheet. */
export const sheetEffects: Effects<
  | 'sheet-started'
  | 'sheet-replanned'
  | 'step-resisted'
  | 'step-done'
  | 'part-trouble'
  | 'screw-trouble'
  | 'gate-judged'
  | 'sheet-closed'
> = {
  'sheet-started': (world, event) => {
    const found = unitAt(world, event, 'teardown', 'rebuild');
    if (!found.ok) return found;
    const unit = found.value;
    const { kind, targets, keeping } = event.payload;
    if (kind !== sheetKindAt(unit.stage)) return refuse('wrong-stage', { tag: unit.tag, stage: unit.stage });
    if (unit.sheet && !unit.sheet.isClosed && unit.sheet.doneStepIds.length > 0)
      return refuse('sheet-open', { tag: unit.tag });
    // Data first: in pieces it cannot be wiped any more.
    if (kind === 'teardown' && unit.tests.starts === 'sound' && !unit.isWiped)
      return refuse('not-wiped', { tag: unit.tag });
    const model = modelOf(world, unit);
    if (!model.ok) return model;
    const findings = [...new Set(unit.marks.map((mark) => mark.kind))];
    const planned = sheetOf(model.value, unit, { kind, targets, findings, keeping });
    if (!planned.ok) return planned;
    const sheet: SheetState = {
      kind,
      targets,
      findings,
      stepIds: planned.value.steps.map(({ id }) => id),
      doneStepIds: [],
      partTroubles: [],
      screwTroubles: [],
      resistances: [],
      keeping,
      kept: [],
      barred: [],
      again: [],
      isClosed: false,
    };
    return accept([unitChange(unit, { ...unit, sheet })]);
  },

  'sheet-replanned': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, model, sheet, steps } = opened.value;
    const { targets, findings, barred, again } = event.payload;
    const anew = { ...sheet, targets, findings, barred, again, kept: keptOf(steps, sheet) };
    const planned = sheetOf(model, unit, anew);
    if (!planned.ok) return planned;
    const stepIds = planned.value.steps.map(({ id }) => id);
    return accept([unitChange(unit, handOn({ ...unit, sheet: { ...anew, stepIds } }))]);
  },

  'step-resisted': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, model, sheet } = opened.value;
    const step = stepNow(opened.value, event.payload.stepId);
    if (!step.ok) return step;
    const rungs = model.operations.find(({ id }) => id === step.value.operationId)?.ladder?.rungs.length ?? 0;
    const before = rungNow(sheet, step.value.id);
    if (event.payload.rung !== before + 1 || event.payload.rung > rungs)
      return refuse('no-further-rung', { tag: unit.tag });
    return accept([
      unitChange(unit, { ...unit, sheet: { ...sheet, resistances: [...sheet.resistances, event.payload] } }),
    ]);
  },

  'step-done': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, model, sheet } = opened.value;
    const step = stepNow(opened.value, event.payload.stepId);
    if (!step.ok) return step;
    if (step.value.leg === 'gate') return refuse('gate-not-passed', { tag: unit.tag });
    const placed = step.value.leg === 'back' ? fit(world, unit, step.value) : accept({ unit, parts: [] });
    if (!placed.ok) return placed;
    const freed = step.value.leg === 'out' ? free(unit, model, sheet, step.value, event.payload.freed) : accept([]);
    if (!freed.ok) return freed;
    const after = advance(placed.value.unit, sheet, step.value.id);
    return accept([unitChange(unit, after), ...placed.value.parts, ...freed.value]);
  },

  'part-trouble': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, sheet } = opened.value;
    const step = stepNow(opened.value, event.payload.stepId);
    if (!step.ok) return step;
    return accept([
      unitChange(unit, { ...unit, sheet: { ...sheet, partTroubles: [...sheet.partTroubles, event.payload] } }),
    ]);
  },

  'screw-trouble': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, sheet } = opened.value;
    const step = stepNow(opened.value, event.payload.stepId);
    if (!step.ok) return step;
    return accept([
      unitChange(unit, { ...unit, sheet: { ...sheet, screwTroubles: [...sheet.screwTroubles, event.payload] } }),
    ]);
  },

  'gate-judged': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, sheet } = opened.value;
    const step = stepNow(opened.value, event.payload.stepId);
    if (!step.ok) return step;
    if (step.value.leg !== 'gate') return refuse('step-not-next', { tag: unit.tag });
    // A failed gate is a fact in the log and leaves the sheet where it is: nothing after it may be done.
    const after = event.payload.hasPassed ? advance(unit, sheet, step.value.id) : unit;
    return accept([unitChange(unit, after)]);
  },

  'sheet-closed': (world, event) => {
    const found = unitAt(world, event, 'teardown');
    if (!found.ok) return found;
    const unit = found.value;
    if (!unit.sheet) return refuse('step-not-next', { tag: unit.tag });
    return accept([unitChange(unit, { ...unit, stage: 'spent', sheet: { ...unit.sheet, isClosed: true } })]);
  },
};

/** Marks a step done. */
const advance = (unit: Unit, sheet: SheetState, stepId: string): Unit =>
  handOn({ ...unit, sheet: { ...sheet, doneStepIds: [...sheet.doneStepIds, stepId] } });

/** When nothing is left to do, the sheet is closed and the unit goes on. */
function handOn(unit: Unit & { readonly sheet: SheetState }): Unit {
  const { sheet } = unit;
  if (!sheet.stepIds.every((id) => sheet.doneStepIds.includes(id))) return unit;
  return { ...unit, stage: sheet.kind === 'teardown' ? 'spent' : 'prove', sheet: { ...sheet, isClosed: true } };
}

/** Makes the parts that came free. What is missing makes none; what is broken goes to scrap at once. */
function free(
  unit: Unit,
  model: Model,
  sheet: SheetState,
  step: SheetStep,
  reported: readonly FreedPart[],
): Outcome<readonly Change[]> {
  const expected = partsToTag(model, sheet, step).map(({ id }) => id);
  const refs = reported.map(({ partRef }) => partRef);
  if (expected.length !== refs.length || expected.some((id) => !refs.includes(id))) {
    return refuse('bad-input', { field: 'freed', says: `this step frees ${expected.join(', ') || 'nothing to tag'}` });
  }
  return accept(
    reported.filter(({ state }) => state !== 'missing').map((item) => partChange(null, freshPart(unit, model, item))),
  );
}

function freshPart(unit: Unit, model: Model, { partId, partRef, state, tag }: FreedPart): Part {
  const { category, interchange, data } = getModelPart(model, partRef);
  const isBroken = state === 'broken-by-us' || state === 'broken-before';
  return {
    id: partId,
    tag: tag ?? '…',
    partRef,
    modelId: model.id,
    category,
    interchange,
    unitId: unit.id,
    state,
    place: isBroken ? 'scrap' : 'grade',
    readings: {},
    grade: isBroken ? 'X' : null,
    limiting: isBroken ? (state === 'broken-by-us' ? 'broken by us' : 'broken before') : null,
    bin: null,
    assignedTo: null,
    isDataCleared: data !== true || unit.isWiped,
    version: 0,
    lastEventId: '',
  };
}

/** On the way back the assigned part takes the place of the one that came out. */
function fit(
  world: World,
  unit: Unit,
  step: SheetStep,
): Outcome<{ readonly unit: Unit; readonly parts: readonly Change[] }> {
  const slots = step.places.filter((slot) => unit.assigned[slot] !== undefined);
  const parts = slots.map((slot) => world.find('part', unit.assigned[slot] as string));
  if (parts.some((part) => part === undefined)) return refuse('not-found', { id: slots.join(', ') });
  const fitted = { ...unit.fitted, ...Object.fromEntries(slots.map((slot) => [slot, unit.assigned[slot] as string])) };
  const assigned = Object.fromEntries(Object.entries(unit.assigned).filter(([slot]) => !slots.includes(slot)));
  return accept({
    unit: { ...unit, fitted, assigned },
    parts: (parts as Part[]).map((part) => partChange(part, { ...part, place: 'fitted', bin: null })),
  });
}
