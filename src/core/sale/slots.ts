import type { Part, Unit } from '@/core/entities/entities';
import { capIn } from '@/core/findings/partHarm';
import { boundPartner } from '@/core/procedure/boundPartner';
import { getModelPart, slotsOf, type Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { DeviceTest, Finding, PartCategory } from '@/core/procedure/vocabulary';
import { worstGrade, type Grade } from '@/core/shared/grades';

/** The parts that a failed test points at first. */
export const suspects: Readonly<Record<DeviceTest, readonly PartCategory[]>> = {
  starts: ['board'],
  charges: ['battery', 'port'],
  picture: ['display'],
  touch: ['display'],
  keys: ['keys'],
  sound: ['speaker'],
  cameras: ['camera'],
  radios: ['board'],
  ports: ['port'],
  'account-lock': [],
  'firmware-lock': [],
  'gives-charge': ['port', 'board'],
  vibration: ['motor'],
  microphone: ['speaker'],
  'front-camera': ['camera'],
  sensors: ['sensor'],
  service: ['board'],
  scan: ['sensor'],
};

/** A part that nobody found fault with works and looks used. */
export const usualGrade = 'B';

/** What speaks against a unit's own part. */
export type SlotReason =
  | { readonly is: 'test-failed'; readonly test: DeviceTest }
  | { readonly is: 'found'; readonly finding: Finding }
  /** It works only together with a part that another takes the place of. */
  | { readonly is: 'bound'; readonly to: string };

/** A place of a unit that is to be built, what its own part is worth, and whether another one is needed. */
export interface SlotNeed {
  readonly part: ModelPart;
  readonly ownGrade: Grade;
  readonly isNeeded: boolean;
  readonly because: SlotReason | null;
}

export type SlotUnit = Pick<Unit, 'configuration' | 'tests' | 'marks'> & Partial<Pick<Unit, 'found'>>;

/** What every slot of a unit needs, judged from its tests and from what was found on it. */
export function slotNeeds(model: Model, unit: SlotUnit): readonly SlotNeed[] {
  const needs = slotsOf(model, unit.configuration).map((part): SlotNeed => {
    const test = (Object.keys(unit.tests) as DeviceTest[]).find(
      (entry) => unit.tests[entry] === 'fault' && suspects[entry].includes(part.category),
    );
    if (test) return { part, ownGrade: 'X', isNeeded: true, because: { is: 'test-failed', test } };
    const cap = capIn(model, part, unit);
    const ownGrade = worstGrade([usualGrade, ...(cap ? [cap.grade] : [])]);
    return {
      part,
      ownGrade,
      isNeeded: ownGrade === 'X',
      because: cap && ownGrade === cap.grade && ownGrade !== usualGrade ? { is: 'found', finding: cap.finding } : null,
    };
  });
  const bad = new Map(needs.filter(({ isNeeded }) => isNeeded).map(({ part }) => [part.id, part.name]));
  return needs.map((need) => {
    const partner = need.isNeeded ? null : boundPartner(model, need.part.id);
    const to = partner === null ? undefined : bad.get(partner);
    return to === undefined ? need : { ...need, ownGrade: 'X', isNeeded: true, because: { is: 'bound', to } };
  });
}

/** Parts of a unit that another must take the place of. */
export const neededParts = (model: Model, unit: SlotUnit): readonly ModelPart[] =>
  slotNeeds(model, unit).flatMap(({ part, isNeeded }) => (isNeeded ? [part] : []));

/** Whether a part may go into a slot: the same interchange class, graded, and no scrap. */
export function fitsSlot(model: Model, slot: string, part: Pick<Part, 'interchange' | 'grade'>): boolean {
  return getModelPart(model, slot).interchange === part.interchange && part.grade !== null && part.grade !== 'X';
}
