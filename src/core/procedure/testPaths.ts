import type { Joint } from './joints';
import type { Model } from './model';
import { electricalKinds, lockTests, type DeviceTest, type JointKind, type PartCategory } from './vocabulary';

/** What a test runs through: joints that must be made, and parts that have no joint of their own and must lie in place. */
export interface TestPath {
  readonly joints: ReadonlySet<string>;
  readonly parts: ReadonlySet<string>;
}

/** The parts that a test looks at, beside what it needs to be powered at all. */
const looksAt: Readonly<Record<DeviceTest, readonly PartCategory[]>> = {
  starts: ['memory', 'drive'],
  charges: ['port'],
  picture: ['display'],
  touch: ['display'],
  keys: ['keys'],
  sound: ['speaker'],
  cameras: ['camera'],
  radios: ['aerial', 'board'],
  ports: ['port'],
  'account-lock': [],
  'firmware-lock': [],
  'gives-charge': ['port'],
  vibration: ['motor'],
  microphone: ['speaker'],
  'front-camera': ['camera'],
  sensors: ['sensor'],
  service: ['aerial', 'board'],
  scan: ['camera', 'sensor'],
};

/** Tests that run over the air: every aerial snap carries them. */
const overTheAir: readonly DeviceTest[] = ['radios', 'service'];

/** Kinds that can be put on for a test and taken off again; a pack is laid in for one. */
const mateable: readonly JointKind[] = ['plug', 'ribbon', 'coaxial', 'board-plug', 'socket', 'cable-latch'];
export const canBeMated = ({ kind, power }: Pick<Joint, 'kind' | 'power'>): boolean =>
  mateable.includes(kind) || power === true;

const isPowered = (test: DeviceTest): boolean => !lockTests.includes(test);
/** The tests of a model that ask whether it works, in its order. */
export const workingTests = ({ tests }: Pick<Model, 'tests'>): readonly DeviceTest[] => tests.filter(isPowered);

const known = new WeakMap<Model, ReadonlyMap<DeviceTest, TestPath>>();

/**
 * What each of a model's tests runs through: the source of power, the main boards, and the parts that the test looks at, by
 * their electrical joints; a part that has none (a cell between springs, a key mat) must lie in place instead. Where the
 * model says what a test needs (`testNeeds`), that takes the place of the boards and the parts looked at.
 *
 * Cost: O(tests · (joints + parts)), once for each model
 */
export function testPaths(model: Model): ReadonlyMap<DeviceTest, TestPath> {
  const before = known.get(model);
  if (before) return before;
  const paths = new Map(workingTests(model).map((test) => [test, pathOf(model, test)]));
  known.set(model, paths);
  return paths;
}

function pathOf(model: Model, test: DeviceTest): TestPath {
  const own = model.testNeeds?.find((need) => need.test === test);
  const byCategory = (categories: readonly PartCategory[]) =>
    model.parts.filter(({ category }) => categories.includes(category)).map(({ id }) => id);
  const looked = own
    ? [...(own.parts ?? []), ...model.parts.filter(({ power }) => power === 'main').map(({ id }) => id)]
    : [...mainBoards(model), ...byCategory(looksAt[test])];
  const boards = new Set(byCategory(['board']));
  const sources = mainSources(model);
  const joints = new Set(own?.joints);
  const parts = new Set<string>();
  for (const part of new Set([...looked, ...sources])) {
    const electrical = model.joints.filter(
      ({ kind, holds, power }) =>
        holds.includes(part) && (electricalKinds.includes(kind) || (power === true && kind !== 'screw')),
    );
    // A plug between a board and a part that the test does not look at is none of its business.
    const concerned = boards.has(part)
      ? electrical.filter(({ holds }) => holds.every((held) => boards.has(held)))
      : electrical;
    if (electrical.length === 0) parts.add(part);
    for (const { id } of concerned) joints.add(id);
  }
  if (!own && overTheAir.includes(test))
    for (const { id, kind } of model.joints) if (kind === 'coaxial') joints.add(id);
  return { joints, parts };
}

/** The boards that nothing works without: those that hold the data, else those a unit must have, else all of them. */
export function mainBoards({ parts }: Pick<Model, 'parts'>): readonly string[] {
  const boards = parts.filter(({ category }) => category === 'board');
  const ways = [boards.filter(({ data }) => data === true), boards.filter(({ slot }) => slot !== undefined), boards];
  return (ways.find((some) => some.length > 0) ?? []).map(({ id }) => id);
}

/** What a unit runs on: its cells, and whatever else is named its main source; a second one only keeps the clock. */
export const mainSources = (model: Model): readonly string[] =>
  model.parts
    .filter(({ category, power }) => power === 'main' || (category === 'battery' && power !== 'second'))
    .map(({ id }) => id);

/**
 * The joints that a test pack takes the place of: those that put a main source on. A source that names none is pressed or
 * plugged onto its electrical joints.
 */
export function sourceJoints(model: Model): ReadonlySet<string> {
  return new Set(
    mainSources(model).flatMap((source) => {
      const holding = model.joints.filter(({ holds }) => holds.includes(source));
      const named = holding.filter(({ power }) => power === true);
      return (named.length > 0 ? named : holding.filter(({ kind }) => electricalKinds.includes(kind))).map(
        ({ id }) => id,
      );
    }),
  );
}
