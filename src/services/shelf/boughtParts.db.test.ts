import { randomUUID } from 'node:crypto';
import type { FactType, Payloads } from '@/core/shop/facts';
import type { Person } from '@/core/people/roles';
import { wordedFact } from '@/core/shop/makeFact';
import type { Readings } from '@/core/grading/attributes';
import type { PartCategory } from '@/core/procedure/vocabulary';
import { recount } from '@/data/tallies/catchUp';
import { readTallies } from '@/data/tallies/readTallies';
import { compareWithLog } from '@/services/facts/compareWithLog';
import { recordFact } from '@/services/facts/recordFact';
import { readThing } from '@/services/things/readThing';
import { bestReadings } from '../../../tests/support/bestReadings';
import { handset } from '../../../tests/support/models';
import { rightPayloads } from '../../../tests/support/rightPayloads';
import { demoDay, demoScratch, somebody, type Scratch } from '../../../tests/support/scratch';

let scratch: Scratch;
let person: Person;
const now = demoDay;
const purchase = { ...rightPayloads['part-bought'], modelId: handset.id, modelVersion: handset.version };
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  person = await somebody(scratch.db, 'Wiebke O.');
});
afterAll(() => scratch.drop());

async function say<T extends FactType>(
  type: T,
  id: string,
  payload: Payloads[T],
  expects: number | null,
  factId?: string,
) {
  const fact = wordedFact<FactType>(
    { type, subjectId: id, payload },
    { id: factId ?? randomUUID(), expects, at: now.toISOString() },
  );
  return recordFact(scratch.db, person, fact, now);
}
const counted = async () => {
  const { place, stock } = await readTallies(scratch.db, ['place', 'stock']);
  return {
    grade: place.find(({ about }) => about === 'grade')?.count ?? 0,
    stock: stock.reduce((sum, { count }) => sum + count, 0),
  };
};
const partOf = (id: string) => scratch.db('parts').where({ id }).first();

test('a bought part is counted, graded, shelved and told of like one that came out of a unit; sent twice it is one', async () => {
  const [id, factId] = [randomUUID(), randomUUID()];
  const before = await counted();
  expect((await say('part-bought', id, purchase, null, factId)).ok).toBe(true);
  expect(await say('part-bought', id, purchase, null, factId)).toMatchObject({ ok: true, value: { isRepeat: true } });
  expect(await counted()).toEqual({ ...before, grade: before.grade + 1 });
  const row = (await partOf(id)) as { readonly tag: string; readonly version: number; readonly category: PartCategory };
  expect(row).toMatchObject({ unit_id: id, place: 'grade', is_data_cleared: 1 });
  // Its label is with the printer.
  expect(await scratch.db('label_jobs').where({ tag: row.tag })).toHaveLength(1);

  const readings = bestReadings(row as never) as Readings;
  expect((await say('part-graded', id, { readings }, row.version)).ok).toBe(true);
  const graded = (await partOf(id)) as { readonly version: number };
  expect((await say('part-shelved', id, { bin: 'A01' }, graded.version)).ok).toBe(true);
  expect(await counted()).toEqual({ ...before, stock: before.stock + 1 });
  expect(await readThing(scratch.db, row.tag, now)).toMatchObject({
    kind: 'part',
    unitTag: '',
    part: { bought: { condition: 'new', supplier: 'Quayside Parts', cents: 1850, warrantyUntil: '2027-11-26' } },
  });
  // Counted anew from nothing it is the same, and the log replays to what the tables say.
  const shown = await counted();
  while (!(await recount(scratch.db, now)));
  expect(await counted()).toEqual(shown);
  expect((await compareWithLog(scratch.db)).differences).toEqual([]);
});

test('a purchase that is taken back leaves nothing of it; one of a part that no model has is refused', async () => {
  const [id, factId] = [randomUUID(), randomUUID()];
  const before = await counted();
  await say('part-bought', id, purchase, null, factId);
  expect((await say('undone', id, { factId }, null)).ok).toBe(true);
  expect(await partOf(id)).toBeUndefined();
  expect(await counted()).toEqual(before);
  const wrong = (given: object) => say('part-bought', randomUUID(), { ...purchase, ...given }, null);
  expect(await wrong({ partRef: 'sail' })).toMatchObject({ refusal: { reason: 'not-found' } });
  expect(await wrong({ modelId: 'no-such-model' })).toMatchObject({ refusal: { reason: 'unknown-model' } });
});
