import type { Model } from '@/core/procedure/model';
import type { Debt, Operation } from '@/core/procedure/operations';
import { walk } from '@/core/procedure/walk';
import { passedFindingGate } from './findingGates';
import {
  backStep,
  debtCauses,
  debtGate,
  debtGateOf,
  gateStep,
  outStep,
  ownGate,
  readStepId,
  sealGate,
  type Owed,
  type SheetStep,
} from './sheetStep';

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
  { id, ends }: Operation,
  endId: string | undefined,
  screwsOwed: ReadonlyMap<string, Debt> | undefined,
): readonly Owed[] {
  const [ofEnd, ofScrews] = [ends?.find((end) => end.id === endId)?.debt, screwsOwed?.get(id)];
  return [
    ...(ofEnd ? [{ operationId: id, cause: 'debt', debt: ofEnd } as const] : []),
    ...(ofScrews ? [{ operationId: id, cause: 'screws', debt: ofScrews } as const] : []),
  ];
}

/** An operation with what one of its ends opened and freed beside its own. */
export function endedBy(operation: Operation, endId: string | undefined): Operation {
  const end = operation.ends?.find(({ id }) => id === endId);
  if (!end) return operation;
  return {
    ...operation,
    opensIfShut: [...(operation.opensIfShut ?? []), ...(end.opens ?? [])],
    frees: [...operation.frees, ...(end.frees ?? [])],
  };
}

/** How a unit stands after some steps of its sheet. */
export interface Standing {
  readonly steps: readonly SheetStep[];
  /** Operations that are done and not taken back on the way back, in order, with the step each was done in. */
  readonly outNow: readonly OutNow[];
  readonly openJoints: ReadonlySet<string>;
  readonly outParts: ReadonlySet<string>;
  /** Parts that came out at some time: whoever wanted them has them. */
  readonly hadParts: ReadonlySet<string>;
  /** How often each leg of each operation was done, by `leg:ID`. */
  readonly rounds: ReadonlyMap<string, number>;
  /** Gates that were passed since something was last opened: an operation's id, or `before-seal`. */
  readonly passed: ReadonlySet<string>;
  /** Debts that were paid, by their gates. */
  readonly settled: ReadonlySet<string>;
  /** Tested under power since something was last opened. */
  readonly isTested: boolean;
}

/**
 * What the steps done made of a unit: joints open, parts out, and the steps as the sheet shows them.
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
  let outNow: readonly OutNow[] = [];
  let open: ReadonlySet<string> = new Set();
  let out: ReadonlySet<string> = new Set();
  const had = new Set<string>();
  let passed: ReadonlySet<string> = new Set();
  let settled: ReadonlySet<string> = new Set();
  let isTested = false;

  for (const { stepId, tool, end } of kept) {
    const { leg, id } = readStepId(stepId);
    const round = (rounds.get(`${leg}:${id}`) ?? 0) + 1;
    const operation = operations.get(id);
    rounds.set(`${leg}:${id}`, round);
    if (leg === 'gate') {
      passed = new Set([...passed, id]);
      isTested ||= id === sealGate || operation?.back?.gate?.powersOn === true;
      const beside = steps.at(-1);
      if (!beside) continue;
      const findingGate = passedFindingGate(id, beside, round);
      const owed = outNow.flatMap((entry) => entry.owed).find((one) => debtGateOf(one) === id);
      if (owed) {
        settled = new Set([...settled, id]);
        steps.push(debtGate(owed, beside, round));
      } else if (findingGate) steps.push(findingGate);
      else if (operation?.back?.gate) steps.push(ownGate(id, operation.back.gate, beside, round));
      else steps.push(gateStep(model, beside, false, round));
    } else if (operation && leg === 'out') {
      const done = { ...endedBy(operation, end), tool };
      const owed = owedBy(operation, end, screwsOwed);
      const walked = walk(model, [done], undefined, { openJoints: open, outParts: out });
      const step = outStep(model, walked.steps[0] as (typeof walked.steps)[number], order, targets, round);
      ({ openJoints: open, outParts: out } = walked);
      for (const part of done.frees) had.add(part);
      outNow = [...outNow, { operation: done, step, owed }];
      const again = debtCauses.map((cause) => debtGateOf({ operationId: id, cause }));
      settled = new Set([...settled].filter((one) => !again.includes(one)));
      steps.push(step);
      passed = new Set();
      isTested = false;
    } else if (operation?.back) {
      const before = outNow.find((entry) => entry.operation.id === id);
      if (!before) continue;
      const left = new Set(open);
      steps.push(backStep(model, before.operation, before.step, left, round));
      open = left;
      out = new Set([...out].filter((part) => !before.operation.frees.includes(part)));
      outNow = outNow.filter((entry) => entry !== before);
      isTested ||= operation.back.seals === true;
    }
  }
  return { steps, outNow, openJoints: open, outParts: out, hadParts: had, rounds, passed, settled, isTested };
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
