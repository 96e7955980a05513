import type { Model } from '../model';
import type { Operation } from '../operations';
import type { WalkFault } from '../walk';
import { problem, type ModelProblem } from './problem';
import type { View } from './views';
import { message } from '@/core/shared/message';

/** Whether the graph can be walked, and whether joints and parts are then in the state that each operation expects. */
export function checkStructure(model: Model, views: readonly View[]): readonly ModelProblem[] {
  const indexOf = new Map(model.operations.map(({ id }, index) => [id, index]));
  const at = (operation: string) => ['operations', indexOf.get(operation) ?? 0] as const;
  // What the end of one step did, another finds done: that is what ends are for.
  const byEnds = new Set(
    model.operations.flatMap(({ ends = [] }) => ends.flatMap(({ opens = [], frees = [] }) => [...opens, ...frees])),
  );
  return [
    ...endsInCircles(model, at),
    ...stuckOperations(model, views, at),
    ...neverFreed(model),
    ...views.flatMap((view) => [
      ...view.passes.flatMap(({ faults }) =>
        faults.filter((fault) => !isByEnd(fault, byEnds)).map((fault) => faultProblem(model, fault, at)),
      ),
      ...heldInSomeOrder(model, view, at),
      ...openedInSomeOrder(model, view, at),
      ...blockedMotions(model, view, at),
      ...impossiblePostures(model, view, at),
    ]),
  ];
}

const isByEnd = (fault: WalkFault, byEnds: ReadonlySet<string>): boolean =>
  (fault.kind === 'opened-twice' && byEnds.has(fault.joint)) ||
  (fault.kind === 'freed-twice' && byEnds.has(fault.part));

/** Steps that exist only after ends of each other: none of them ever comes. */
function endsInCircles(model: Model, at: At): ModelProblem[] {
  const needs = new Map(
    model.operations.map(({ id, when }) => [id, (when?.ends ?? []).map(({ operation }) => operation)]),
  );
  const reaches = (from: string, goal: string, seen = new Set<string>()): boolean =>
    (needs.get(from) ?? []).some((next) => next === goal || (!seen.has(next) && reaches(next, goal, seen.add(next))));
  return model.operations
    .filter(({ id }) => reaches(id, id))
    .map(({ id, title }) =>
      problem(model, 'cycle', {
        path: [...at(id), 'when', 'ends'],
        says: message('checks.waitsForEndsInCircle', { title: title || id }),
        mend: message('checks.letOneBeWithoutEnd'),
        fix: [{ path: [...at(id), 'when', 'ends'], value: undefined }],
      }),
    );
}

type At = (operation: string) => readonly ['operations', number];

function stuckOperations(model: Model, views: readonly View[], at: At): ModelProblem[] {
  const done = new Set(
    views.flatMap(({ passes }) => passes.flatMap(({ steps }) => steps.map(({ operation }) => operation.id))),
  );
  const circling = new Set(views.flatMap(({ inCircles }) => inCircles));
  const behind = downstreamOf(model, circling);
  return model.operations.flatMap(({ id, title, after }) => {
    if (circling.has(id)) {
      const arc = after.findIndex(({ any }) => any.some((before) => circling.has(before)));
      return [
        problem(model, 'cycle', {
          path: at(id),
          says: message('checks.waitsDirectlyOrByOthers', { id: title || id }),
          mend: message('checks.takeOneArcCircleAway'),
          ...(arc !== -1 && { fix: [{ path: [...at(id), 'after', arc], value: undefined }] }),
        }),
      ];
    }
    if (done.has(id) || behind.has(id)) return [];
    return [
      problem(model, 'unreachable', {
        path: at(id),
        says: message('checks.canNeverBeDoneIts', { id: title || id }),
        mend: message('checks.loosenItsConditionOrTake'),
      }),
    ];
  });
}

function downstreamOf(model: Model, circling: ReadonlySet<string>): ReadonlySet<string> {
  const behind = new Set(circling);
  for (let grew = true; grew;) {
    grew = false;
    for (const { id, after } of model.operations) {
      if (!behind.has(id) && after.some(({ any }) => any.every((before) => behind.has(before)))) {
        behind.add(id);
        grew = true;
      }
    }
  }
  return behind;
}

function neverFreed(model: Model): ModelProblem[] {
  const freed = new Set(
    model.operations.flatMap(({ frees, ends }) => [...frees, ...(ends ?? []).flatMap((end) => end.frees ?? [])]),
  );
  return model.parts.flatMap(({ id, name, slot, valueCents }, index) =>
    freed.has(id) || (slot === undefined && valueCents === undefined)
      ? []
      : [
          problem(model, 'never-freed', {
            path: ['parts', index],
            says: message('checks.noOperationFrees', { id: name || id }),
            mend: message('checks.addToPartsThatStep'),
          }),
        ],
  );
}

function faultProblem(model: Model, fault: WalkFault, at: At): ModelProblem {
  const { operation } = fault;
  const place = at(operation.id);
  switch (fault.kind) {
    case 'opened-twice':
      return openedTwice(model, place, operation, fault.joint);
    case 'closed-twice':
      return problem(model, 'closed-twice', {
        path: [...place, 'closes'],
        says: message('checks.closedAlreadyWhenThisStep', { joint: fault.joint }),
        mend: message('checks.openFirstOrTakeOut'),
        fix: [{ path: [...place, 'closes', (operation.closes ?? []).indexOf(fault.joint)], value: undefined }],
      });
    case 'freed-twice':
      return problem(model, 'freed-twice', {
        path: [...place, 'frees'],
        says: message('checks.partOutAlreadyWhenThis', { part: fault.part }),
        mend: message('checks.letOneStepFreeRefit'),
        fix: [{ path: [...place, 'frees', operation.frees.indexOf(fault.part)], value: undefined }],
      });
    case 'refit-not-out':
      return problem(model, 'refit-not-out', {
        path: [...place, 'refits'],
        says: message('checks.partNotOutWhenThis', { part: fault.part }),
        mend: message('checks.freeFirstOrTakeRefit'),
        fix: [{ path: [...place, 'refits', (operation.refits ?? []).indexOf(fault.part)], value: undefined }],
      });
    case 'hidden':
      return problem(model, 'hidden-joint', {
        path: [...place, 'opens'],
        says: message('checks.openedWhileWhatLiesOver', { joint: fault.joint }),
        mend: message('checks.letEarlierStepTakeCover'),
      });
    case 'still-held':
      return stillHeld(model, place, fault.part, fault.joint, operation.opens.length);
  }
}

const stillHeld = (
  model: Model,
  place: readonly ['operations', number],
  part: string,
  joint: string,
  opensCount: number,
): ModelProblem =>
  problem(model, 'still-held', {
    path: [...place, 'frees'],
    says: message('checks.stillHoldsPartWhenFreed', { joint, part }),
    mend: message('checks.letThisOrEarlierStep'),
    fix: [{ path: [...place, 'opens', opensCount], value: joint }],
  });

/** In the author's order the joint may be open by luck; it must be so in every order that the arcs allow. */
function heldInSomeOrder(model: Model, view: View, at: At): ModelProblem[] {
  const holding = new Map<string, string[]>();
  for (const { id, holds } of model.joints) {
    if (!view.hasJoint(id)) continue;
    for (const part of holds) holding.set(part, [...(holding.get(part) ?? []), id]);
  }
  return view.operations.flatMap(({ id, frees, opens }) =>
    frees.flatMap((part) =>
      (holding.get(part) ?? [])
        .filter((joint) => view.openersOf(joint).length > 0 && !view.isSurelyAfter(id, view.openersOf(joint)))
        .map((joint) => stillHeld(model, at(id), part, joint, opens.length)),
    ),
  );
}

const openedTwice = (
  model: Model,
  place: readonly ['operations', number],
  operation: Operation,
  joint: string,
): ModelProblem =>
  problem(model, 'opened-twice', {
    path: [...place, 'opens'],
    says: message('checks.canBeOpenAlreadyWhen', { joint }),
    mend: message('checks.takeOutThisStepOr'),
    fix: [
      { path: [...place, 'opens', operation.opens.indexOf(joint)], value: undefined },
      { path: [...place, 'opensIfShut'], value: [...(operation.opensIfShut ?? []), joint] },
    ],
  });

/** What one operation opens for certain, no other may open before it; joints that are closed in between are walked. */
function openedInSomeOrder(model: Model, view: View, at: At): ModelProblem[] {
  const closed = new Set(view.operations.flatMap(({ closes }) => closes ?? []));
  const byId = new Map(view.operations.map((operation) => [operation.id, operation]));
  return view.operations.flatMap((operation) =>
    operation.opens
      .filter((joint) => !closed.has(joint))
      .filter((joint) =>
        view
          .openersOf(joint)
          .some(
            (other) =>
              other !== operation.id &&
              byId.get(other)?.insteadOf !== operation.id &&
              operation.insteadOf !== other &&
              !view.isSurelyAfter(other, [operation.id]),
          ),
      )
      .map((joint) => openedTwice(model, at(operation.id), operation, joint)),
  );
}

function blockedMotions(model: Model, view: View, at: At): ModelProblem[] {
  return view.operations.flatMap(({ id, blockedBy, after }) =>
    (blockedBy ?? []).flatMap((part) => {
      const freers = view.freersOf(part);
      if (freers.length === 0 || view.isSurelyAfter(id, freers)) return [];
      return [
        problem(model, 'motion-blocked', {
          path: [...at(id), 'blockedBy'],
          says: message('checks.partCanStillBeIn', { part }),
          mend: message('checks.letStepWaitUntilThat'),
          fix: [
            {
              path: [...at(id), 'after', after.length],
              value: { any: freers, reason: 'physical', because: message('checks.inWayMotion') },
            },
          ],
        }),
      ];
    }),
  );
}

function impossiblePostures(model: Model, view: View, at: At): ModelProblem[] {
  return view.operations.flatMap(({ id, posture: name }) => {
    const posture = model.postures?.find((candidate) => candidate.name === name);
    if (!posture) return [];
    const gone = (posture.needsParts ?? []).find((part) => view.isSurelyAfter(id, view.freersOf(part)));
    const shut = (posture.needsOpen ?? []).find(
      (joint) => view.openersOf(joint).length > 0 && !view.isSurelyAfter(id, view.openersOf(joint)),
    );
    if (gone === undefined && shut === undefined) return [];
    return [
      problem(model, 'posture-impossible', {
        path: [...at(id), 'posture'],
        says:
          gone === undefined
            ? message('checks.needsOpenAndCanStill', { name: posture.name, shut })
            : message('checks.needsPartAndOutBy', { name: posture.name, gone }),
        mend: message('checks.chooseAnotherPostureOrAnother'),
      }),
    ];
  });
}
