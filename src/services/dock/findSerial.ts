import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import { findParcel } from '@/data/parcels/parcelRepository';
import { openLinesWithSerial, unitsWithSerial } from '@/data/parcels/serialElsewhere';

/** Where a serial is known in this shop. */
export interface SerialKnown {
  /** A line of a list that waits for it. */
  readonly line: { readonly parcelId: string; readonly parcel: string; readonly lineNo: number } | null;
  /** A unit that has it, or was tagged for the line that has it. */
  readonly unit: (Pick<Unit, 'tag' | 'stage'> & { readonly parcel: string }) | null;
}

/** Looks a scanned serial up in all parcels: it may have come in another box, or be tagged already. */
export async function findSerial(db: Knex, serial: string): Promise<SerialKnown> {
  const [[line], [unit]] = await Promise.all([openLinesWithSerial(db, serial), unitsWithSerial(db, serial)]);
  const codeOf = async (parcelId: string) => (await findParcel(db, parcelId))?.code ?? '';
  return {
    line: line ? { parcelId: line.parcelId, lineNo: line.lineNo, parcel: await codeOf(line.parcelId) } : null,
    unit: unit ? { tag: unit.tag, stage: unit.stage, parcel: await codeOf(unit.parcelId) } : null,
  };
}
