import type { Knex } from 'knex';
import type { Contact, ContactKind } from '@/core/contacts/contacts';
import type { ContactRow } from '@/data/rows';

export async function listContacts(db: Knex): Promise<readonly Contact[]> {
  const rows = (await db('contacts').orderBy(['kind', 'name'])) as ContactRow[];
  return rows.map(({ kind, name, address }) => ({ kind, name, address }));
}

/** Where somebody is; null when nobody said. Names are the same whatever their capitals. */
export async function addressOf(db: Knex, kind: ContactKind, name: string): Promise<string | null> {
  const row = (await db('contacts').where({ kind, name: name.trim() }).first('address')) as
    Pick<ContactRow, 'address'> | undefined;
  return row?.address ?? null;
}

/** Notes somebody, or their address anew. */
export async function writeContact(
  trx: Knex,
  { kind, name, address }: Contact,
  made: { readonly at: Date; readonly by: string },
): Promise<void> {
  await trx('contacts')
    .insert({ kind, name, address, noted_by: made.by, noted_at: made.at })
    .onConflict(['kind', 'name'])
    .merge(['address', 'noted_by', 'noted_at']);
}
