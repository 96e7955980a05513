import type { PlanGroup } from '@/core/matching/planGroups';
import type { PlanRow } from '@/core/matching/planView';

/** What is looked at: a unit, or one of its slots; of a donor a part that it gives. */
export interface Choice {
  readonly tag: string;
  /** null for the unit itself. */
  readonly slot: string | null;
}

/** What can be looked at in a row: the unit first, then the slots that have a column, then the others; of a donor what others get first. */
export function slotsOfRow(
  { cells, gives }: Pick<PlanRow, 'cells' | 'gives'>,
  columns: PlanGroup['columns'],
): readonly (string | null)[] {
  const shown = new Set(columns.map(({ slot }) => slot));
  const first = cells.toSorted((a, b) => Number(shown.has(b.slot)) - Number(shown.has(a.slot)));
  const gifts = gives.toSorted((a, b) => Number(b.to !== null) - Number(a.to !== null));
  return [null, ...first.map(({ slot }) => slot), ...gifts.map(({ slot }) => slot)];
}
