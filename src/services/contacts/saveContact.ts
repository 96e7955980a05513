import type { Knex } from 'knex';
import type { Contact } from '@/core/contacts/contacts';
import { accept, type Outcome } from '@/core/shared/outcome';
import { writeContact } from '@/data/contacts/contactRepository';
import { transaction } from '@/data/transaction';

/** Notes a supplier or customer, or their address anew. */
export async function saveContact(
  db: Knex,
  { kind, name, address }: Contact,
  made: { readonly at: Date; readonly by: string },
): Promise<Outcome<Contact>> {
  const plain = { kind, name: name.trim(), address: address?.trim() || null };
  return transaction(db, async (trx) => {
    await writeContact(trx, plain, made);
    return accept(plain);
  });
}
