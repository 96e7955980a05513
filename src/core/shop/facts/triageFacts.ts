import { lockTests } from '@/core/procedure/vocabulary';
import { accept, refuse } from '@/core/shared/outcome';
import { settledBy } from '@/core/findings/standing';
import { dentDepthMm, findingRules } from '@/core/findings/rules';
import { apartRules, placeApart } from '../apart';
import { refuseForbidden } from '../refuseForbidden';
import type { Mark } from '@/core/findings/mark';
import type { Unit, UnitPhoto, Weighed } from '@/core/entities/entities';
import { mostPhotosOfUnit } from '@/core/entities/mostPhotos';
import type { ApartPlace, Disposition, LetGoCause, UnitStage, WipeMethod } from '@/core/entities/stages';
import { modelOf, unitIn } from '../findUnit';
import type { NotedTest } from './notedTest';
import { define, on } from '../define';
import { unitChange, type Change } from '../world';

const nextStage: Record<Disposition, UnitStage> = {
  build: 'match',
  donor: 'teardown',
  'as-is': 'prove',
  recycle: 'recycled',
  quarantine: 'kept-apart',
};

/** Every lock that was found is gone; what was not tested stays so. */
const withoutLocks = (tests: Unit['tests']): Unit['tests'] => ({
  ...tests,
  ...Object.fromEntries(lockTests.filter((test) => tests[test] === 'fault').map((test) => [test, 'sound' as const])),
});

/** A dent that is marked again where it is gets a millimetre deeper; any other mark stands beside the rest. */
function withMark(marks: readonly Mark[], { kind, face, field }: Mark): readonly Mark[] {
  const plain = { kind, face, field };
  if (findingRules[kind].deep === null) return [...marks, plain];
  const before = marks.find((mark) => mark.kind === kind && mark.face === face && mark.field === field);
  const depthMm = Math.min(dentDepthMm.deepest, (before?.depthMm ?? 0) + dentDepthMm.perMark);
  return [...marks.filter((mark) => mark !== before), { ...plain, depthMm }];
}

/** Triage: what the unit is, what is wrong with it, and what it is good for. */
export const triageFacts = {
  'unit-identified': define<{
    readonly modelId: string;
    readonly modelVersion: number;
    readonly revision: string;
    readonly configuration: string;
    readonly variant: string;
    readonly serial: string;
  }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    involves: ({ serial, modelId, modelVersion }) => ({ serial, model: { modelId, modelVersion } }),
    effect: on(unitIn('triage'), (unit, fact, world) => {
      const { payload } = fact;
      if (!world.findModel(payload.modelId, payload.modelVersion))
        return refuse('unknown-model', { model: payload.modelId });
      const twin = payload.serial === '' ? undefined : world.findUnitBySerial(payload.serial);
      if (twin && twin.id !== unit.id) return refuse('serial-known', { serial: payload.serial, tag: twin.tag });
      return accept([unitChange(unit, { ...unit, ...payload, serial: payload.serial || null })]);
    }),
  }),

  'mark-placed': define<{ readonly mark: Mark }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('triage'), (unit, { payload: { mark } }) =>
      accept([unitChange(unit, { ...unit, marks: withMark(unit.marks, mark) })]),
    ),
  }),

  'photo-taken': define<{ readonly photo: UnitPhoto }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('triage', 'kept-apart', 'teardown', 'rebuild', 'prove'), (unit, { payload: { photo } }) =>
      unit.photos.length >= mostPhotosOfUnit
        ? refuse('pictures-full', { tag: unit.tag, most: mostPhotosOfUnit })
        : accept([unitChange(unit, { ...unit, photos: [...unit.photos, photo] })]),
    ),
  }),

  'test-noted': define<NotedTest>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('triage'), (unit, { payload: { test, result } }) =>
      accept([unitChange(unit, { ...unit, tests: { ...unit.tests, [test]: result } })]),
    ),
  }),

  'wipe-recorded': define<{ readonly method: WipeMethod }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('triage', 'teardown', 'match', 'rebuild', 'prove'), (unit, fact, world) => {
      // Only what is switched on is erased: storage may be destroyed whatever was found.
      const forbidden = fact.payload.method === 'storage-destroyed' ? null : refuseForbidden(world, unit, 'wipe');
      return forbidden ?? accept([unitChange(unit, { ...unit, isWiped: true })]);
    }),
  }),

  /** At the bench something is too dangerous to go on with: the whole unit goes to the fire-safe place. */
  'unit-set-apart': define<{ readonly place: Extract<ApartPlace, 'hazard'> }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    effect: on(unitIn('teardown', 'rebuild', 'prove'), (unit, fact) => {
      const { place } = fact.payload;
      const apart = { stage: 'kept-apart', disposition: 'quarantine', apartPlace: place, timer: null } as const;
      return accept([unitChange(unit, { ...unit, ...apart })]);
    }),
  }),

  /** A unit that was kept apart leaves its place: back to triage, or for good. */
  'unit-let-go': define<{ readonly because: LetGoCause }>({
    subject: 'unit',
    saidBy: 'lead',
    isPosted: true,
    effect: on(unitIn('kept-apart'), (unit, fact) => {
      const { because } = fact.payload;
      const place = unit.apartPlace ?? 'ownership';
      if (!apartRules[place].letsGo.includes(because)) return refuse('not-let-go', { tag: unit.tag, place });
      if (because === 'disposed')
        return accept([unitChange(unit, { ...unit, stage: 'recycled', disposition: 'recycle', apartPlace: null })]);
      const settled = {
        // What was the matter is over, so that it is not proposed to keep it apart again for it.
        sheet: unit.sheet && because === 'made-safe' ? { ...unit.sheet, isHalted: false } : unit.sheet,
        ...settledBy(unit, because),
        isOwnershipSettled: unit.isOwnershipSettled || because === 'owner-agrees',
        tests: because === 'lock-removed' ? withoutLocks(unit.tests) : unit.tests,
      };
      return accept([unitChange(unit, { ...unit, ...settled, stage: 'triage', disposition: null, apartPlace: null })]);
    }),
  }),

  'unit-decided': define<{
    readonly disposition: Disposition;
    readonly proposed: Disposition;
    readonly apartPlace: ApartPlace | null;
    /** What each choice was expected to bring, so that the proposal can be held to it. */
    readonly weighed?: readonly Weighed[];
  }>({
    subject: 'unit',
    saidBy: 'technician',
    isPosted: true,
    usesRules: true,
    involves: () => ({ needsLostReports: true }),
    printsLabels: tagsOfUnits,
    effect: on(unitIn('triage'), (unit, fact, world) => {
      const { disposition, apartPlace } = fact.payload;
      if (disposition !== 'quarantine') {
        const model = modelOf(world, unit);
        if (!model.ok) return model;
        // A lock is a question of ownership: whatever the unit is worth, it is kept apart.
        if (lockTests.some((test) => unit.tests[test] === 'fault')) return refuse('account-locked', { tag: unit.tag });
        if (unit.serial && !unit.isOwnershipSettled && world.isReportedLost(unit.serial))
          return refuse('reported-lost', { tag: unit.tag, serial: unit.serial });
      }
      const forbidden = disposition === 'as-is' ? refuseForbidden(world, unit, 'sell-as-is') : null;
      if (forbidden) return forbidden;
      const place = disposition === 'quarantine' ? placeApart(unit, apartPlace) : null;
      return accept([unitChange(unit, { ...unit, disposition, apartPlace: place, stage: nextStage[disposition] })]);
    }),
  }),
};

function tagsOfUnits(changes: readonly Change[]): readonly string[] {
  return changes.flatMap((change) => (change.kind === 'unit' && change.after ? [change.after.tag] : []));
}
