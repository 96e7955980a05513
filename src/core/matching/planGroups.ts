import { grouped } from '@/core/shared/grouped';
import type { PlanCell, PlanRow } from './planView';

/** Units of one model, with the slots that something happens to in one of them, in the order of the model. */
export interface PlanGroup {
  readonly modelId: string;
  readonly model: string;
  readonly columns: readonly Pick<PlanCell, 'slot' | 'name'>[];
  /** What is to be accepted first, then by money. */
  readonly rows: readonly PlanRow[];
  readonly cents: number;
  /** Of how many units something is to be accepted. */
  readonly news: number;
}

/**
 * A plan by models, those first of which something is to be accepted. Slots in which every unit of the model keeps its own sound part
 * have no column.
 *
 * @param most  columns that there is room for: those that most happens in
 */
export function planGroups(rows: readonly PlanRow[], most: number): readonly PlanGroup[] {
  return [...grouped(rows, ({ modelId }) => modelId)]
    .map(([modelId, own]): PlanGroup => ({
      modelId,
      model: own[0]?.model ?? modelId,
      columns: columnsOf(own, most),
      rows: own.toSorted(
        (a, b) => Number(b.isNews) - Number(a.isNews) || b.cents - a.cents || (a.tag < b.tag ? -1 : 1),
      ),
      cents: own.reduce((sum, { cents }) => sum + cents, 0),
      news: own.filter(({ isNews }) => isNews).length,
    }))
    .sort((a, b) => b.news - a.news || b.cents - a.cents || (a.model < b.model ? -1 : 1));
}

function columnsOf(rows: readonly PlanRow[], most: number): PlanGroup['columns'] {
  const weights = new Map<string, { readonly name: string; readonly place: number; weight: number }>();
  for (const { cells } of rows)
    for (const [place, { slot, name, fill, holds, isSetAside }] of cells.entries()) {
      const known = weights.get(slot) ?? { name, place, weight: 0 };
      weights.set(slot, known);
      known.weight += (fill || isSetAside ? 3 : 0) + Number(holds);
    }
  return [...weights]
    .filter(([, { weight }]) => weight > 0)
    .sort(([, a], [, b]) => b.weight - a.weight)
    .slice(0, most)
    .sort(([, a], [, b]) => a.place - b.place)
    .map(([slot, { name }]) => ({ slot, name }));
}
