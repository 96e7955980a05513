import { phone, handset } from '../../../tests/support/models';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import type { Person } from '@/core/people/roles';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { partKinds } from '@/data/models/partKinds';
import { readPrices } from './readPrices';
import { readPricesPreview } from './readPricesPreview';
import { setPrices } from './setPrices';

let scratch: Scratch;
let lead: Person;
const now = new Date('2026-11-26T10:00:00Z');
const part = phone.parts.find(({ valueCents }) => valueCents !== undefined)?.id as string;
const cents = (a: number) => ({ A: a, B: a - 100, C: a - 200, D: a - 300 });
beforeAll(async () => {
  scratch = await scratchDatabase();
  lead = await somebody(scratch.db, 'Sunniva T.', 'lead');
});
afterAll(() => scratch.drop());

const set = (fromDay: string, prices: Parameters<typeof setPrices>[1]['prices'], modelId = phone.id) =>
  setPrices(scratch.db, { modelId, fromDay, prices }, { at: now, by: lead.id });
const of = async (day: string) => {
  const [model] = await modelsOfUnits(
    scratch.db,
    [{ modelId: phone.id, modelVersion: phone.version }],
    new Date(`${day}T10:00:00Z`),
  );
  return [model?.priceCents.A, model?.parts.find(({ id }) => id === part)?.valueCents?.A];
};

test('prices from today and from a later day: each day its own, and what is not priced stays the author’s', async () => {
  const written = [phone.priceCents.A, phone.parts.find(({ id }) => id === part)?.valueCents?.A];
  expect(await of('2026-11-26')).toEqual(written);
  expect(await set('2026-11-26', [{ partRef: null, cents: cents(9900) }])).toEqual({ ok: true, value: { set: 1 } });
  await set('2026-12-01', [
    { partRef: null, cents: cents(8800) },
    { partRef: part, cents: cents(777) },
  ]);
  expect(await of('2026-11-25')).toEqual(written);
  expect(await of('2026-11-26')).toEqual([9900, written[1]]);
  expect(await of('2026-12-01')).toEqual([8800, 777]);
  const kinds = await partKinds(scratch.db, new Date('2026-12-02T10:00:00Z'));
  expect(kinds[`${phone.id}/${part}`]?.valueCents).toEqual(cents(777));
  // Without a day the author's: the library and the editor show what was written.
  const [plain] = await modelsOfUnits(scratch.db, [{ modelId: phone.id, modelVersion: phone.version }]);
  expect(plain?.priceCents).toEqual(phone.priceCents);

  const view = await readPrices(scratch.db, phone.id, now);
  expect(view.things[0]).toMatchObject({ partRef: null, cents: cents(9900), since: '2026-11-26' });
  expect(view.things.find(({ partRef }) => partRef === part)).toMatchObject({ since: null });
  expect(view.history.map(({ fromDay, partRef, by }) => [fromDay, partRef, by])).toEqual([
    ['2026-12-01', part, 'Sunniva T.'],
    ['2026-12-01', null, 'Sunniva T.'],
    ['2026-11-26', null, 'Sunniva T.'],
  ]);
  expect((await readPrices(scratch.db, 'nothing', now)).chosen).not.toBeNull();
});

test('what cannot be is refused whole: a past day, a part that is not sold, a D dearer than a C, a model nobody has', async () => {
  const before = (await readPrices(scratch.db, handset.id, now)).history;
  const worthless = handset.parts.find(({ valueCents }) => valueCents === undefined)?.id ?? 'none';
  const unit = { partRef: null, cents: cents(5000) };
  const refusals = [
    await set('2026-11-25', [unit], handset.id),
    await set('2026-11-26', [unit, { partRef: worthless, cents: cents(900) }], handset.id),
    await set('2026-11-26', [unit, { partRef: null, cents: { A: 9, B: 8, C: 3, D: 5 } }], handset.id),
    await set('2026-11-26', [unit], 'no-such-model'),
  ].map((outcome) => (outcome.ok ? 'taken' : outcome.refusal.reason));
  expect(refusals).toEqual(['price-day', 'price-part', 'price-order', 'not-found']);
  expect((await readPrices(scratch.db, handset.id, now)).history).toEqual(before);
});

test('a preview changes nothing', async () => {
  const before = (await readPrices(scratch.db, phone.id, now)).history;
  const looked = await readPricesPreview(
    scratch.db,
    { modelId: phone.id, fromDay: '2026-11-26', prices: [{ partRef: null, cents: cents(90_000) }] },
    now,
  );
  expect(looked).toMatchObject({ ok: true, value: { turns: [], units: 0 } });
  expect((await readPrices(scratch.db, phone.id, now)).history).toEqual(before);
});
