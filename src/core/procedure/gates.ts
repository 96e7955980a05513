import type { Model } from './model';
import type { Operation } from './operations';
import { canBeMated, mainBoards, mainSources, sourceJoints, testPaths, workingTests, type TestPath } from './testPaths';
import type { DeviceTest } from './vocabulary';

/** How a unit stands on the way back, as far as tests ask. */
export interface BackState {
  readonly openJoints: ReadonlySet<string>;
  readonly outParts: ReadonlySet<string>;
  /** Joints that were opened, and parts that were out: each is proven after it was last made. */
  readonly disturbed: ReadonlySet<string>;
  /** Tests that were passed since anything they run through was last opened or made. */
  readonly proven: ReadonlySet<DeviceTest>;
}

/** What is tested at a gate, and what is put on for it alone. */
export interface GatePlan {
  readonly tests: readonly DeviceTest[];
  /** Joints that are made for the test and opened again after it. */
  readonly mates: readonly string[];
  /** Parts that are laid in for it: a cell that has no plug. */
  readonly lays: readonly string[];
  /** The model's test pack stands in for the cell. */
  readonly usesPack: boolean;
}

/** Why a test cannot be done now. */
export interface Untestable {
  readonly test: DeviceTest;
  /** A joint that cannot be put on for a test, or a part that is out. */
  readonly lacks: string;
}

type Readiness = { readonly plan: Omit<GatePlan, 'tests'> } | { readonly lacks: string };

/** What a test needs now: joints to put on, or what it lacks. */
export function readiness(model: Model, path: TestPath, state: Pick<BackState, 'openJoints' | 'outParts'>): Readiness {
  const byId = new Map(model.joints.map((joint) => [joint.id, joint]));
  const sources = mainSources(model);
  const bySource = sourceJoints(model);
  const open = [...path.joints].filter((id) => state.openJoints.has(id));
  const isPowerOff =
    open.some((id) => bySource.has(id)) || sources.some((part) => path.parts.has(part) && state.outParts.has(part));
  const usesPack = isPowerOff && model.testPack !== undefined;
  const mates = usesPack ? open.filter((id) => !bySource.has(id)) : open;
  const stuck = mates.find((id) => !canBeMated(byId.get(id) as NonNullable<ReturnType<typeof byId.get>>));
  if (stuck !== undefined) return { lacks: stuck };
  const board = mainBoards(model).find((id) => state.outParts.has(id));
  if (board !== undefined) return { lacks: board };
  const missing = [...path.parts].filter((part) => state.outParts.has(part));
  // A source that is out is laid in, whether it lies between springs or has a plug that is put on then.
  const lays = usesPack ? [] : sources.filter((part) => state.outParts.has(part));
  const absent = missing.find((part) => !sources.includes(part));
  if (absent !== undefined) return { lacks: absent };
  return { plan: { mates, lays, usesPack } };
}

/** Tests that something disturbed asks for now. */
const isDue = (path: TestPath, concerns: (id: string) => boolean): boolean =>
  [...path.joints, ...path.parts].some(concerns);

/**
 * The gate before a step that seals: every test that runs through something which the step closes in, which was disturbed
 * and not proven since. Plugs that are still open are put on for it. Before the unit leaves the bench everything that was
 * disturbed is asked for.
 *
 * @param closesIn  what the step closes in (`closedInBy`); null at the end
 * @returns null when nothing is to be proven; `untestable` lists what should be proven and cannot
 */
export function gateBefore(
  model: Model,
  state: BackState,
  closesIn: ReadonlySet<string> | null,
): { readonly plan: GatePlan | null; readonly untestable: readonly Untestable[] } {
  const paths = testPaths(model);
  const concerns = (id: string) => state.disturbed.has(id) && (closesIn === null || closesIn.has(id));
  const due = workingTests(model).filter(
    (test) => !state.proven.has(test) && isDue(paths.get(test) as TestPath, concerns),
  );
  return planFor(model, due, state);
}

/** Some tests at one gate: what is put on for them; those that cannot be done now are told apart. */
export function planFor(
  model: Model,
  asked: readonly DeviceTest[],
  state: Pick<BackState, 'openJoints' | 'outParts'>,
): { readonly plan: GatePlan | null; readonly untestable: readonly Untestable[] } {
  const paths = testPaths(model);
  const tests: DeviceTest[] = [];
  const untestable: Untestable[] = [];
  const mates = new Set<string>();
  const lays = new Set<string>();
  let usesPack = false;
  for (const test of asked) {
    const path = paths.get(test);
    if (!path) continue;
    const ready = readiness(model, path, state);
    if ('lacks' in ready) untestable.push({ test, lacks: ready.lacks });
    else {
      tests.push(test);
      for (const joint of ready.plan.mates) mates.add(joint);
      for (const part of ready.plan.lays) lays.add(part);
      usesPack ||= ready.plan.usesPack;
    }
  }
  const plan = tests.length === 0 ? null : { tests, mates: [...mates], lays: [...lays], usesPack };
  return { plan, untestable };
}

/**
 * What each operation's way back closes in: the joints it opens itself and those that can only be reached after it.
 *
 * @param order  operations in the order in which they were done
 */
export function closedInBy(order: readonly Operation[]): ReadonlyMap<string, ReadonlySet<string>> {
  const below = new Map<string, Set<string>>();
  const here = new Set(order.map(({ id }) => id));
  const ancestors = new Map<string, ReadonlySet<string>>();
  for (const operation of order) {
    const { id, opens, opensIfShut = [], frees, after } = operation;
    const own = new Set([id]);
    for (const { any } of after)
      for (const other of any.filter((each) => here.has(each) && ancestors.has(each)))
        for (const ancestor of ancestors.get(other) as ReadonlySet<string>) own.add(ancestor);
    ancestors.set(id, own);
    for (const ancestor of own) {
      const list = below.get(ancestor) ?? new Set<string>();
      for (const thing of [...opens, ...opensIfShut, ...frees]) list.add(thing);
      below.set(ancestor, list);
    }
  }
  return below;
}

/** The tests that are no longer proven once these joints or parts were touched. */
export function unproven(
  model: Model,
  proven: ReadonlySet<DeviceTest>,
  touched: readonly string[],
): ReadonlySet<DeviceTest> {
  if (touched.length === 0 || proven.size === 0) return proven;
  const paths = testPaths(model);
  const isTouched = new Set(touched);
  return new Set([...proven].filter((test) => !isDue(paths.get(test) as TestPath, (id) => isTouched.has(id))));
}
