import type { Joint } from '../joints';
import type { Model } from '../model';
import type { Operation } from '../operations';
import type { Path } from '../patch';
import { electricalKinds } from '../vocabulary';
import { problem, type ModelProblem } from './problem';
import type { View } from './views';
import { message } from '@/core/shared/message';

/** What must come before what: power, trays, locks, fasteners on fasteners. */
export function checkOrder(model: Model, views: readonly View[]): readonly ModelProblem[] {
  const indexOf = new Map(model.operations.map(({ id }, index) => [id, index]));
  const at = (operation: Operation): Path => ['operations', indexOf.get(operation.id) ?? 0];
  const joints = new Map(model.joints.map((joint) => [joint.id, joint]));
  return [
    ...uncountedSources(model),
    ...views.flatMap((view) => [
      ...powerFirst(model, view, joints, at),
      ...standsThrough(model, view, at),
      ...locksShut(model, view, joints, at),
      ...stackedOrder(model, view, joints, at),
    ]),
  ];
}

type At = (operation: Operation) => Path;
type Joints = ReadonlyMap<string, Joint>;

const sourcesOf = (model: Model) =>
  model.parts.filter(
    ({ category, power }) => power !== undefined || category === 'battery' || category === 'clock-cell',
  );

const powerJointsOf = (model: Model, part: string): readonly string[] =>
  model.joints.filter(({ power, holds }) => power === true && holds.includes(part)).map(({ id }) => id);

function uncountedSources(model: Model): ModelProblem[] {
  const freed = new Set(model.operations.flatMap(({ frees }) => frees));
  return sourcesOf(model).flatMap(({ id, name }) =>
    freed.has(id) || powerJointsOf(model, id).length > 0
      ? []
      : [
          problem(model, 'source-uncounted', {
            path: ['parts', model.parts.findIndex((part) => part.id === id)],
            says: message('checks.nothingTakesOffUnitStays', { name }),
            mend: message('checks.markPlugThatDoesPower'),
          }),
        ],
  );
}

/**
 * The battery plug is the first electrical joint to open once it can be reached. Work that must be done before it can be
 * reached is no fault.
 */
function powerFirst(model: Model, view: View, joints: Joints, at: At): ModelProblem[] {
  const boards = new Set(model.parts.filter(({ category }) => category === 'board').map(({ id }) => id));
  const isLive = (operation: Operation) =>
    operation.opens.some((id) => {
      const joint = joints.get(id);
      return joint !== undefined && joint.power !== true && electricalKinds.includes(joint.kind);
    }) || operation.frees.some((part) => boards.has(part));
  const live = view.operations.filter(isLive);
  return sourcesOf(model).flatMap((source) => {
    const offs = [
      ...new Set([
        ...powerJointsOf(model, source.id).flatMap(view.openersOf),
        ...view.freersOf(source.id),
        // Firmware takes off what is built in; a second source goes on.
        ...(source.power === 'second' ? [] : view.operations.flatMap(({ id, cutsPower }) => (cutsPower ? [id] : []))),
      ]),
    ];
    if (offs.length === 0) return [];
    // A clock cell deep inside may feed only what it sits on: the rest does not wait for it.
    const own = new Set(model.joints.filter(({ holds }) => holds.includes(source.id)).flatMap(({ holds }) => holds));
    const isFed = ({ opens, frees }: Operation) =>
      source.powerReach !== 'its-own' ||
      [...opens.flatMap((id) => joints.get(id)?.holds ?? []), ...frees].some(
        (part) => part !== source.id && own.has(part),
      );
    return live
      .filter(isFed)
      .filter(({ id }) => !view.isSurelyAfter(id, offs) && !offs.every((off) => view.isSurelyAfter(off, [id])))
      .map((operation) =>
        problem(model, 'power-first', {
          path: at(operation),
          says: message('checks.boardOrCableWorkWhile', { name: source.name }),
          mend: message('checks.letWaitFor', { offs: offs[0] }),
          fix: [
            {
              path: [...at(operation), 'after', operation.after.length],
              value: { any: [offs[0]], reason: 'house', because: message('checks.powerOffFirstAlways') },
            },
          ],
        }),
      );
  });
}

function standsThrough(model: Model, view: View, at: At): ModelProblem[] {
  return model.parts.flatMap((tray) =>
    (tray.standsThrough ?? []).flatMap((part) => {
      const freers = view.freersOf(tray.id);
      if (freers.length === 0) return [];
      return view.operations
        .filter(({ id, frees }) => frees.includes(part) && !view.isSurelyAfter(id, freers))
        .map((operation) =>
          problem(model, 'stands-through', {
            path: at(operation),
            says: message('checks.canStillBeInWhen', { name: tray.name, part }),
            mend: message('checks.letWaitFor2', { freers: freers[0] }),
            fix: [
              {
                path: [...at(operation), 'after', operation.after.length],
                value: {
                  any: [...freers],
                  reason: 'physical',
                  because: message('checks.standsInItsWay', { name: tray.name }),
                },
              },
            ],
          }),
        );
    }),
  );
}

function locksShut(model: Model, view: View, joints: Joints, at: At): ModelProblem[] {
  const unlocking = new Map<string, string[]>();
  for (const { id, unlocks } of view.operations) {
    for (const joint of unlocks ?? []) unlocking.set(joint, [...(unlocking.get(joint) ?? []), id]);
  }
  return view.operations.flatMap((operation) =>
    operation.opens
      .filter((id) => {
        const joint = joints.get(id);
        return (
          joint?.kind !== 'screw' &&
          joint?.lock !== undefined &&
          !view.isSurelyAfter(operation.id, unlocking.get(id) ?? [])
        );
      })
      .map((id) =>
        problem(model, 'lock-shut', {
          path: [...at(operation), 'opens'],
          says: message('checks.ribbonDrawnBeforeItsLock', { id }),
          mend: message('checks.unlockInThisOrEarlier'),
          fix: [{ path: [...at(operation), 'unlocks'], value: [...(operation.unlocks ?? []), id] }],
        }),
      ),
  );
}

function stackedOrder(model: Model, view: View, joints: Joints, at: At): ModelProblem[] {
  const sittingOn = new Map(
    model.joints.flatMap((joint) =>
      joint.kind === 'screw' && joint.threadsInto !== undefined ? [[joint.threadsInto, joint.id] as const] : [],
    ),
  );
  return view.operations.flatMap((operation) =>
    operation.opens.flatMap((id) => {
      const upper = sittingOn.get(id);
      if (upper === undefined || !joints.has(upper) || view.isSurelyAfter(operation.id, view.openersOf(upper))) {
        return [];
      }
      return [
        problem(model, 'stacked-order', {
          path: [...at(operation), 'opens'],
          says: message('checks.screwedIntoHeadAndCan', { upper, id }),
          mend: message('checks.letWaitForStepThat', { upper }),
        }),
      ];
    }),
  );
}
