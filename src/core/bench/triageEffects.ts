import { lockTests } from '@/core/procedure/vocabulary';
import { accept, refuse } from '@/core/shared/outcome';
import { apartRules } from './apart';
import type { Effects } from './effect';
import type { Mark, Unit } from './entities';
import type { Disposition, UnitStage } from './stages';
import { modelOf, unitAt } from './unitAt';
import { unitChange } from './world';

const nextStage: Record<Disposition, UnitStage> = {
  build: 'match',
  donor: 'teardown',
  'as-is': 'prove',
  recycle: 'recycled',
  quarantine: 'kept-apart',
};

const deepestMm = 9;

/** Every lock that was found is gone; what was not tested stays so. */
const withoutLocks = (tests: Unit['tests']): Unit['tests'] => ({
  ...tests,
  ...Object.fromEntries(lockTests.filter((test) => tests[test] === 'fault').map((test) => [test, 'sound' as const])),
});

/** A dent that is marked again where it is gets a millimetre deeper; any other mark stands beside the rest. */
function withMark(marks: readonly Mark[], { kind, face, field }: Mark): readonly Mark[] {
  const plain = { kind, face, field };
  if (kind !== 'dent') return [...marks, plain];
  const before = marks.find((mark) => mark.kind === kind && mark.face === face && mark.field === field);
  const depthMm = Math.min(deepestMm, (before?.depthMm ?? 0) + 1);
  return [...marks.filter((mark) => mark !== before), { ...plain, depthMm }];
}

/** Triage: what the unit is, what is wrong with it, and what it is good for. */
export const triageEffects: Effects<
  | 'unit-identified'
  | 'mark-placed'
  | 'photo-taken'
  | 'test-noted'
  | 'wipe-recorded'
  | 'unit-decided'
  | 'unit-set-apart'
  | 'unit-let-go'
> = {
  'unit-identified': (world, event) => {
    const found = unitAt(world, event, 'triage');
    if (!found.ok) return found;
    const { payload } = event;
    if (!world.findModel(payload.modelId, payload.modelVersion))
      return refuse('unknown-model', { model: payload.modelId });
    const twin = payload.serial === '' ? undefined : world.findUnitBySerial(payload.serial);
    if (twin && twin.id !== found.value.id) return refuse('serial-known', { serial: payload.serial, tag: twin.tag });
    return accept([unitChange(found.value, { ...found.value, ...payload, serial: payload.serial || null })]);
  },

  'mark-placed': (world, event) => {
    const found = unitAt(world, event, 'triage');
    if (!found.ok) return found;
    const { marks } = found.value;
    return accept([unitChange(found.value, { ...found.value, marks: withMark(marks, event.payload.mark) })]);
  },

  'photo-taken': (world, event) => {
    const found = unitAt(world, event, 'triage', 'kept-apart');
    if (!found.ok) return found;
    const { photos } = found.value;
    return accept([unitChange(found.value, { ...found.value, photos: [...photos, event.payload.photo] })]);
  },

  'test-noted': (world, event) => {
    const found = unitAt(world, event, 'triage');
    if (!found.ok) return found;
    const tests = { ...found.value.tests, [event.payload.test]: event.payload.result };
    return accept([unitChange(found.value, { ...found.value, tests })]);
  },

  'wipe-recorded': (world, event) => {
    const found = unitAt(world, event, 'triage', 'teardown', 'match', 'rebuild', 'prove');
    if (!found.ok) return found;
    return accept([unitChange(found.value, { ...found.value, isWiped: true })]);
  },

  'unit-set-apart': (world, event) => {
    const found = unitAt(world, event, 'teardown', 'rebuild', 'prove');
    if (!found.ok) return found;
    const { place } = event.payload;
    const apart = { stage: 'kept-apart', disposition: 'quarantine', apartPlace: place, timer: null } as const;
    return accept([unitChange(found.value, { ...found.value, ...apart })]);
  },

  'unit-let-go': (world, event) => {
    const found = unitAt(world, event, 'kept-apart');
    if (!found.ok) return found;
    const unit = found.value;
    const { because } = event.payload;
    const place = unit.apartPlace ?? 'ownership';
    if (!apartRules[place].letsGo.includes(because)) return refuse('not-let-go', { tag: unit.tag, place });
    if (because === 'disposed')
      return accept([unitChange(unit, { ...unit, stage: 'recycled', disposition: 'recycle', apartPlace: null })]);
    const settled = {
      // What was the matter is over, so that it is not proposed to keep it apart again for it.
      sheet: unit.sheet && because === 'made-safe' ? { ...unit.sheet, isHalted: false } : unit.sheet,
      marks: because === 'made-safe' ? unit.marks.filter(({ kind }) => kind !== 'swelling') : unit.marks,
      isOwnershipSettled: unit.isOwnershipSettled || because === 'owner-agrees',
      tests: because === 'lock-removed' ? withoutLocks(unit.tests) : unit.tests,
    };
    return accept([unitChange(unit, { ...unit, ...settled, stage: 'triage', disposition: null, apartPlace: null })]);
  },

  'unit-decided': (world, event) => {
    const found = unitAt(world, event, 'triage');
    if (!found.ok) return found;
    const unit = found.value;
    const { disposition, apartPlace } = event.payload;
    if (disposition !== 'quarantine') {
      const model = modelOf(world, unit);
      if (!model.ok) return model;
      // A lock is a question of ownership: whatever the unit is worth, it is kept apart.
      if (lockTests.some((test) => unit.tests[test] === 'fault')) return refuse('account-locked', { tag: unit.tag });
      if (unit.serial && !unit.isOwnershipSettled && world.isReportedLost(unit.serial))
        return refuse('reported-lost', { tag: unit.tag, serial: unit.serial });
    }
    const place = disposition === 'quarantine' ? (apartPlace ?? 'ownership') : null;
    return accept([unitChange(unit, { ...unit, disposition, apartPlace: place, stage: nextStage[disposition] })]);
  },
};
