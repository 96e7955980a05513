import type { Indicator } from '@/core/procedure/faces';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { readStepId, type SheetStep, type Tether } from './sheetStep';

/**
 * The steps of a sheet with what is around them: what still ties the unit open while each is done, and what can be looked
 * at for the first time.
 *
 * @param steps  of the whole sheet, in order
 */
export function withSurroundings(
  model: Model,
  steps: readonly SheetStep[],
  existing: readonly Operation[],
): readonly SheetStep[] {
  const byId = new Map([...model.operations, ...existing].map((operation) => [operation.id, operation]));
  const indicators = model.faces.flatMap((face) => (face.indicators ?? []).map((indicator) => ({ face, indicator })));
  const seen = new Set<Indicator>();
  const isOut = new Set<string>();
  // What is open lasts until it is closed; what a step opens is tied while that step is done.
  const tethersWith = (out: ReadonlySet<string>): readonly Tether[] =>
    [...out].flatMap((id) => {
      const limit = byId.get(id)?.limit;
      return limit && !(limit.until !== undefined && out.has(limit.until)) ? [limit] : [];
    });
  const asksAt = (step: SheetStep): readonly Indicator[] => {
    if (step.leg === 'gate') return [];
    const fresh = indicators.filter(
      ({ indicator }) => !seen.has(indicator) && (indicator.after === undefined || isOut.has(indicator.after)),
    );
    for (const { indicator } of fresh) seen.add(indicator);
    return fresh.map(({ indicator }) => indicator);
  };
  return steps.map((step) => {
    const { leg, id } = readStepId(step.id);
    const asks = asksAt(step);
    const tethers = tethersWith(leg === 'out' ? new Set([...isOut, id]) : isOut);
    if (leg === 'out') isOut.add(id);
    if (leg === 'back') isOut.delete(id);
    return tethers.length + asks.length === 0 ? step : { ...step, tethers, asks };
  });
}
