import type { Model } from '../model';
import { closedInBy, gateBefore, planFor } from '../gates';
import type { Operation, WayBack } from '../operations';
import type { Path } from '../patch';
import { testPaths } from '../testPaths';
import { electricalKinds, type DeviceTest, type JointKind } from '../vocabulary';
import type { Pass, View } from './views';
import { problem, type ModelProblem } from './problem';
import { message, type Message } from '@/core/shared/message';

/** The order of the way back, its gates, and that what went out goes in. */
export function checkWayBack(model: Model, views: readonly View[]): readonly ModelProblem[] {
  const indexOf = new Map(model.operations.map(({ id }, index) => [id, index]));
  const at = (operation: Operation): Path => ['operations', indexOf.get(operation.id) ?? 0];
  const kindOf = new Map(model.joints.map(({ id, kind }) => [id, kind]));
  return views.flatMap(({ passes }) =>
    passes.flatMap((pass) => {
      if (pass.circle) {
        return [
          problem(model, 'back-circle', {
            path: [...at(pass.circle), 'back', 'after'],
            says: message('checks.onWayBackWaitsFor', { title: pass.circle.title }),
            mend: message('checks.takeOneConditionsAway'),
            fix: [{ path: [...at(pass.circle), 'back', 'after'], value: undefined }],
          }),
        ];
      }
      const closing = closedAt(pass);
      return [
        ...cables(model, closing, at),
        ...gates(model, pass, kindOf, at),
        ...impossibleGates(model, pass, at),
        ...balance(model, pass, closing, kindOf, at),
      ];
    }),
  );
}

type At = (operation: Operation) => Path;
/** For every joint, the step of the way back that closes it. */
type Closing = ReadonlyMap<string, { readonly operation: Operation; readonly place: number }>;

function closedAt({ steps, back }: Pass): Closing {
  const opened = new Map(steps.map(({ operation, opened: joints }) => [operation.id, joints]));
  const closing = new Map<string, { operation: Operation; place: number }>();
  back.forEach((operation, place) => {
    const left = new Set(operation.back?.leaves?.map(({ joint }) => joint));
    for (const joint of operation.back?.closes ?? opened.get(operation.id) ?? []) {
      if (!left.has(joint) && !closing.has(joint)) closing.set(joint, { operation, place });
    }
  });
  return closing;
}

const stickyKinds: readonly JointKind[] = ['tape', 'sheet', 'glue', 'strip', 'foil', 'channel'];

function cables(model: Model, closing: Closing, at: At): ModelProblem[] {
  return model.joints.flatMap((joint) => {
    if (joint.kind === 'screw' || joint.leadsTo === undefined) return [];
    const [own, plug] = [closing.get(joint.id), closing.get(joint.leadsTo)];
    if (!own || !plug) return [];
    if (joint.kind === 'threaded' && plug.place < own.place) {
      return [
        problem(model, 'plugged-before-threaded', {
          path: [...at(plug.operation), 'back'],
          says: message('checks.pluggedBeforeItsCableThrough', { leadsTo: joint.leadsTo, id: joint.id }),
          mend: message('checks.letPlugWaitOnWay', { id: own.operation.id }),
          fix: [waitFor(plug.operation, own.operation, message('checks.cableGoesThroughFirst'), at)],
        }),
      ];
    }
    if (stickyKinds.includes(joint.kind) && own.place < plug.place) {
      return [
        problem(model, 'stuck-before-plugged', {
          path: [...at(own.operation), 'back'],
          says: message('checks.cableStuckDownAtBefore', { id: joint.id, leadsTo: joint.leadsTo }),
          mend: message('checks.letWaitOnWayBack', { id: plug.operation.id }),
          fix: [waitFor(own.operation, plug.operation, message('checks.pluggedFirstThenStuckDown'), at)],
        }),
      ];
    }
    return [];
  });
}

const waitFor = (operation: Operation, other: Operation, because: Message<'checks'>, at: At) => ({
  path: [...at(operation), 'back', 'after'],
  value: [...(operation.back?.after ?? []), { operation: other.id, because }],
});

function gates(model: Model, { back }: Pass, kindOf: ReadonlyMap<string, JointKind>, at: At): ModelProblem[] {
  const boards = new Set(model.parts.filter(({ category }) => category === 'board').map(({ id }) => id));
  const isLive = ({ opens, frees }: Operation) =>
    opens.some((id) => electricalKinds.includes(kindOf.get(id) ?? 'clip')) || frees.some((part) => boards.has(part));
  return [
    ...back.flatMap((operation, place) => {
      const gate = operation.back?.gate;
      if (!gate?.powersOn || gate.offAgain !== undefined || !back.slice(place).some(isLive)) return [];
      return [
        problem(model, 'power-after-gate', {
          path: [...at(operation), 'back', 'gate'],
          says: message('checks.afterThisGatePowerStill'),
          mend: message('checks.sayHowGoesOffAgain'),
          fix: [{ path: [...at(operation), 'back', 'gate', 'offAgain'], value: model.proofOfOff }],
        }),
      ];
    }),
  ];
}

/** Screws, plugs, tapes, caps and seals: what was opened is closed, declared as left, or destroyed with its part. */
function balance(
  model: Model,
  { steps, back, openJoints }: Pass,
  closing: Closing,
  kindOf: ReadonlyMap<string, JointKind>,
  at: At,
): ModelProblem[] {
  const leftOpen = new Set(back.flatMap((operation) => (operation.back?.leaves ?? []).map(({ joint }) => joint)));
  const destroyed = new Set(steps.flatMap(({ operation }) => operation.destroys ?? []));
  const holds = new Map(model.joints.map((joint) => [joint.id, joint.holds]));
  const lastOpener = new Map(
    steps.flatMap(({ operation, opened }) => opened.map((joint) => [joint, operation] as const)),
  );
  const opened = new Set(lastOpener.keys());
  return [
    ...[...openJoints].flatMap((joint) => {
      const operation = lastOpener.get(joint);
      const goesWithPart = (holds.get(joint) ?? []).some((part) => destroyed.has(part));
      if (!operation || closing.has(joint) || leftOpen.has(joint) || goesWithPart) return [];
      return [
        problem(model, 'out-in', {
          path: [...at(operation), 'back'],
          says: message('checks.comesOffHereAndNothing', { joint: kindOf.get(joint), joint2: joint }),
          mend: message('checks.closeOnWayBackOr'),
          fix: [closeAgain(operation, joint, at)],
        }),
      ];
    }),
    ...back.flatMap((operation) =>
      (operation.back?.closes ?? [])
        .filter((joint) => !opened.has(joint))
        .map((joint) =>
          problem(model, 'out-in', {
            path: [...at(operation), 'back', 'closes'],
            says: message('checks.closedOnWayBackAnd', { joint }),
            mend: message('checks.takeAwayOrOpenOn'),
          }),
        ),
    ),
  ];
}

function closeAgain(operation: Operation, joint: string, at: At) {
  const { back } = operation;
  if (back?.closes) return { path: [...at(operation), 'back', 'closes', back.closes.length], value: joint };
  return {
    path: [...at(operation), 'back'],
    value: {
      title: message('checks.back', { title: operation.title }),
      detail: '',
      minutes: operation.minutes,
      consumables: [],
    },
  };
}

/**
 * Gates that nobody can pass, and steps that seal what no test could be made of before: a test needs a source, the boards
 * in, and every joint that it runs through made or put on for it.
 */
function impossibleGates(model: Model, { steps, back, openJoints, outParts }: Pass, at: At): ModelProblem[] {
  const opened = new Map(steps.map((step) => [step.operation.id, step.opened]));
  const closesIn = closedInBy(steps.map(({ operation }) => operation));
  const paths = testPaths(model);
  const open = new Set(openJoints);
  const out = new Set(outParts);
  const disturbed = new Set(steps.flatMap((step) => [...step.opened, ...step.freed]));
  return back.flatMap((operation) => {
    const { gate, seals, closes, leaves, title } = operation.back as WayBack;
    const state = { openJoints: open, outParts: out, disturbed, proven: new Set<DeviceTest>() };
    const own = gate?.powersOn ? planFor(model, gate.tests, state).untestable : [];
    const inside = closesIn.get(operation.id) ?? new Set<string>();
    const { plan, untestable } = gateBefore(model, state, inside);
    const runsThrough = (test: DeviceTest, thing: string) => {
      const path = paths.get(test);
      return path !== undefined && (path.joints.has(thing) || path.parts.has(thing));
    };
    const unprovable = seals
      ? untestable.find(({ test }) =>
          [...inside].some(
            (thing) =>
              disturbed.has(thing) &&
              runsThrough(test, thing) &&
              !plan?.tests.some((other) => runsThrough(other, thing)),
          ),
        )
      : undefined;
    const left = new Set(leaves?.map(({ joint }) => joint));
    for (const joint of closes ?? opened.get(operation.id) ?? []) if (!left.has(joint)) open.delete(joint);
    for (const part of operation.back?.places ?? operation.frees) out.delete(part);
    return [
      ...own.map(({ test, lacks }) =>
        problem(model, 'gate-impossible', {
          path: [...at(operation), 'back', 'gate', 'tests'],
          says: message('checks.gateAsksAndLacks', { test, lacks }),
          mend: message('checks.askLaterOrPutBackFirst', { lacks }),
          // A gate that asks for nothing any more is none.
          fix:
            gate?.tests.length === 1
              ? [{ path: [...at(operation), 'back', 'gate'], value: undefined }]
              : [
                  {
                    path: [...at(operation), 'back', 'gate', 'tests'],
                    value: gate?.tests.filter((asked) => asked !== test),
                  },
                ],
        }),
      ),
      ...(unprovable
        ? [
            problem(model, 'sealed-before-gate', {
              path: [...at(operation), 'back', 'seals'],
              says: message('checks.sealsBeforeAnyTest', { title, test: unprovable.test, lacks: unprovable.lacks }),
              mend: message('checks.putBackFirst', { lacks: unprovable.lacks }),
            }),
          ]
        : []),
    ];
  });
}
