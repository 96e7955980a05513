import { randomUUID } from 'node:crypto';
import type { Person } from '@/core/people/roles';
import { insertSelfTest, saveDone, selfTestOf } from '@/data/selfTest/selfTestRepository';
import { recordFact } from '@/services/facts/recordFact';
import { demoDay, demoScratch, somebody, type Scratch } from '../../../tests/support/scratch';
import { openSelfTest } from './openSelfTest';
import { readSelfReads } from './readSelfReads';
import { readSelfTest } from './readSelfTest';
import { weighSelfRead } from './weighSelfRead';

let scratch: Scratch;
let imke: Person;
const now = demoDay;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  imke = await somebody(scratch.db, 'Tester of units');
});
afterAll(() => scratch.drop());

const unitAt = async (stage: string) =>
  (await scratch.db('units').where({ stage }).whereNotNull('model_version').first('id', 'tag', 'version')) as {
    readonly id: string;
    readonly tag: string;
    readonly version: number;
  };
const touch = { is: 'touch', columns: 8, rows: 16, missed: [3], fingers: 2 } as const;
const later = (minutes: number) => new Date(now.getTime() + minutes * 60_000);

async function made(unitId: string, part?: string): Promise<string> {
  const page = await openSelfTest(scratch.db, { unitId, part }, imke, now);
  if (!page.ok) throw new Error(page.refusal.reason);
  return page.value.code;
}

test('a code holds for two hours, for the last page of a unit alone', async () => {
  const { id } = await unitAt('prove');
  const first = await made(id);
  const second = await made(id);
  expect(await readSelfTest(scratch.db, first, now)).toMatchObject({ refusal: { reason: 'self-test-over' } });
  expect(await selfTestOf(scratch.db, id, null, now)).toMatchObject({ code: second, openedAt: null });
  expect(await readSelfTest(scratch.db, second.toLowerCase(), later(119))).toMatchObject({ ok: true });
  expect(await selfTestOf(scratch.db, id, null, now)).toMatchObject({ openedAt: later(119).toISOString() });
  expect(await readSelfTest(scratch.db, second, later(121))).toMatchObject({ ok: false });
  expect(await weighSelfRead(scratch.db, second, { id: randomUUID(), read: touch }, later(121))).toMatchObject({
    refusal: { reason: 'self-test-over' },
  });
});

test('what is read becomes facts by whoever made the page, at its bench, and is found again with what it was', async () => {
  const unit = await unitAt('prove');
  const code = await made(unit.id);
  const given = { id: randomUUID(), read: touch };
  const [one, again] = [
    await weighSelfRead(scratch.db, code, given, now),
    await weighSelfRead(scratch.db, code, given, now),
  ];
  if (!one.ok || !again.ok) throw new Error('refused');
  // The same read is the same fact, so that what is sent twice counts once.
  expect(again.value.facts.map(({ id }) => id)).toEqual(one.value.facts.map(({ id }) => id));
  expect(one.value).toMatchObject({
    person: { id: imke.id, bench: imke.bench },
    // 127 of 128 fields.
    tests: { touch: 'sound' },
    facts: [{ type: 'proof-noted', payload: { test: 'touch', result: 'sound', read: touch } }],
    messages: [],
  });
  const [fact] = one.value.facts;
  if (!fact) throw new Error('no fact');
  expect(await recordFact(scratch.db, one.value.person, { ...fact, expects: unit.version }, now)).toMatchObject({
    ok: true,
  });
  const { reads } = await readSelfReads(scratch.db, unit.id, null, true, now);
  expect(reads).toEqual([{ read: touch, at: now.toISOString(), person: 'Tester of units' }]);
  // Undone, nothing was read.
  await recordFact(
    scratch.db,
    imke,
    {
      id: randomUUID(),
      type: 'undone',
      subjectId: unit.id,
      expects: null,
      at: now.toISOString(),
      payload: { factId: fact.id },
    },
    now,
  );
  expect((await readSelfReads(scratch.db, unit.id, null, true, now)).reads).toEqual([]);
});

test('a unit that moved on, a part of another unit and somebody who left are refused', async () => {
  const teardown = await unitAt('teardown');
  expect(await openSelfTest(scratch.db, { unitId: teardown.id }, imke, now)).toMatchObject({
    refusal: { reason: 'wrong-stage', values: { tag: teardown.tag } },
  });
  const display = (await scratch.db('parts').where({ category: 'display' }).first('tag', 'unit_id')) as {
    readonly tag: string;
    readonly unit_id: string;
  };
  expect(await openSelfTest(scratch.db, { unitId: teardown.id, part: display.tag }, imke, now)).toMatchObject({
    refusal: { reason: 'not-found' },
  });
  const code = await made(display.unit_id, display.tag);
  const weighed = await weighSelfRead(scratch.db, code, { id: randomUUID(), read: touch }, now);
  expect(weighed).toMatchObject({
    value: { facts: [], messages: [{ instrument: 'screen', part: display.tag, value: 99.2, unit: '%' }] },
  });
  // Another one may read the same part later; whoever is gone records nothing any more.
  await scratch.db('people').where({ id: imke.id }).update({ left_at: now });
  try {
    expect(await weighSelfRead(scratch.db, code, { id: randomUUID(), read: touch }, now)).toMatchObject({
      refusal: { reason: 'self-test-over' },
    });
  } finally {
    await scratch.db('people').where({ id: imke.id }).update({ left_at: null });
  }
});

test('what was gone through is kept once, however often it is said', async () => {
  const { id } = await unitAt('prove');
  await insertSelfTest(scratch.db, { code: 'ABCDEF', unitId: id, part: null, bench: 'bench-1', madeBy: imke.id }, now);
  for (const kind of ['touch', 'picture', 'touch'] as const) await saveDone(scratch.db, 'ABCDEF', kind);
  expect(await selfTestOf(scratch.db, id, null, now)).toMatchObject({ done: ['touch', 'picture'] });
});

test('who only looks sees what was read, and not the code that records under another name', async () => {
  const { id } = await unitAt('prove');
  const code = await made(id);
  expect(await readSelfReads(scratch.db, id, null, true, now)).toMatchObject({
    page: { code, madeBy: 'Tester of units' },
  });
  expect(await readSelfReads(scratch.db, id, null, false, now)).toMatchObject({ page: null });
});
