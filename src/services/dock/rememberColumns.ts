import type { Knex } from 'knex';
import type { RememberedMapping } from '@/core/intake/columnMapping';
import { findParcel } from '@/data/parcels/parcelRepository';
import { rememberMapping } from '@/data/parcels/supplierColumns';

/** Remembers for the supplier of a parcel which column of its lists is which. */
export async function rememberColumns(db: Knex, parcelId: string, mapping: RememberedMapping): Promise<void> {
  const parcel = await findParcel(db, parcelId);
  if (parcel) await rememberMapping(db, parcel.supplier, mapping);
}
