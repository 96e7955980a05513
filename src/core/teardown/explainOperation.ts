import { getModelPart, type Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';

/**
 * Says why a step is on the sheet: the target it frees, or the nearest target that waits for it and the reason of the arc.
 *
 * @param order  all operations of the sheet
 */
export function explainOperation(
  model: Model,
  operation: Operation,
  order: readonly Operation[],
  targets: readonly string[],
): string {
  const freed = operation.frees.filter((part) => targets.includes(part));
  if (freed.length > 0) return `Frees the ${names(model, freed)}.`;
  const next = order.find(({ after }) => after.some(({ any }) => any.includes(operation.id)));
  const arc = next?.after.find(({ any }) => any.includes(operation.id));
  const served = targetsServed(operation, order, targets);
  if (!next || !arc) return 'On the way to what is wanted.';
  if (served.length === 0) return arc.because;
  const needed = served.length <= mostNamed ? `the ${names(model, served)}` : `${served.length} of the parts wanted`;
  return `${arc.because} Needed for ${needed}.`;
}

/** More than this many parts are counted, not named. */
const mostNamed = 3;

const names = (model: Model, parts: readonly string[]): string =>
  parts.map((id) => getModelPart(model, id).name).join(' and the ');

/** Targets freed by an operation that waits, over any number of arcs, for this one. */
function targetsServed(operation: Operation, order: readonly Operation[], targets: readonly string[]): string[] {
  const waiting = new Set([operation.id]);
  for (let grew = true; grew;) {
    grew = false;
    for (const { id, after } of order) {
      if (!waiting.has(id) && after.some(({ any }) => any.some((before) => waiting.has(before)))) {
        waiting.add(id);
        grew = true;
      }
    }
  }
  return targets.filter((part) => order.some(({ id, frees }) => waiting.has(id) && frees.includes(part)));
}
