import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { getModelPart } from '@/core/procedure/model';
import { screwName } from '@/core/procedure/drives';
import { torqueState } from '@/core/screws/torqueState';
import type {
  FreedPart,
  PartTrouble,
  Resistance,
  ScrewTrouble,
  SheetState,
  Skipped,
  Unit,
} from '@/core/entities/entities';
import type { TorqueReading } from '@/core/screws/torqueState';
import { isScrew } from '@/core/procedure/joints';
import type { BitUse } from '@/core/screws/bitWear';
import { define, on } from '../define';
import {
  lockedMinutes,
  advance,
  handOn,
  openSheet,
  stepAtHand,
  stepSpokenOf,
  stepToSkip,
  type StepAtHand,
} from '../openSheet';
import { fit, free, isThere, tagsOfNewParts, takenOff, withCarried, withTags } from '../stepParts';
import { keptOf, keptStep } from '@/core/sheet/replanSheet';
import { rungNow } from '@/core/sheet/rungNow';
import { nextRoundOf, rechecks } from '@/core/sheet/recheck';
import { sheetOf } from '@/core/sheet/sheetOf';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
import { partsToTag } from '@/core/sheet/sheetSteps';
import { rulesBy } from '../rulesBy';
import { unitChange } from '../world';
import { message } from '@/core/shared/message';

/** One step of a run sheet: tried, waited for, done, passed over, judged; and what went wrong in it. */
export const stepFacts = {
  'step-resisted': define<Resistance>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(stepSpokenOf, ({ unit, sheet, step, operation }, fact, world) => {
      // The ladder is one of opening: on the way back there is none.
      const rungs = step.leg === 'out' ? (operation?.ladder?.rungs ?? []) : [];
      const before = rungNow(sheet, step.id);
      const rung = rungs[before];
      const noted = [...sheet.resistances, fact.payload];
      if (fact.payload.isHandedOver)
        return fact.payload.rung === before
          ? accept([unitChange(unit, { ...unit, sheet: { ...sheet, resistances: noted } })])
          : refuse('no-further-rung', { tag: unit.tag });
      if (fact.payload.rung !== before + 1 || !rung) return refuse('no-further-rung', { tag: unit.tag });
      const locked = rung.heat ? lockedMinutes(sheet, fact.at) : 0;
      if (locked > 0 && !world.isPast) return refuse('heat-locked', { tag: unit.tag, minutes: locked });
      // A rung that brings solvent to the seam locks the heat as a step does that begins with it.
      const aired = withSolvent(sheet, rung.solvent?.ventilateMinutes, fact.at);
      return accept([unitChange(unit, { ...unit, sheet: { ...aired, resistances: noted } })]);
    }),
  }),

  'step-done': define<{
    readonly stepId: string;
    /** Worked on it, without breaks. */
    readonly seconds: number;
    readonly freed: readonly FreedPart[];
    /** Which of the ways in which the operation can end it was, when it was not the usual one. */
    readonly endId?: string;
    /** Breaks in between. */
    readonly awaySeconds?: number;
    /** Nobody said whether a long stretch was work or break: it took at least `seconds`, and perhaps longer. */
    readonly isCensored?: boolean;
    /** Screws turned, by bit; noted by the server. */
    readonly bits?: readonly BitUse[];
  }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    // What comes off an assembly that is out already is no longer on it.
    involves: ({ stepId }) => ({ needsOwnParts: ['out', 'move'].includes(readStepId(stepId).leg) }),
    tagsNeeded: ({ freed }) => ({ unit: 0, part: freed.filter(isThere).length }),
    completed: (payload, { partTags, changes, bits }) => ({
      ...payload,
      ...(bits.length > 0 && { bits }),
      freed: withCarried(withTags(payload.freed, partTags), changes),
    }),
    printsLabels: tagsOfNewParts,
    effect: on(stepAtHand, (found, fact, world) => {
      const { unit, sheet, step, operation } = found;
      if (step.leg === 'gate') return refuse('gate-not-passed', { tag: unit.tag });
      const { endId } = fact.payload;
      if (endId !== undefined && !(step.leg === 'out' && operation?.ends?.some(({ id }) => id === endId)))
        return refuse('bad-input', { field: 'endId', says: message('refusals.thisStepHasNoSuch') });
      const [loose] = step.leg === 'back' ? torqueState(step.id, step.joints, sheet.torques).open : [];
      if (loose) return refuse('torque-open', { screw: screwName(loose.screw), reading: loose.reading ?? 0 });
      const placed = step.leg === 'back' ? fit(world, unit, step) : accept({ unit, parts: [] });
      if (!placed.ok) return placed;
      const freed = step.leg === 'out' ? free(world, found, fact.payload.freed, endId) : accept([]);
      if (!freed.ok) return freed;
      const airedFrom = unit.timer?.stepId === step.id ? unit.timer.beganAt : fact.at;
      const aired = withSolvent(sheet, step.hands?.solvent?.ventilateMinutes, airedFrom);
      const after =
        endId === undefined
          ? accept(advance(placed.value.unit, aired, step.id))
          : endOtherwise(found, aired, endId, placed.value.unit);
      if (!after.ok) return after;
      return accept([
        unitChange(unit, after.value),
        ...placed.value.parts,
        ...freed.value,
        ...takenOff(world, unit, step, endId, operation),
      ]);
    }),
  }),

  'step-skipped': define<Skipped>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(stepToSkip, ({ unit, model, sheet, step, steps }, fact) => {
      const { because } = fact.payload;
      const isProofOfOff = step === steps[0] && step.leg === 'out' && step.joints.length + step.frees.length === 0;
      // A gate is never passed over, nor the proof that it is off; what wanted parts need is only spared when it is so already.
      const isNeeded = because === 'not-needed' && step.joints.length + step.frees.length + step.places.length > 0;
      const isMoved = step.leg === 'move';
      if (step.leg === 'gate' || isProofOfOff || (isNeeded && !isMoved))
        return refuse('not-skipped', { tag: unit.tag });
      const gone = partsToTag(model, sheet, step).map(({ id }): PartTrouble => ({
        stepId: step.id,
        partRef: id,
        state: 'missing',
        defectCode: null,
      }));
      const skipped = {
        ...sheet,
        skipped: [...sheet.skipped, fact.payload],
        partTroubles: [...sheet.partTroubles, ...gone],
      };
      return accept([unitChange(unit, advance(unit, skipped, step.id))]);
    }),
  }),

  /** What is attended of a step is done, and it waits on a fixture. */
  'wait-begun': define<{
    readonly stepId: string;
    readonly fixture: string;
    readonly place: number;
    readonly minutes: number;
  }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    usesRules: true,
    involves: () => ({ needsTimers: true }),
    effect: on(stepAtHand, ({ unit, sheet, step }, fact, world) => {
      if (!step.wait) return refuse('step-not-next', { tag: unit.tag });
      if (unit.timer) return refuse('wait-running', { tag: unit.tag });
      const { fixture, place, minutes } = fact.payload;
      if (fixture !== step.wait.fixture)
        return refuse('bad-input', {
          field: 'fixture',
          says: message('refusals.thisStepWaitsOnThe', { fixture: step.wait.fixture }),
        });
      const other = world.findUnitOnFixture(fixture, place);
      // The bench itself is no fixture that could be taken.
      if (other && fixture !== 'bench') return refuse('fixture-taken', { fixture, place, tag: other.tag });
      const by = rulesBy(world, fact);
      if (!by.ok) return by;
      const count = (by.value.fixtures as Readonly<Record<string, number | null>>)[fixture] ?? null;
      if (count !== null && place > count) return refuse('fixture-full', { fixture, count });
      const timer = { stepId: step.id, fixture, place, minutes, beganAt: fact.at };
      const aired = withSolvent(sheet, step.hands?.solvent?.ventilateMinutes, fact.at);
      return accept([unitChange(unit, { ...unit, timer, sheet: aired })]);
    }),
  }),

  'part-trouble': define<PartTrouble>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(stepSpokenOf, ({ unit, sheet }, fact) => {
      return accept([
        unitChange(unit, { ...unit, sheet: { ...sheet, partTroubles: [...sheet.partTroubles, fact.payload] } }),
      ]);
    }),
  }),

  'screw-trouble': define<ScrewTrouble & { readonly bits?: readonly BitUse[] }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    completed: (payload, { bits }) => (bits.length > 0 ? { ...payload, bits } : payload),
    effect: on(stepSpokenOf, ({ unit, model, sheet }, { payload: { stepId, kind, count } }) => {
      const anew = { ...sheet, screwTroubles: [...sheet.screwTroubles, { stepId, kind, count }] };
      // On a rebuild it is owed on the way back, and so the sheet has a step more.
      const planned = sheetOf(model, unit, anew);
      if (!planned.ok) return planned;
      const stepIds = planned.value.steps.map(({ id }) => id);
      return accept([unitChange(unit, { ...unit, sheet: { ...anew, stepIds } })]);
    }),
  }),

  /** A new bit of this drive at this bench: its screws are counted from here on. */
  'bit-renewed': define<{ readonly drive: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(openSheet, ({ unit, model }, { payload: { drive } }) => {
      const isOfModel = model.joints.some((joint) => isScrew(joint) && joint.drive === drive);
      if (!isOfModel) return refuse('bad-input', { field: 'drive', says: message('refusals.noScrewOfThisDrive') });
      return accept([unitChange(unit, unit)]);
    }),
  }),

  /** What the driver read at a screw on the way back; `isKept` when it is outside its limits and stays so. */
  'torque-read': define<TorqueReading>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(stepSpokenOf, ({ unit, sheet, step }, fact) => {
      const { screws } = torqueState(step.id, step.joints, sheet.torques);
      if (step.leg !== 'back' || !screws.some(({ screw }) => screw.id === fact.payload.jointId))
        return refuse('bad-input', { field: 'jointId', says: message('refusals.noScrewOfThisStep') });
      return accept([unitChange(unit, { ...unit, sheet: { ...sheet, torques: [...sheet.torques, fact.payload] } })]);
    }),
  }),

  /** Whether a part that is renewed as a rule came off so that it can be used again. */
  'reuse-judged': define<{ readonly stepId: string; readonly partRef: string; readonly isReused: boolean }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(stepSpokenOf, ({ unit, model, sheet, step }, fact) => {
      const { partRef, isReused } = fact.payload;
      const isAsked = step.frees.includes(partRef) && getModelPart(model, partRef).reusableIf !== undefined;
      if (!isAsked)
        return refuse('bad-input', { field: 'partRef', says: message('refusals.thisStepAsksNothingAbout') });
      const others = sheet.reused.filter((part) => part !== partRef);
      const reused = isReused ? [...others, partRef] : others;
      return accept([unitChange(unit, { ...unit, sheet: { ...sheet, reused } })]);
    }),
  }),

  /** A gate passed, or not; then perhaps with the operation that is taken out again to look for the fault. */
  'gate-judged': define<{ readonly stepId: string; readonly hasPassed: boolean; readonly redo?: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(stepAtHand, (found, fact) => {
      const { unit, sheet, step } = found;
      const { hasPassed, redo } = fact.payload;
      if (step.leg !== 'gate') return refuse('step-not-next', { tag: unit.tag });
      if (hasPassed) return accept([unitChange(unit, advance(unit, sheet, step.id))]);
      // Noted only, it is a fact in the log and leaves the sheet where it is: nothing after it may be done.
      if (redo === undefined) return accept([unitChange(unit, unit)]);
      const after = lookAgain(found, redo);
      return after.ok ? accept([unitChange(unit, after.value)]) : after;
    }),
  }),
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

/** The sheet goes back to what made the fault, if that is on the path of the gate, and comes to the gate again. */
function lookAgain({ unit, model, sheet, steps, step }: StepAtHand, operationId: string): Outcome<Unit> {
  if (!rechecks(model, steps, sheet.doneStepIds, step).some((one) => one.operationId === operationId))
    return refuse('bad-input', { field: 'redo', says: message('refusals.notOnPathOfGate') });
  const anew = {
    ...sheet,
    redo: [...(sheet.redo ?? []), nextRoundOf(sheet.doneStepIds, operationId)],
    kept: keptOf(steps, sheet),
  };
  const planned = sheetOf(model, unit, anew);
  if (!planned.ok) return planned;
  return accept({ ...unit, sheet: { ...anew, stepIds: planned.value.steps.map(({ id }) => id) } });
}
