import { accept, refuse, type Outcome } from '@/core/shared/outcome';

/** What a label says, read at release. */
export interface CellLabel {
  /** Its type code, as printed. */
  readonly type: string;
  readonly ratedAmpHours: number;
  readonly ratedVolt: number;
  /** Charged no further than this. */
  readonly limitVolt: number;
}

/** Usual voltage of one lithium cell, and how far labels of a kind lie from it. */
const cellVolt = { low: 3.4, usual: 3.7, high: 3.95 };

/**
 * Cells in series: told by the wires of the balance plug (one more than cells), held against the voltage on the label.
 *
 * @param wires  of the balance plug; null where there is none
 * @refuses 'pack-wires' when the two contradict each other
 */
export function cellsInSeries(wires: number | null, ratedVolt: number): Outcome<number> {
  const byVolt = Math.max(1, Math.round(ratedVolt / cellVolt.usual));
  if (wires === null) return accept(byVolt);
  const cells = wires - 1;
  const each = ratedVolt / cells;
  if (cells < 1 || each < cellVolt.low || each > cellVolt.high)
    return refuse('pack-wires', { wires, volt: ratedVolt, cells: byVolt });
  return accept(cells);
}

export interface Balance {
  /** Greatest less least, in millivolts. */
  readonly milliVolt: number;
  /** The cell that is furthest from the middle of the others, from 1 at the minus end. */
  readonly cell: number;
}

/**
 * Imbalance of the cells of a pack from the voltages at its balance wires, each against the minus end.
 *
 * @param taps  rising, the first the lowest cell's top
 * @refuses 'log-backwards' when they do not rise
 */
export function balanceOf(taps: readonly number[]): Outcome<Balance> {
  const cells = taps.map((tap, at) => tap - (taps[at - 1] ?? 0));
  const falling = cells.findIndex((volt) => volt <= 0);
  if (falling >= 0 || cells.length === 0) return refuse('log-backwards', { line: falling + 1 });
  const middle = cells.toSorted((a, b) => a - b)[Math.floor(cells.length / 2)] as number;
  const off = cells.map((volt) => Math.abs(volt - middle));
  return accept({
    milliVolt: 1000 * (Math.max(...cells) - Math.min(...cells)),
    cell: off.indexOf(Math.max(...off)) + 1,
  });
}

/** What the place in the unit was made for. */
export interface CellSlot {
  readonly type?: string;
  readonly ratedAmpHours: number;
  readonly ratedVolt?: number;
  readonly limitVolt?: number;
}

/** A place as a model's document says it; where that says nothing of a figure, the label is taken at its word. */
export const placeOfCell = (
  part: {
    readonly ratedAmpHours?: number;
    readonly cell?: { readonly type: string; readonly volt: number; readonly limitVolt: number };
  },
  label: CellLabel,
): CellSlot => ({
  ratedAmpHours: part.ratedAmpHours ?? label.ratedAmpHours,
  ...(part.cell && { type: part.cell.type, ratedVolt: part.cell.volt, limitVolt: part.cell.limitVolt }),
});

/** Labels of one type differ by no more than this share. */
const ratedShare = 0.12;

/**
 * Whether a cell may go into a place: never by looks. Another type, a charge limit below what the charger goes to, or a rating
 * that is not of this place are refused with the first reason.
 *
 * @refuses 'label-type', 'label-limit', 'label-volt', 'label-rating'
 */
export function labelFits(label: CellLabel, slot: CellSlot): Outcome<CellLabel> {
  if (slot.type !== undefined && plain(slot.type) !== plain(label.type))
    return refuse('label-type', { label: label.type, slot: slot.type });
  if (slot.limitVolt !== undefined && label.limitVolt < slot.limitVolt - 0.005)
    return refuse('label-limit', { label: label.limitVolt, slot: slot.limitVolt });
  if (slot.ratedVolt !== undefined && Math.abs(label.ratedVolt - slot.ratedVolt) > 0.03 * slot.ratedVolt)
    return refuse('label-volt', { label: label.ratedVolt, slot: slot.ratedVolt });
  if (Math.abs(label.ratedAmpHours - slot.ratedAmpHours) > ratedShare * slot.ratedAmpHours)
    return refuse('label-rating', { label: label.ratedAmpHours, slot: slot.ratedAmpHours });
  return accept(label);
}

/** Type codes are printed with and without gaps. */
const plain = (type: string): string => type.replace(/[\s._/-]/g, '').toUpperCase();
