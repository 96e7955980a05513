import { getModelPart, slotsOf, type Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { DeviceTest, Finding, PartCategory } from '@/core/procedure/vocabulary';
import type { Grade } from '@/core/shared/grades';
import type { Mark, Part, Unit } from './entities';

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
};

/** What a mark does to the parts under it: X asks for another part, the rest only lowers the look. */
const harms: Readonly<Partial<Record<Finding, Readonly<Partial<Record<PartCategory, Grade>>>>>> = {
  crack: { display: 'X' },
  dent: { housing: 'C' },
  swelling: { battery: 'X' },
  liquid: { board: 'C' },
};

/** A dent this deep leaves a housing that only sells as worn. */
const deepDentMm = 3;

const harmOf = ({ kind, depthMm = 1 }: Mark, category: PartCategory): Grade =>
  kind === 'dent' && category === 'housing' && depthMm >= deepDentMm ? 'D' : (harms[kind]?.[category] as Grade);

/** Parts that are scrap whatever else is the matter, by what was found at the unit. */
export const scrapBy = (model: Model, found: readonly Finding[]): readonly string[] =>
  model.parts.filter(({ category }) => found.some((finding) => harms[finding]?.[category] === 'X')).map(({ id }) => id);

/** A place of a unit that is to be built, what its own part is worth, and whether another one is needed. */
export interface SlotNeed {
  readonly part: ModelPart;
  readonly ownGrade: Grade;
  readonly isNeeded: boolean;
  /** What speaks against its own part, in words; empty when nothing does. */
  readonly because: string;
}

/**
 * What every slot of a unit needs, judged from its tests and marks. A part nobody found fault with is taken as B: it
 * works and looks used.
 */
export function slotNeeds(model: Model, unit: Pick<Unit, 'configuration' | 'tests' | 'marks'>): readonly SlotNeed[] {
  return slotsOf(model, unit.configuration).map((part) => {
    const failed = (Object.keys(unit.tests) as DeviceTest[]).find(
      (test) => unit.tests[test] === 'fault' && suspects[test].includes(part.category),
    );
    if (failed) return { part, ownGrade: 'X', isNeeded: true, because: `${failed} failed` };
    // The worst of what was found on it counts.
    const [mark] = unit.marks
      .filter(({ kind }) => harms[kind]?.[part.category] !== undefined)
      .sort((a, b) => harmOf(b, part.category).localeCompare(harmOf(a, part.category)));
    const grade = mark ? harmOf(mark, part.category) : 'B';
    return { part, ownGrade: grade, isNeeded: grade === 'X', because: mark ? mark.kind : '' };
  });
}

/** Whether a part may go into a slot: the same interchange class, graded, and no scrap. */
export function fitsSlot(model: Model, slot: string, part: Pick<Part, 'interchange' | 'grade'>): boolean {
  return getModelPart(model, slot).interchange === part.interchange && part.grade !== null && part.grade !== 'X';
}
