import type { Knex } from 'knex';
import { dealingsOf, type Dealings } from '@/core/contacts/contacts';
import { shopDay } from '@/core/shared/shopDay';
import { countCustomers, countSuppliers, listContacts } from '@/data/contacts/contactRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';

/** Suppliers and customers, with what was counted of them. */
export async function readContacts(db: Knex): Promise<readonly Dealings[]> {
  const [contacts, suppliers, customers, { shop }] = await Promise.all([
    listContacts(db),
    countSuppliers(db),
    countCustomers(db),
    currentRules(db),
  ]);
  const dated = customers.map(({ lastAt, ...rest }) => ({
    ...rest,
    lastOn: shopDay(lastAt.getTime(), shop.timeZone),
  }));
  return dealingsOf([...suppliers, ...dated], contacts);
}
