import { binsOf, type Bin, type BinStock, type Rack } from './racks';

export interface BoxFill extends Bin {
  readonly count: number;
}

/** A rack with what lies in its boxes. */
export interface RackFill extends Rack {
  readonly bins: readonly BoxFill[];
  readonly count: number;
  /** Parts that still fit; none into a rack out of use. */
  readonly left: number;
}

export const rackFills = (
  racks: readonly Rack[],
  stock: readonly Pick<BinStock, 'bin' | 'count'>[],
): readonly RackFill[] => {
  const counts = new Map<string, number>();
  for (const { bin, count } of stock) counts.set(bin, (counts.get(bin) ?? 0) + count);
  return racks.map((rack) => {
    const bins = binsOf(rack).map((bin) => ({ ...bin, count: counts.get(bin.code) ?? 0 }));
    const left = bins.reduce((sum, { room, count }) => sum + Math.max(0, room - count), 0);
    return {
      ...rack,
      bins,
      count: bins.reduce((sum, { count }) => sum + count, 0),
      left: rack.isInUse ? left : 0,
    };
  });
};

/** What came onto the shelf and left it, over so many days. */
export interface ShelfPace {
  readonly stored: number;
  readonly taken: number;
  readonly days: number;
}

/** Fewer days than this say nothing of a pace. */
const fewestDays = 5;

/**
 * After how many days the shelf is full, if parts come and go as they did.
 *
 * @returns null when it is not getting fuller, or too little is known
 */
export function fullIn(left: number, { stored, taken, days }: ShelfPace): number | null {
  if (days < fewestDays || stored <= taken) return null;
  return Math.floor((left * days) / (stored - taken));
}
