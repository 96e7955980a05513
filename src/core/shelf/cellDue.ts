import type { Part } from '@/core/entities/entities';
import { cellsInSeries } from '@/core/battery/pack';

const dayMs = 24 * 3600 * 1000;

/**
 * How long a lithium cell may lie before it is looked at, by the voltage at which each of its cells rests. A cell ages fastest
 * full, and one that runs empty on the shelf is lost; about 3.6 to 3.95 V keep it best.
 */
export const keepingDays = [
  { fromVolt: 4.05, days: 14, is: 'too-full' },
  { fromVolt: 3.95, days: 45, is: 'full' },
  { fromVolt: 3.6, days: 120, is: 'right' },
  { fromVolt: 3.4, days: 30, is: 'low' },
  { fromVolt: 0, days: 0, is: 'too-low' },
] as const;
const tooLow = keepingDays[4];
/** Where nobody read it. */
const unknownDays = 90;

export type CellKeeping = (typeof keepingDays)[number]['is'] | 'unknown';

export interface CellDue {
  /** When it is to be topped up, ISO in UTC. */
  readonly at: string;
  /** Of each of its cells, in volts; null where nobody read it. */
  readonly voltEach: number | null;
  readonly keeping: CellKeeping;
  readonly days: number;
}

/** When a cell on the shelf is due; null for what is no cell, or lies nowhere. */
export function cellDue({
  category,
  storedAt,
  cell,
  place,
}: Pick<Part, 'category' | 'storedAt' | 'cell' | 'place'>): CellDue | null {
  const lies = place === 'shelf' || place === 'reserved';
  if (category !== 'battery' || storedAt === undefined || !lies) return null;
  const since = Date.parse(storedAt);
  const restVolt = cell?.restVolt;
  if (restVolt === undefined)
    return { at: later(since, unknownDays), voltEach: null, keeping: 'unknown', days: unknownDays };
  const cells = cellsInSeries(null, cell?.label?.ratedVolt ?? restVolt);
  const voltEach = restVolt / (cells.ok ? cells.value : 1);
  const { days, is } = keepingDays.find(({ fromVolt }) => voltEach >= fromVolt) ?? tooLow;
  return { at: later(since, days), voltEach, keeping: is, days };
}

const later = (since: number, days: number): string => new Date(since + days * dayMs).toISOString();
