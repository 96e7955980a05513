import type { Knex } from 'knex';
import { parcelClaim } from '@/data/parcels/parcelClaim';
import type { ClaimSheet } from '@/files/writeClaim';

/** What a supplier is asked about a parcel, as it goes on the sheet. */
export async function readClaim(db: Knex, parcelId: string, from: string): Promise<ClaimSheet | undefined> {
  const claim = await parcelClaim(db, parcelId);
  if (!claim) return undefined;
  const { code, supplier, receivedOn } = claim.parcel;
  return { parcel: code, supplier, from, receivedOn, differences: claim.differences };
}
