import { demoDay, demoScratch, somebody, type Scratch } from '../../../tests/support/scratch';
import type { Person } from '@/core/people/roles';
import { readClaim } from '@/services/dock/readClaim';
import { readSend } from '@/services/send/readSend';
import { readContacts } from './readContacts';
import { saveContact } from './saveContact';

let scratch: Scratch;
let lead: Person;
const now = demoDay;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  lead = await somebody(scratch.db, 'Ada L.', 'lead');
}, 120_000);
afterAll(() => scratch.drop());

test('everybody the shop dealt with is there, with what plain counting gives', async () => {
  const contacts = await readContacts(scratch.db);
  const parcels = (await scratch.db('parcels')) as { id: string; supplier: string; received_on: string }[];
  const units = (await scratch.db('units')) as { parcel_id: string; shipment: string | null }[];
  const bySupplier = new Map<string, typeof parcels>();
  for (const parcel of parcels) bySupplier.set(parcel.supplier, [...(bySupplier.get(parcel.supplier) ?? []), parcel]);
  const suppliers = contacts.filter(({ kind }) => kind === 'supplier');
  expect(suppliers.map(({ name }) => name).sort()).toEqual([...bySupplier.keys()].sort());
  for (const { name, lots, units: sum, lastOn } of suppliers) {
    const own = bySupplier.get(name) ?? [];
    expect(lots).toBe(own.length);
    expect(sum).toBe(units.filter(({ parcel_id }) => own.some(({ id }) => id === parcel_id)).length);
    expect(lastOn).toBe(
      own
        .map(({ received_on }) => received_on)
        .sort()
        .at(-1),
    );
  }
  const sent = units.filter(({ shipment }) => shipment !== null);
  const customers = contacts.filter(({ kind }) => kind === 'customer');
  expect(customers.reduce((sum, { units: each }) => sum + each, 0)).toBe(sent.length);
  expect(customers.reduce((sum, { lots }) => sum + lots, 0)).toBe(new Set(sent.map(({ shipment }) => shipment)).size);
});

test('an address is on the claim, in whatever capitals the name was noted; noting it twice is noting it once', async () => {
  const [parcel] = (await scratch.db('parcels').limit(1)) as { id: string; supplier: string }[];
  const { id, supplier } = parcel as { id: string; supplier: string };
  const note = (address: string | null) =>
    saveContact(
      scratch.db,
      { kind: 'supplier', name: ` ${supplier.toUpperCase()} `, address },
      { at: now, by: lead.id },
    );
  await note('Pier 4, Saltreach');
  await note('Pier 5, Saltreach');
  expect((await readClaim(scratch.db, id))?.supplier).toBe(`${supplier}, Pier 5, Saltreach`);
  expect(
    (await readContacts(scratch.db)).filter(({ kind, name }) => kind === 'supplier' && name === supplier),
  ).toHaveLength(1);
  await note('   ');
  expect((await readClaim(scratch.db, id))?.supplier).toBe(supplier);
});

test('a new customer is offered at Send before the first shipment', async () => {
  await saveContact(
    scratch.db,
    { kind: 'customer', name: 'Lighthouse school', address: null },
    { at: now, by: lead.id },
  );
  expect((await readSend(scratch.db, now)).customers).toContain('Lighthouse school');
  expect((await readContacts(scratch.db)).find(({ name }) => name === 'Lighthouse school')).toMatchObject({ lots: 0 });
});
