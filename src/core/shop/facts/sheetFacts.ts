import { accept, refuse } from '@/core/shared/outcome';
import type { Replanning, SheetState } from '@/core/entities/entities';
import { kindsFound, withFindings } from '@/core/findings/mark';
import { findingRules } from '@/core/findings/rules';
import type { Finding } from '@/core/procedure/vocabulary';
import { broughtBy } from '@/core/sheet/brought';
import { freshSheet } from '@/core/sheet/freshSheet';
import { handOn, openSheet } from '../openSheet';
import { keptOf } from '@/core/sheet/replanSheet';
import { sheetOf } from '@/core/sheet/sheetOf';
import { sheetKindAt } from '@/core/sheet/sheetSteps';
import { rulesBy } from '../rulesBy';
import { modelOf, unitIn } from '../findUnit';
import { sheetRulesOf, type ScrewKeeping } from '@/core/shared/houseRules';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import { define, on, type Nothing } from '../define';
import { unitChange } from '../world';

/** Run sheet as a whole: begun, planned anew, cleared of a hazard, and closed. */
export const sheetFacts = {
  'sheet-started': define<{
    readonly kind: SheetKind;
    readonly targets: readonly string[];
    readonly keeping: ScrewKeeping;
  }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    usesRules: true,
    effect: on(unitIn('teardown', 'rebuild'), (unit, fact, world) => {
      const { kind, targets, keeping } = fact.payload;
      if (kind !== sheetKindAt(unit.stage)) return refuse('wrong-stage', { tag: unit.tag, stage: unit.stage });
      if (unit.sheet && !unit.sheet.isClosed && unit.sheet.doneStepIds.length > 0)
        return refuse('sheet-open', { tag: unit.tag });
      // Data first: in pieces it cannot be wiped any more.
      if (kind === 'teardown' && unit.tests.starts === 'sound' && !unit.isWiped)
        return refuse('not-wiped', { tag: unit.tag });
      const model = modelOf(world, unit);
      if (!model.ok) return model;
      const by = rulesBy(world, fact);
      if (!by.ok) return by;
      const findings = kindsFound(unit);
      const rules = sheetRulesOf(by.value);
      const brought = kind === 'rebuild' ? broughtBy(model.value, unit.assigned, (id) => world.find('part', id)) : [];
      const planned = sheetOf(model.value, unit, { kind, targets, findings, keeping, rules, brought });
      if (!planned.ok) return planned;
      const sheet: SheetState = {
        ...freshSheet,
        kind,
        targets,
        findings,
        stepIds: planned.value.steps.map(({ id }) => id),
        keeping,
        rules,
        ...(brought.length > 0 && { brought }),
        // What is dangerous stops the work before it begins.
        isHalted: findings.some(halts),
      };
      return accept([unitChange(unit, { ...unit, sheet, timer: null })]);
    }),
  }),

  /** The sheet from here on, planned anew: what is wanted now, all that was found, and what cannot be done. */
  'sheet-replanned': define<Replanning>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(openSheet, ({ unit, model, sheet, steps }, fact) => {
      const { targets, findings, barred, again } = fact.payload;
      const isNewHazard = findings.some((finding) => halts(finding) && !sheet.findings.includes(finding));
      const isHalted = sheet.isHalted || isNewHazard;
      const anew = { ...sheet, targets, findings, barred, again, isHalted, kept: keptOf(steps, sheet) };
      const planned = sheetOf(model, unit, anew);
      if (!planned.ok) return planned;
      const stepIds = planned.value.steps.map(({ id }) => id);
      // It stays with the unit when this sheet is over.
      const { found } = withFindings(unit, [...new Set([...kindsFound(unit), ...findings])]);
      const timer = unit.timer && stepIds.includes(unit.timer.stepId) ? unit.timer : null;
      return accept([unitChange(unit, handOn({ ...unit, found, timer, sheet: { ...anew, stepIds } }))]);
    }),
  }),

  /** An authorised person says that work on the unit may go on. */
  'hazard-cleared': define<Nothing>({
    subject: 'unit',
    saidBy: 'lead',
    isPosted: true,
    effect: on(openSheet, ({ unit, sheet }) => {
      return accept([unitChange(unit, { ...unit, sheet: { ...sheet, isHalted: false } })]);
    }),
  }),

  'note-written': define<{ readonly stepId: string | null; readonly text: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: (world, fact) => {
      const unit = world.find('unit', fact.subjectId);
      return unit ? accept([unitChange(unit, unit)]) : refuse('not-found', { id: fact.subjectId });
    },
  }),

  'sheet-closed': define<{ readonly because: string }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('teardown'), (unit) => {
      if (!unit.sheet) return refuse('step-not-next', { tag: unit.tag });
      return accept([
        unitChange(unit, { ...unit, stage: 'spent', timer: null, sheet: { ...unit.sheet, isClosed: true } }),
      ]);
    }),
  }),
};

function halts(finding: Finding): boolean {
  return findingRules[finding].haltsSheet;
}
