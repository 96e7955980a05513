import type { Knex } from 'knex';
import type { ParcelLine, Unit } from '@/core/entities/entities';
import { findParcel } from '@/data/parcels/parcelRepository';
import { findSerial as amongSerials } from '@/core/shared/serials';
import { openLines } from '@/data/parcels/parcelRepository';
import { openLinesWithSerial, unitsWithSerial } from '@/data/parcels/serialElsewhere';

/** Where a serial is known in this shop. */
export interface SerialKnown {
  /** The line of the asked parcel that waits for it, or for one that is easily misread as it. */
  readonly here: (Pick<ParcelLine, 'lineNo' | 'model' | 'serial'> & { readonly isExact: boolean }) | null;
  /** A line of a list that waits for it. */
  readonly line: { readonly parcelId: string; readonly parcel: string; readonly lineNo: number } | null;
  /** A unit that has it, or was tagged for the line that has it. */
  readonly unit: (Pick<Unit, 'tag' | 'stage'> & { readonly parcel: string }) | null;
}

/**
 * Looks a scanned serial up in all parcels: it may have come in another box, or be tagged already.
 *
 * @param parcelId  the one that lies on the bench, whose lines are looked at first
 */
export async function findSerial(db: Knex, serial: string, parcelId?: string): Promise<SerialKnown> {
  const [[line], [unit], open] = await Promise.all([
    openLinesWithSerial(db, serial),
    unitsWithSerial(db, serial),
    parcelId === undefined ? [] : openLines(db, parcelId),
  ]);
  const match = amongSerials(serial, open);
  const codeOf = async (parcelId: string) => (await findParcel(db, parcelId))?.code ?? '';
  return {
    here: match && {
      lineNo: match.entry.lineNo,
      model: match.entry.model,
      serial: match.entry.serial,
      isExact: match.isExact,
    },
    line: line ? { parcelId: line.parcelId, lineNo: line.lineNo, parcel: await codeOf(line.parcelId) } : null,
    unit: unit ? { tag: unit.tag, stage: unit.stage, parcel: await codeOf(unit.parcelId) } : null,
  };
}
