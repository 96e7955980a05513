import type { Knex } from 'knex';
import type { PurchaseOffer } from '@/core/matching/offers';
import type { PurchaseOfferRow } from '@/data/rows';

/** Offers that hold, the cheapest first. */
export async function openOffers(db: Knex): Promise<readonly PurchaseOffer[]> {
  const rows = (await db('purchase_offers')
    .whereNull('ended_at')
    .orderBy(['interchange', 'cents', 'id'])) as PurchaseOfferRow[];
  return rows.map((row) => ({
    id: row.id,
    interchange: row.interchange,
    supplier: row.supplier,
    grade: row.grade,
    cents: row.cents,
    most: row.most,
    leadDays: row.lead_days,
    warrantyDays: row.warranty_days,
  }));
}

/** Sent twice it is one. */
export async function insertOffer(
  db: Knex,
  offer: PurchaseOffer,
  made: { readonly at: Date; readonly by: string },
): Promise<void> {
  await db('purchase_offers')
    .insert({
      id: offer.id,
      interchange: offer.interchange,
      supplier: offer.supplier,
      grade: offer.grade,
      cents: offer.cents,
      most: offer.most,
      lead_days: offer.leadDays,
      warranty_days: offer.warrantyDays,
      made_by: made.by,
      made_at: made.at,
    })
    .onConflict('id')
    .ignore();
}

/** It holds no more. @returns false where there is none such that does */
export async function endOffer(db: Knex, id: string, now: Date): Promise<boolean> {
  return (await db('purchase_offers').where({ id }).whereNull('ended_at').update({ ended_at: now })) > 0;
}
