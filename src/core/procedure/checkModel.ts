import { checkDrawing } from './checks/drawing';
import { checkFigures } from './checks/figures';
import { checkHarm } from './checks/harm';
import { checkOrder } from './checks/order';
import { checkParts } from './checks/parts';
import { checkPlausible } from './checks/plausible';
import type { ModelProblem } from './checks/problem';
import { checkReferences } from './checks/references';
import { checkStructure } from './checks/structure';
import { checkTexts } from './checks/texts';
import { viewsOf } from './checks/views';
import { checkWayBack } from './checks/wayBack';
import type { Model } from './model';

/**
 * Checks what a schema cannot: that ids meet, that the graph can be walked, that joints and parts are in the state that
 * each operation expects (by simulating them), that the way back balances the way out, and that nothing is harmed.
 *
 * Judged in every revision and configuration, clean and with each finding the model asks about; a problem that shows in
 * several of them is told once. Precedence is judged over all legal orders; states along the author's own order and once
 * for every operation that can stand in for another.
 *
 * @param model  a document that already satisfies the JSON Schema
 * @returns problems in the order of the document; empty when it is sound
 * Cost: O(views · operations · joints of one operation · arcs); docs/performance.md has the measured times
 */
export function checkModel(model: Model): readonly ModelProblem[] {
  const grounds = [...checkReferences(model), ...checkFigures(model), ...checkTexts(model), ...checkDrawing(model)];
  // What names nothing or two things cannot be walked: the rest would be noise.
  if (grounds.some(({ rule }) => rule === 'dangling-id' || rule === 'double-id')) return grounds;
  const views = viewsOf(model);
  const all = [
    ...grounds,
    ...checkStructure(model, views),
    ...checkOrder(model, views),
    ...checkWayBack(model, views),
    ...checkParts(model),
    ...checkHarm(model, views),
    ...checkPlausible(model, views),
  ];
  const seen = new Set<string>();
  return all.filter(({ rule, place, says }) => {
    const key = `${rule} ${place} ${says}`;
    const isNew = !seen.has(key);
    seen.add(key);
    return isNew;
  });
}
