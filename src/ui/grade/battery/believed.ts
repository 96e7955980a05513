import type { CellRecord } from '@/core/battery/cellRecord';
import { fuse, type Fused, type GaugeRecord } from '@/core/battery/health';

/** The analyser's health and the unit's own reading as one figure; null where one of them is not there. */
export function believed(cell: CellRecord, record: GaugeRecord): Fused | null {
  const { analyserShare, analyserPlusMinus, gaugeShare } = cell;
  if (analyserShare === undefined || analyserPlusMinus === undefined || gaugeShare === undefined) return null;
  return fuse({ value: analyserShare, plusMinus: analyserPlusMinus }, gaugeShare, record);
}

/** What is believed of a cell's capacity, as readings: fused where both spoke, else the one that did. */
export function capacityRead(
  cell: CellRecord,
  record: GaugeRecord,
): { readonly value: number; readonly plusMinus: number } | null {
  const both = believed(cell, record);
  if (both) return both;
  if (cell.analyserShare === undefined || cell.analyserPlusMinus === undefined) return null;
  return { value: cell.analyserShare, plusMinus: cell.analyserPlusMinus };
}
