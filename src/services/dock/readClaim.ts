import { addressed } from '@/core/contacts/contacts';
import { addressOf } from '@/data/contacts/contactRepository';
import { senderOf } from '@/core/shared/houseRules';
import { setShopWriting } from '@/words/shopWriting';
import { currentRules } from '@/data/rules/houseRulesRepository';
import type { Knex } from 'knex';
import { parcelClaim } from '@/data/parcels/parcelClaim';
import { findParcel } from '@/data/parcels/parcelRepository';
import { parcelUnits } from '@/data/parcels/parcelUnits';
import type { ClaimSheet } from '@/files/writeClaim';

/** What a supplier is asked about a parcel, as it goes on the sheet. */
export async function readClaim(db: Knex, parcelId: string): Promise<ClaimSheet | undefined> {
  const parcel = await findParcel(db, parcelId);
  if (!parcel) return undefined;
  const { code, supplier, receivedOn } = parcel;
  const differences = await parcelClaim(db, parcel, await parcelUnits(db, parcelId));
  const [{ shop }, address] = await Promise.all([currentRules(db), addressOf(db, 'supplier', supplier)]);
  setShopWriting(shop);
  return { parcel: code, supplier: addressed(supplier, address), from: senderOf(shop), receivedOn, differences };
}
