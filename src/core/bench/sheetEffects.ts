import { accept, refuse } from '@/core/shared/outcome';
import type { Effects } from './effect';
import type { SheetState } from './entities';
import { freshSheet } from './freshSheet';
import { handOn, openSheet } from './openSheet';
import { keptOf } from './replanSheet';
import { sheetKindAt, sheetOf } from './sheetOf';
import { modelOf, unitAt } from './unitAt';
import { unitChange } from './world';

/** Run sheet as a whole: begun, planned anew, cleared of a hazard, and closed. */
export const sheetEffects: Effects<
  'sheet-started' | 'sheet-replanned' | 'hazard-cleared' | 'note-written' | 'sheet-closed'
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
      ...freshSheet,
      kind,
      targets,
      findings,
      stepIds: planned.value.steps.map(({ id }) => id),
      keeping,
      // A cell that was seen to be swollen stops the work before it begins.
      isHalted: findings.includes('swelling'),
    };
    return accept([unitChange(unit, { ...unit, sheet, timer: null })]);
  },

  'sheet-replanned': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, model, sheet, steps } = opened.value;
    const { targets, findings, barred, again } = event.payload;
    const isNewHazard = findings.includes('swelling') && !sheet.findings.includes('swelling');
    const isHalted = sheet.isHalted || isNewHazard;
    const anew = { ...sheet, targets, findings, barred, again, isHalted, kept: keptOf(steps, sheet) };
    const planned = sheetOf(model, unit, anew);
    if (!planned.ok) return planned;
    const stepIds = planned.value.steps.map(({ id }) => id);
    const timer = unit.timer && stepIds.includes(unit.timer.stepId) ? unit.timer : null;
    return accept([unitChange(unit, handOn({ ...unit, timer, sheet: { ...anew, stepIds } }))]);
  },

  'hazard-cleared': (world, event) => {
    const opened = openSheet(world, event);
    if (!opened.ok) return opened;
    const { unit, sheet } = opened.value;
    return accept([unitChange(unit, { ...unit, sheet: { ...sheet, isHalted: false } })]);
  },

  'note-written': (world, event) => {
    const unit = world.find('unit', event.subjectId);
    return unit ? accept([unitChange(unit, unit)]) : refuse('not-found', { id: event.subjectId });
  },

  'sheet-closed': (world, event) => {
    const found = unitAt(world, event, 'teardown');
    if (!found.ok) return found;
    const unit = found.value;
    if (!unit.sheet) return refuse('step-not-next', { tag: unit.tag });
    return accept([
      unitChange(unit, { ...unit, stage: 'spent', timer: null, sheet: { ...unit.sheet, isClosed: true } }),
    ]);
  },
};
