import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { getModelPart, type Model } from '@/core/procedure/model';
import { screwName } from '@/core/screws/screwGroups';
import { torqueState } from '@/core/screws/torqueState';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { Effects } from './effect';
import type { Part, PartTrouble, SheetState, Unit } from './entities';
import type { FreedPart } from './events';
import { advance, handOn, openSheet, stepAtHand, stepNow, type StepAtHand } from './openSheet';
import { keptOf, keptStep, rungNow } from './replanSheet';
import { partsToTag, sheetOf, stepEndedBy, troubleOf } from './sheetOf';
import { partChange, unitChange, type Change, type World } from './world';

/** One step of a run sheet: tried, waited for, done, passed over, judged; and what went wrong in it. */
export const stepEffects: Effects<
  | 'step-resisted'
  | 'step-done'
  | 'step-skipped'
  | 'wait-begun'
  | 'part-trouble'
  | 'screw-trouble'
  | 'torque-read'
  | 'reuse-judged'
  | 'gate-judged'
> = {
  'step-resisted': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, model, sheet } = opened.value;
    const step = stepNow(opened.value, event.payload.stepId);
    if (!step.ok) return step;
    // The ladder is one of opening: on the way back there is none.
    const operation =
      step.value.leg === 'out' ? model.operations.find(({ id }) => id === step.value.operationId) : undefined;
    const rungs = operation?.ladder?.rungs.length ?? 0;
    const before = rungNow(sheet, step.value.id);
    if (event.payload.rung !== before + 1 || event.payload.rung > rungs)
      return refuse('no-further-rung', { tag: unit.tag });
    return accept([
      unitChange(unit, { ...unit, sheet: { ...sheet, resistances: [...sheet.resistances, event.payload] } }),
    ]);
  },

  'step-done': (world, event) => {
    const found = stepAtHand(world, event);
    if (!found.ok) return found;
    const { unit, sheet, step, operation } = found.value;
    if (step.leg === 'gate') return refuse('gate-not-passed', { tag: unit.tag });
    const { endId } = event.payload;
    if (endId !== undefined && !(step.leg === 'out' && operation?.ends?.some(({ id }) => id === endId)))
      return refuse('bad-input', { field: 'endId', says: 'this step has no such end' });
    const [loose] = step.leg === 'back' ? torqueState(step.id, step.joints, sheet.torques).open : [];
    if (loose) return refuse('torque-open', { screw: screwName(loose.screw), reading: loose.reading ?? 0 });
    const placed = step.leg === 'back' ? fit(world, unit, step) : accept({ unit, parts: [] });
    if (!placed.ok) return placed;
    const freed = step.leg === 'out' ? free(found.value, event.payload.freed, endId) : accept([]);
    if (!freed.ok) return freed;
    const airedFrom = unit.timer?.stepId === step.id ? unit.timer.beganAt : event.at;
    const aired = step.leg === 'out' ? withSolvent(sheet, operation?.solvent?.ventilateMinutes, airedFrom) : sheet;
    const after =
      endId === undefined
        ? accept(advance(placed.value.unit, aired, step.id))
        : endOtherwise(found.value, aired, endId, placed.value.unit);
    if (!after.ok) return after;
    return accept([unitChange(unit, after.value), ...placed.value.parts, ...freed.value]);
  },

  'step-skipped': (world, event) => {
    const found = stepAtHand(world, event);
    if (!found.ok) return found;
    const { unit, model, sheet, step, steps } = found.value;
    const { because } = event.payload;
    const isProofOfOff = step === steps[0] && step.leg === 'out' && step.joints.length + step.frees.length === 0;
    // A gate is never passed over, nor the proof that it is off; what wanted parts need is only spared when it is so already.
    const isNeeded = because === 'not-needed' && step.joints.length + step.frees.length + step.places.length > 0;
    if (step.leg === 'gate' || isProofOfOff || isNeeded) return refuse('not-skipped', { tag: unit.tag });
    const gone = partsToTag(model, sheet, step).map(({ id }): PartTrouble => ({
      stepId: step.id,
      partRef: id,
      state: 'missing',
      defectCode: null,
    }));
    const skipped = {
      ...sheet,
      skipped: [...sheet.skipped, event.payload],
      partTroubles: [...sheet.partTroubles, ...gone],
    };
    return accept([unitChange(unit, advance(unit, skipped, step.id))]);
  },

  'wait-begun': (world, event) => {
    const found = stepAtHand(world, event);
    if (!found.ok) return found;
    const { unit, sheet, step, operation } = found.value;
    if (!step.wait) return refuse('step-not-next', { tag: unit.tag });
    if (unit.timer) return refuse('wait-running', { tag: unit.tag });
    const { fixture, place, minutes } = event.payload;
    if (fixture !== step.wait.fixture)
      return refuse('bad-input', { field: 'fixture', says: `this step waits on the ${step.wait.fixture}` });
    const other = world.findUnitOnFixture(fixture, place);
    // The bench itself is no fixture that could be taken.
    if (other && fixture !== 'bench') return refuse('fixture-taken', { fixture, place, tag: other.tag });
    const timer = { stepId: step.id, fixture, place, minutes, beganAt: event.at };
    const aired = step.leg === 'out' ? withSolvent(sheet, operation?.solvent?.ventilateMinutes, event.at) : sheet;
    return accept([unitChange(unit, { ...unit, timer, sheet: aired })]);
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
    const { unit, model, sheet } = opened.value;
    const step = stepNow(opened.value, event.payload.stepId);
    if (!step.ok) return step;
    const anew = { ...sheet, screwTroubles: [...sheet.screwTroubles, event.payload] };
    // On a rebuild it is owed on the way back, and so the sheet has a step more.
    const planned = sheetOf(model, unit, anew);
    if (!planned.ok) return planned;
    const stepIds = planned.value.steps.map(({ id }) => id);
    return accept([unitChange(unit, { ...unit, sheet: { ...anew, stepIds } })]);
  },

  'torque-read': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, sheet } = opened.value;
    const step = stepNow(opened.value, event.payload.stepId);
    if (!step.ok) return step;
    const { screws } = torqueState(step.value.id, step.value.joints, sheet.torques);
    if (step.value.leg !== 'back' || !screws.some(({ screw }) => screw.id === event.payload.jointId))
      return refuse('bad-input', { field: 'jointId', says: 'no screw of this step has a torque' });
    return accept([unitChange(unit, { ...unit, sheet: { ...sheet, torques: [...sheet.torques, event.payload] } })]);
  },

  'reuse-judged': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, model, sheet } = opened.value;
    const { stepId, partRef, isReused } = event.payload;
    const step = stepNow(opened.value, stepId);
    if (!step.ok) return step;
    const isAsked = step.value.frees.includes(partRef) && getModelPart(model, partRef).reusableIf !== undefined;
    if (!isAsked) return refuse('bad-input', { field: 'partRef', says: 'this step asks nothing about it' });
    const others = sheet.reused.filter((part) => part !== partRef);
    const reused = isReused ? [...others, partRef] : others;
    return accept([unitChange(unit, { ...unit, sheet: { ...sheet, reused } })]);
  },

  'gate-judged': (world, event) => {
    const found = stepAtHand(world, event);
    if (!found.ok) return found;
    const { unit, sheet, step } = found.value;
    if (step.leg !== 'gate') return refuse('step-not-next', { tag: unit.tag });
    // A failed gate is a fact in the log and leaves the sheet where it is: nothing after it may be done.
    const after = event.payload.hasPassed ? advance(unit, sheet, step.id) : unit;
    return accept([unitChange(unit, after)]);
  },
};

/** The sheet with its heat locked until the solvent is out of the air; a longer lock stays. */
function withSolvent(sheet: SheetState, ventilateMinutes: number | undefined, from: string): SheetState {
  if (ventilateMinutes === undefined) return sheet;
  const until = new Date(Date.parse(from) + ventilateMinutes * 60_000).toISOString();
  return sheet.heatLockedUntil !== null && sheet.heatLockedUntil >= until
    ? sheet
    : { ...sheet, heatLockedUntil: until };
}

/** The step is done, and because it ended otherwise than usual the rest is planned anew from there. */
function endOtherwise(
  { model, sheet, steps, step }: StepAtHand,
  aired: SheetState,
  end: string,
  unit: Unit,
): Outcome<Unit> {
  const anew = {
    ...aired,
    doneStepIds: [...sheet.doneStepIds, step.id],
    kept: [...keptOf(steps, sheet), { ...keptStep(step), end }],
  };
  const planned = sheetOf(model, unit, anew);
  if (!planned.ok) return planned;
  return accept(handOn({ ...unit, timer: null, sheet: { ...anew, stepIds: planned.value.steps.map(({ id }) => id) } }));
}

/** Makes the parts that came free. What is missing makes none; what is broken goes to scrap at once. */
function free(
  { unit, model, sheet, step, operation }: StepAtHand,
  reported: readonly FreedPart[],
  endId: string | undefined,
): Outcome<readonly Change[]> {
  const expected = partsToTag(model, sheet, stepEndedBy(step, operation, endId)).map(({ id }) => id);
  const refs = reported.map(({ partRef }) => partRef);
  if (expected.length !== refs.length || expected.some((id) => !refs.includes(id))) {
    return refuse('bad-input', { field: 'freed', says: `this step frees ${expected.join(', ') || 'nothing to tag'}` });
  }
  return accept(
    reported
      .filter(({ state }) => state !== 'missing')
      .map((item) => partChange(null, freshPart(unit, model, sheet, item))),
  );
}

function freshPart(unit: Unit, model: Model, sheet: SheetState, { partId, partRef, state, tag }: FreedPart): Part {
  const { category, interchange, data } = getModelPart(model, partRef);
  const isBroken = state === 'broken-by-us' || state === 'broken-before';
  const trouble = troubleOf(sheet, partRef);
  // A cell that swelled or was bent goes to the fire-safe place, whatever else it looks like.
  const isHazard =
    category === 'battery' && (sheet.findings.includes('swelling') || trouble?.defectCode === 'cell-bent');
  const limiting = isHazard
    ? 'hazard'
    : isBroken
      ? state === 'broken-by-us'
        ? 'broken by us'
        : 'broken before'
      : null;
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
    readings: {},
    grade: limiting === null ? null : 'X',
    limiting,
    bin: null,
    assignedTo: null,
    isDataCleared: data !== true || unit.isWiped,
    findings: sheet.findings,
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
