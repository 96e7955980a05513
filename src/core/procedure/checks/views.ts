import { doneInOrder } from '../authorOrder';
import type { Model } from '../model';
import type { Operation } from '../operations';
import { endedBy } from '../ends';
import { operationsFor, type Situation } from '../situation';
import { walk, type Walk } from '../walk';
import { wayBackOrder } from '../wayBackOrder';
import { precedenceOf, type Precedence } from './precedence';

/** One pass through the teardown: every operation that can be done, in the author's order, and the way back. */
export interface Pass extends Walk {
  readonly back: readonly Operation[];
  readonly circle: Operation | null;
}

/** The model as a unit of one revision, configuration and finding meets it, with what the rules ask about it. */
export interface View extends Precedence {
  readonly model: Model;
  readonly operations: readonly Operation[];
  readonly passes: readonly Pass[];
  /** Operations that open a joint, also by releasing it. */
  readonly openersOf: (joint: string) => readonly string[];
  readonly freersOf: (part: string) => readonly string[];
  readonly hasJoint: (joint: string) => boolean;
}

/** One view for each set of operations that a unit of this model can meet. */
export function viewsOf(model: Model): readonly View[] {
  const views = new Map<string, View>();
  const opened = openingOf(model);
  const everOpened = new Set(
    model.operations.flatMap((operation) => [...opened(operation), ...byAnyEnd(operation, opened)]),
  );
  for (const situation of situationsOf(model)) {
    const operations = operationsFor(model, situation);
    const ended = situation.ended ?? new Map<string, string>();
    const key = [...operations.map(({ id }) => id), ...[...ended].flat()].join(' ');
    if (!views.has(key)) views.set(key, viewOf(model, operations, ended, opened, everOpened));
  }
  return [...views.values()];
}

/** The joints that an operation opens, as a view has it: with what the end that it has there opens, and what is released. */
type Opening = (operation: Operation) => readonly string[];

function viewOf(
  model: Model,
  operations: readonly Operation[],
  ended: ReadonlyMap<string, string>,
  opened: Opening,
  everOpened: ReadonlySet<string>,
): View {
  const openers = gather(
    operations.flatMap((operation) => opened(operation).map((joint) => [joint, operation.id] as const)),
  );
  const freers = gather(operations.flatMap(({ id, frees }) => frees.map((part) => [part, id] as const)));
  // A joint that only other revisions open is not there; one that nothing ever opens is, and holds.
  const hasJoint = (joint: string) => openers.has(joint) || !everOpened.has(joint);
  return {
    model,
    operations,
    passes: passesOf(model, operations, ended, hasJoint),
    openersOf: (joint) => openers.get(joint) ?? [],
    freersOf: (part) => freers.get(part) ?? [],
    hasJoint,
    ...precedenceOf(operations),
  };
}

/** The author's own way, and one for each operation that can stand in for another. */
function passesOf(
  model: Model,
  operations: readonly Operation[],
  ended: ReadonlyMap<string, string>,
  hasJoint: (joint: string) => boolean,
): Pass[] {
  const stands = operations.filter(({ insteadOf }) => insteadOf !== undefined);
  return [undefined, ...stands].map((preferred) => {
    const order = doneInOrder(operations, preferred).map((operation) => endedBy(operation, ended.get(operation.id)));
    const back = wayBackOrder(order);
    return { ...walk(model, order, hasJoint), back: back.order, circle: back.circle };
  });
}

function openingOf(model: Model): Opening {
  const releases = new Map(model.joints.flatMap(({ id, releases: others }) => (others ? [[id, others] as const] : [])));
  // Most views have the very operations of the model.
  const known = new WeakMap<Operation, readonly string[]>();
  return (operation) => {
    const before = known.get(operation);
    if (before) return before;
    const opened = new Set([...operation.opens, ...(operation.opensIfShut ?? [])]);
    // A set that grows while it is walked: what is released may release more.
    for (const joint of opened) for (const next of releases.get(joint) ?? []) opened.add(next);
    known.set(operation, [...opened]);
    return [...opened];
  };
}

const byAnyEnd = (operation: Operation, opened: Opening): readonly string[] =>
  (operation.ends ?? []).flatMap(({ id }) => opened(endedBy(operation, id)));

function gather(pairs: readonly (readonly [string, string])[]): ReadonlyMap<string, readonly string[]> {
  const lists = new Map<string, string[]>();
  for (const [key, value] of pairs) {
    const list = lists.get(key);
    if (list) list.push(value);
    else lists.set(key, [value]);
  }
  return lists;
}

/** Every revision and configuration: clean, and with each finding, failed test and end that some operation asks about. */
function situationsOf(model: Model): readonly Situation[] {
  const conditions = model.operations.flatMap(({ when }) => when ?? []);
  const asked = [
    ...new Set(conditions.flatMap(({ findings = [], absentFindings = [] }) => [...findings, ...absentFindings])),
  ];
  const tests = [...new Set(conditions.flatMap(({ tests: own = [] }) => own.map(({ test }) => test)))];
  const ends = new Map(
    conditions.flatMap(({ ends: own = [] }) =>
      own.map(({ operation, end }) => [`${operation} ${end}`, [operation, end]]),
    ),
  );
  const cases: readonly Pick<Situation, 'findings' | 'tests' | 'ended'>[] = [
    { findings: [] },
    ...asked.map((finding) => ({ findings: [finding] })),
    ...tests.map((test) => ({ findings: [], tests: { [test]: 'fault' as const } })),
    ...[...ends.values()].map(([operation, end]) => ({
      findings: [],
      ended: new Map([[operation as string, end as string]]),
    })),
  ];
  const or = (ids: readonly string[]): readonly (string | null)[] => (ids.length > 0 ? ids : [null]);
  return or(model.revisions.map(({ id }) => id)).flatMap((revision) =>
    or(model.configurations.map(({ id }) => id)).flatMap((configuration) =>
      cases.map((one) => ({ revision, configuration, ...one })),
    ),
  );
}
