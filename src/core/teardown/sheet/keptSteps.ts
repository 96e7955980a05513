import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { walk } from '@/core/procedure/walk';
import { backStep, gateStep, outStep, ownGate, readStepId, sealGate, type SheetStep } from './sheetStep';

/** A step that was done before the sheet was planned anew: it stays on it as it was done. */
export interface KeptStep {
  readonly stepId: string;
  readonly tool: string;
  /** Where its screws lie, one for each group of them. */
  readonly cups: readonly number[];
}

/** How a unit stands after some steps of its sheet. */
export interface Standing {
  readonly steps: readonly SheetStep[];
  /** Operations that are done and not taken back on the way back, in order, with the step each was done in. */
  readonly outNow: readonly { readonly operation: Operation; readonly step: SheetStep }[];
  readonly openJoints: ReadonlySet<string>;
  readonly outParts: ReadonlySet<string>;
  /** Parts that came out at some time: whoever wanted them has them. */
  readonly hadParts: ReadonlySet<string>;
  /** How often each leg of each operation was done, by `leg:ID`. */
  readonly rounds: ReadonlyMap<string, number>;
  /** Gates that were passed since something was last opened: an operation's id, or `before-seal`. */
  readonly passed: ReadonlySet<string>;
  /** Tested under power since something was last opened. */
  readonly isTested: boolean;
}

/**
 * What the steps done made of a unit: joints open, parts out, and the steps as the sheet shows them.
 *
 * @param kept  in the order in which they were done; one that the model does not know is left out
 * Cost: O(kept · joints)
 */
export function standingAfter(model: Model, kept: readonly KeptStep[], targets: readonly string[]): Standing {
  const operations = new Map(model.operations.map((operation) => [operation.id, operation]));
  const order = kept.flatMap(({ stepId, tool }) => {
    const { leg, id } = readStepId(stepId);
    const operation = leg === 'out' ? operations.get(id) : undefined;
    return operation ? [{ ...operation, tool }] : [];
  });
  const rounds = new Map<string, number>();
  const steps: SheetStep[] = [];
  let outNow: Standing['outNow'] = [];
  let open: ReadonlySet<string> = new Set();
  let out: ReadonlySet<string> = new Set();
  const had = new Set<string>();
  let passed: ReadonlySet<string> = new Set();
  let isTested = false;

  for (const { stepId, tool } of kept) {
    const { leg, id } = readStepId(stepId);
    const round = (rounds.get(`${leg}:${id}`) ?? 0) + 1;
    const operation = operations.get(id);
    rounds.set(`${leg}:${id}`, round);
    if (leg === 'gate') {
      passed = new Set([...passed, id]);
      isTested ||= id === sealGate || operation?.back?.gate?.powersOn === true;
      const beside = steps.at(-1);
      if (!beside) continue;
      steps.push(
        id === sealGate || !operation?.back?.gate
          ? gateStep(model, beside, false, round)
          : ownGate(id, operation.back.gate, beside, round),
      );
    } else if (operation && leg === 'out') {
      const done = { ...operation, tool };
      const walked = walk(model, [done], undefined, { openJoints: open, outParts: out });
      const step = outStep(model, walked.steps[0] as (typeof walked.steps)[number], order, targets, round);
      ({ openJoints: open, outParts: out } = walked);
      for (const part of operation.frees) had.add(part);
      outNow = [...outNow, { operation: done, step }];
      steps.push(step);
      passed = new Set();
      isTested = false;
    } else if (operation?.back) {
      const before = outNow.find((entry) => entry.operation.id === id);
      if (!before) continue;
      const left = new Set(open);
      steps.push(backStep(model, before.operation, before.step, left, round));
      open = left;
      out = new Set([...out].filter((part) => !operation.frees.includes(part)));
      outNow = outNow.filter((entry) => entry !== before);
      isTested ||= operation.back.seals === true;
    }
  }
  return { steps, outNow, openJoints: open, outParts: out, hadParts: had, rounds, passed, isTested };
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
