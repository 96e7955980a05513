import type { Knex } from 'knex';
import { countLots, dealingsOf, type Dealings } from '@/core/contacts/contacts';
import { shopDay } from '@/core/shared/shopDay';
import { listContacts } from '@/data/contacts/contactRepository';
import { listParcels, stageCounts } from '@/data/parcels/parcelRepository';
import { sentShipments } from '@/data/send/sentShipments';
import { readTallies } from '@/data/tallies/readTallies';
import { currentRules } from '@/data/rules/houseRulesRepository';

/** Suppliers and customers, with what was counted of them. */
export async function readContacts(db: Knex): Promise<readonly Dealings[]> {
  const [contacts, parcels, tallies, { shop }] = await Promise.all([
    listContacts(db),
    listParcels(db),
    readTallies(db, ['parcel-stage', 'sent']),
    currentRules(db),
  ]);
  const stages = stageCounts(tallies);
  const unitsOf = (parcelId: string) => (stages.get(parcelId) ?? []).reduce((sum, { count }) => sum + count, 0);
  const suppliers = parcels.map(({ id, supplier, receivedOn }) => ({
    name: supplier,
    units: unitsOf(id),
    lastOn: receivedOn,
  }));
  const customers = sentShipments(tallies).map(({ recipient, units, sentAt }) => ({
    name: recipient,
    units,
    lastOn: shopDay(Date.parse(sentAt), shop.timeZone),
  }));
  return dealingsOf([...countLots('supplier', suppliers), ...countLots('customer', customers)], contacts);
}
