import type { Model } from '@/core/procedure/model';
import { testPaths } from '@/core/procedure/testPaths';
import { meanMinutes } from '@/core/teardown/attendedMinutes';
import { readStepId, stepIdOf, type SheetStep } from '@/core/teardown/sheet/sheetStep';

/** Something that a failed gate may be down to, and what it takes to look at it again. */
export interface Recheck {
  /** The operation whose way back made it. */
  readonly operationId: string;
  /** The step that made it last. */
  readonly step: SheetStep;
  /** Joints and parts on the path of the gate’s tests that it made. */
  readonly things: readonly string[];
  /** Operations that are taken out again to reach it, itself the last. */
  readonly reach: readonly string[];
  /** Minutes to take them out and to put them back. */
  readonly minutes: number;
}

/**
 * What to check when a gate is not passed, cheapest first: every step of the way back that made something the gate’s tests
 * run through. What it takes is to undo that step and whatever went in over it, and to do both again.
 *
 * @param steps  of the whole sheet
 */
export function rechecks(
  model: Model,
  steps: readonly SheetStep[],
  doneStepIds: readonly string[],
  gate: Pick<SheetStep, 'tests'>,
): readonly Recheck[] {
  const done = new Set(doneStepIds);
  const paths = testPaths(model);
  const onPath = new Set(
    gate.tests.flatMap((test) => [...(paths.get(test)?.joints ?? []), ...(paths.get(test)?.parts ?? [])]),
  );
  const last = (leg: SheetStep['leg']) =>
    new Map(
      steps.flatMap((step) =>
        step.leg === leg && done.has(step.id) && step.operationId !== null ? [[step.operationId, step] as const] : [],
      ),
    );
  const [backs, outs] = [last('back'), last('out')];
  const operations = new Map(model.operations.map((operation) => [operation.id, operation]));
  // What is back in and stands in the way: the operations before it on the way out, as far as they were taken back.
  const reachOf = (id: string, seen = new Set<string>()): readonly string[] => {
    const operation = operations.get(id);
    // What has no way back stands in nobody’s way, but what is before it may.
    const isBackIn = backs.has(id);
    if (seen.has(id) || !operation || (!isBackIn && operation.back !== null)) return [];
    seen.add(id);
    const before = operation.after.flatMap(({ any }) => any.flatMap((other) => reachOf(other, seen)));
    return isBackIn ? [...before, id] : before;
  };
  return [...backs]
    .map(([operationId, step]) => {
      const things = [...step.joints.map(({ id }) => id), ...step.places].filter((thing) => onPath.has(thing));
      const reach = reachOf(operationId);
      const minutes = reach.reduce(
        (sum, id) =>
          sum + [outs.get(id), backs.get(id)].reduce((own, each) => own + (each ? meanMinutes(each.minutes) : 0), 0),
        0,
      );
      return { operationId, step, things, reach, minutes };
    })
    .filter(({ things }) => things.length > 0)
    .sort((a, b) => a.minutes - b.minutes);
}

/** The step in which an operation is taken out once more, after the rounds that are done. */
export function nextRoundOf(doneStepIds: readonly string[], operationId: string): string {
  const rounds = doneStepIds.map(readStepId).filter(({ leg, id }) => leg === 'out' && id === operationId).length;
  return stepIdOf('out', operationId, rounds + 1);
}
