import { closedInBy, gateBefore, planFor, unproven, type BackState } from '@/core/procedure/gates';
import { endedBy, endOf } from '@/core/procedure/ends';
import type { Model } from '@/core/procedure/model';
import type { Debt, Operation } from '@/core/procedure/operations';
import { workingTests } from '@/core/procedure/testPaths';
import type { DeviceTest } from '@/core/procedure/vocabulary';
import { walk } from '@/core/procedure/walk';
import { passedFindingGate } from './findingGates';
import {
  debtCauses,
  debtGate,
  debtGateOf,
  emptyGate,
  lastGate,
  ownGate,
  sealGateOf,
  testGate,
  type Owed,
} from './gateSteps';
import { moveNamed } from './moveSteps';
import { backStep, momentSteps, outStep, readStepId, type Leg, type SheetStep } from './sheetStep';
import { message } from '@/core/shared/message';

/** A step that was done before the sheet was planned anew: it stays on it as it was done. */
export interface KeptStep {
  readonly stepId: string;
  readonly tool: string;
  /** Where its screws lie, one for each group of them. */
  readonly cups: readonly number[];
  /** The way in which it ended, when it was not the usual one. */
  readonly end?: string;
}

/** An operation that is done and not taken back, with the step it was done in and what its end owes the way back. */
export interface OutNow {
  readonly operation: Operation;
  readonly step: SheetStep;
  readonly owed: readonly Owed[];
}

/** What an operation owes the way back: by the way it ended, and for its screws. */
export function owedBy(
  operation: Pick<Operation, 'id' | 'ends'>,
  endId: string | undefined,
  screwsOwed: ReadonlyMap<string, Debt> | undefined,
): readonly Owed[] {
  const operationId = operation.id;
  const [ofEnd, ofScrews] = [endOf(operation, endId)?.debt, screwsOwed?.get(operationId)];
  return [
    ...(ofEnd ? [{ operationId, cause: 'debt', debt: ofEnd } as const] : []),
    ...(ofScrews ? [{ operationId, cause: 'screws', debt: ofScrews } as const] : []),
  ];
}

/** How a unit stands after some steps of its sheet. */
export interface Standing extends BackState {
  readonly steps: readonly SheetStep[];
  /** Operations that are done and not taken back on the way back, in order, with the step each was done in. */
  readonly outNow: readonly OutNow[];
  /** Parts that came out at some time: whoever wanted them has them. */
  readonly hadParts: ReadonlySet<string>;
  /** How often each leg of each operation was done, by `leg:ID`. */
  readonly rounds: ReadonlyMap<string, number>;
  /** Gates that were passed since something was last opened: an operation's id, or what they are before. */
  readonly passed: ReadonlySet<string>;
  /** Debts that were paid, by their gates. */
  readonly settled: ReadonlySet<string>;
  /** Moments between the waits of steps done that are still to come. */
  readonly pending: readonly SheetStep[];
  /** Moves that are done, by their ids. */
  readonly moved: ReadonlySet<string>;
}

/** The state that the steps of a sheet change, one after the other. */
interface Running {
  outNow: readonly OutNow[];
  open: Set<string>;
  out: Set<string>;
  passed: ReadonlySet<string>;
  settled: ReadonlySet<string>;
  proven: ReadonlySet<DeviceTest>;
  readonly disturbed: Set<string>;
}

const stateOf = ({ open, out, disturbed, proven }: Running): BackState => ({
  openJoints: open,
  outParts: out,
  disturbed,
  proven,
});

/**
 * What the steps done made of a unit: joints open, parts out, tests proven, and the steps as the sheet shows them.
 *
 * @param kept  in the order in which they were done; one that the model does not know is left out
 * Cost: O(kept · joints)
 */
export function standingAfter(
  model: Model,
  kept: readonly KeptStep[],
  targets: readonly string[],
  screwsOwed?: ReadonlyMap<string, Debt>,
): Standing {
  const operations = new Map(model.operations.map((operation) => [operation.id, operation]));
  const order = kept.flatMap(({ stepId, tool, end }) => {
    const { leg, id } = readStepId(stepId);
    const operation = leg === 'out' ? operations.get(id) : undefined;
    return operation ? [{ ...endedBy(operation, end), tool }] : [];
  });
  const rounds = new Map<string, number>();
  const steps: SheetStep[] = [];
  const had = new Set<string>();
  const moved = new Set<string>();
  let pending: readonly SheetStep[] = [];
  const now: Running = {
    outNow: [],
    open: new Set(),
    out: new Set(),
    passed: new Set(),
    settled: new Set(),
    proven: new Set(),
    disturbed: new Set(),
  };
  const nextRound = (leg: Leg, id: string) => (rounds.get(`${leg}:${id}`) ?? 0) + 1;
  const add = (step: SheetStep) => {
    steps.push(step);
    pending = [...pending, ...momentSteps(step, (id) => nextRound('moment', id))];
  };

  for (const { stepId, tool, end } of kept) {
    const { leg, id } = readStepId(stepId);
    const round = nextRound(leg, id);
    rounds.set(`${leg}:${id}`, round);
    const beside = steps.at(-1);
    const operation = operations.get(id);
    if (leg === 'moment') {
      const due = pending.find((step) => readStepId(step.id).id === id);
      if (due) steps.push(due);
      pending = pending.filter((step) => step !== due);
    } else if (leg === 'move') {
      const move = beside && moveNamed(model, id, beside, round);
      if (move) steps.push(move);
      moved.add(id);
    } else if (leg === 'gate') {
      if (beside) steps.push(passGate(model, now, id, operation, beside, round));
    } else if (operation && leg === 'out') {
      const done = { ...endedBy(operation, end), tool };
      const walked = walk(model, [done], undefined, { openJoints: now.open, outParts: now.out });
      const [did] = walked.steps as [(typeof walked.steps)[number]];
      const step = outStep(model, did, order, targets, round);
      now.open = new Set(walked.openJoints);
      now.out = new Set(walked.outParts);
      for (const part of done.frees) had.add(part);
      now.outNow = [...now.outNow, { operation: done, step, owed: owedBy(operation, end, screwsOwed) }];
      const again = debtCauses.map((cause) => debtGateOf({ operationId: id, cause }));
      now.settled = new Set([...now.settled].filter((one) => !again.includes(one)));
      touch(model, now, [...did.opened, ...did.freed]);
      now.passed = new Set();
      add(step);
    } else if (operation?.back) {
      const before = now.outNow.find((entry) => entry.operation.id === id);
      if (!before) continue;
      const step = backStep(model, before.operation, before.step, now, round);
      now.outNow = now.outNow.filter((entry) => entry !== before);
      touch(model, now, [...step.joints.map((joint) => joint.id), ...step.places]);
      add(step);
    }
  }
  const { outNow, passed, settled } = now;
  return { ...stateOf(now), steps, outNow, hadParts: had, rounds, passed, settled, pending, moved };
}

/** What was opened, made or placed is disturbed, and what ran through it is no longer proven. */
function touch(model: Model, now: Running, things: readonly string[]): void {
  for (const thing of things) now.disturbed.add(thing);
  now.proven = unproven(model, now.proven, things);
}

/** A gate that was passed, as it was asked then; its tests are proven. */
function passGate(
  model: Model,
  now: Running,
  id: string,
  operation: Operation | undefined,
  beside: SheetStep,
  round: number,
): SheetStep {
  now.passed = new Set([...now.passed, id]);
  const owed = now.outNow.flatMap((entry) => entry.owed).find((one) => debtGateOf(one) === id);
  if (owed) {
    now.settled = new Set([...now.settled, id]);
    return debtGate(owed, beside, round);
  }
  const findingGate = passedFindingGate(id, beside, round);
  if (findingGate) return findingGate;
  const own = operation?.back?.gate;
  const sealed = now.outNow.find((entry) => sealGateOf(entry.operation.id) === id)?.operation;
  const plan =
    operation && own
      ? planFor(model, own.powersOn ? own.tests : [], stateOf(now)).plan
      : gateBefore(
          model,
          stateOf(now),
          sealed ? (closedInBy(now.outNow.map((entry) => entry.operation)).get(sealed.id) ?? null) : null,
        ).plan;
  now.proven = new Set([...now.proven, ...(plan?.tests ?? [])]);
  if (operation && own) return ownGate(id, own, plan, beside, round);
  if (plan) return testGate(model, plan, beside, sealed?.id ?? null, round);
  // A gate of a sheet that was begun when there was one for all tests.
  if (id !== lastGate) now.proven = new Set(workingTests(model));
  return {
    ...emptyGate(beside),
    id: `gate:${id}${round > 1 ? `~${round}` : ''}`,
    title: message('sheet.gateTestBeforeSealing', { isSeals: 'no' }),
    detail: '',
    why: '',
  };
}

/**
 * What is left of a model's operations when some are done: without those, and without the arcs that they have met.
 *
 * @param existing  operations of the situation
 */
export function operationsLeft(existing: readonly Operation[], done: ReadonlySet<string>): readonly Operation[] {
  if (done.size === 0) return existing;
  return existing
    .filter(({ id }) => !done.has(id))
    .map((operation) => ({
      ...operation,
      after: operation.after.filter(({ any }) => !any.some((id) => done.has(id))),
    }));
}
