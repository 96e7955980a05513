import { getModelPart, type Model } from '@/core/procedure/model';
import type { Arc, Operation } from '@/core/procedure/operations';
import { message, type Wording } from '@/core/shared/message';

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
): Wording<'sheet'> {
  const freed = operation.frees.filter((part) => targets.includes(part));
  if (freed.length > 0) return message('sheet.frees', { freed: names(model, freed) });
  const next = order.find(({ after }) => after.some(({ any }) => any.includes(operation.id)));
  const arc = next?.after.find(({ any }) => any.includes(operation.id));
  const served = targetsServed(operation, order, targets);
  if (!next || !arc) return message('sheet.onWayToPartsWanted');
  const because = reasonOf(arc);
  if (served.length === 0) return because;
  return served.length <= mostNamed
    ? message('sheet.neededFor', { because, served: names(model, served) })
    : message('sheet.neededForPartsWanted', { because, count: served.length });
}

/** An arc that the planner adds: a risky step waits until a part that it could break is out. */
export interface SparingArc extends Arc {
  readonly spares: string;
}

const reasonOf = (arc: Arc): Wording<'sheet'> =>
  'spares' in arc ? message('sheet.couldBreak', { part: (arc as SparingArc).spares }) : arc.because;

/** More than this many parts are counted, not named. */
const mostNamed = 3;

const names = (model: Model, parts: readonly string[]): readonly string[] =>
  parts.map((id) => getModelPart(model, id).name);

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
