import type { Knex } from 'knex';
import type { Contact, ContactKind, Dealings } from '@/core/contacts/contacts';
import { standingFacts } from '@/data/facts/standingFacts';
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

/** Parcels and their units by supplier. */
export async function countSuppliers(db: Knex): Promise<readonly Omit<Dealings, 'address'>[]> {
  const units = db('units').select('parcel_id').count({ n: '*' }).groupBy('parcel_id').as('u');
  const rows = (await db('parcels as p')
    .leftJoin(units, 'u.parcel_id', 'p.id')
    .groupBy('p.supplier')
    .select({ name: 'p.supplier' })
    .count({ lots: 'p.id' })
    .sum({ units: 'u.n' })
    .max({ lastOn: 'p.received_on' })) as { name: string; lots: number; units: string | null; lastOn: string }[];
  return rows.map(({ name, lots, units: sum, lastOn }) => ({
    kind: 'supplier',
    name,
    lots: Number(lots),
    units: Number(sum ?? 0),
    lastOn,
  }));
}

/** Shipments and their units by recipient. */
export async function countCustomers(
  db: Knex,
): Promise<readonly (Omit<Dealings, 'address' | 'lastOn'> & { readonly lastAt: Date })[]> {
  const rows = (await standingFacts(db)
    .where('e.type', 'unit-sent')
    .groupByRaw(`json_value(e.payload, '$.recipient')`)
    .select({ name: db.raw(`json_value(e.payload, '$.recipient')`) })
    .countDistinct({ lots: db.raw(`json_value(e.payload, '$.shipment')`) })
    .count({ units: '*' })
    .max({ lastAt: 'e.server_at' })) as { name: string; lots: number; units: number; lastAt: Date }[];
  return rows.map(({ name, lots, units, lastAt }) => ({
    kind: 'customer',
    name,
    lots: Number(lots),
    units: Number(units),
    lastAt,
  }));
}
