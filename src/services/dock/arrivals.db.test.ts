import { randomUUID } from 'node:crypto';
import { wordedFact } from '@/core/shop/makeFact';
import type { FactType, Payloads } from '@/core/shop/facts';
import type { Person } from '@/core/people/roles';
import { recordFact } from '@/services/facts/recordFact';
import { reportLost } from '@/services/triage/reportLost';
import { handset } from '../../../tests/support/models';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { findSerial } from './findSerial';
import { readDock } from './readDock';

/** What comes in may be elsewhere, lost, or taken away under a colleague’s hands. */
let scratch: Scratch;
let imke: Person;
const now = new Date('2026-11-26T08:00:00Z');
const versions = new Map<string, number>();
beforeAll(async () => {
  scratch = await scratchDatabase();
  imke = await somebody(scratch.db, 'Imke R.');
});
afterAll(() => scratch.drop());

async function attempt<T extends FactType>(type: T, subjectId: string, payload: Payloads[T]) {
  const expects = type === 'undone' ? null : (versions.get(subjectId) ?? null);
  const fact = wordedFact<FactType>({ type, subjectId, payload }, { id: randomUUID(), expects, at: now.toISOString() });
  const outcome = await recordFact(scratch.db, imke, fact, now);
  if (outcome.ok)
    for (const { id: thing, after } of outcome.value.results) if (after) versions.set(thing, after.version);
  return { id: fact.id, outcome };
}

async function act<T extends FactType>(type: T, subjectId: string, payload: Payloads[T]): Promise<string> {
  const { id, outcome } = await attempt(type, subjectId, payload);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  return id;
}

async function parcelWith(code: string, serials: readonly string[]) {
  const id = randomUUID();
  await act('parcel-made', id, {
    code,
    supplier: 'Ferry line',
    pricePaidCents: 1000,
    transportCents: 0,
    receivedOn: '2026-11-26',
  });
  const lines = serials.map((serial, at) => ({
    lineNo: at + 1,
    maker: handset.maker,
    model: handset.name,
    serial,
    note: '',
  }));
  await act('lines-expected', id, { fileName: 'list.csv', lines });
  return id;
}

const identity = (serial: string) => ({
  modelId: handset.id,
  modelVersion: handset.version,
  revision: handset.revisions[0]?.id ?? '',
  configuration: handset.configurations[0]?.id ?? '',
  variant: handset.variants[0]?.id ?? '',
  serial,
});

test('a serial is found on the list of another parcel, and as a unit once it is tagged', async () => {
  const spring = await parcelWith('Spring lot', ['A-1', 'A-2']);
  expect(await findSerial(scratch.db, 'A-2')).toEqual({
    here: null,
    line: { parcelId: spring, parcel: 'Spring lot', lineNo: 2 },
    unit: null,
  });
  await act('unit-tagged', randomUUID(), { parcelId: spring, lineNo: 2 });
  const known = await findSerial(scratch.db, 'A-2');
  expect(known.line).toBeNull();
  expect(known.unit).toMatchObject({ stage: 'triage', parcel: 'Spring lot' });
  expect(await findSerial(scratch.db, 'A-3')).toEqual({ here: null, line: null, unit: null });
});

test('of a long list the first lines are shown, all are counted, and every one is found', async () => {
  const serials = Array.from({ length: 260 }, (_, at) => `LONG-${1000 + at}`);
  const long = await parcelWith('Long lot', serials);
  const shown = async () => {
    const { open } = await readDock(scratch.db, long);
    return [open?.lines.length, open?.openCount];
  };
  expect(await shown()).toEqual([200, 260]);
  expect((await findSerial(scratch.db, 'long 1249', long)).here).toMatchObject({ lineNo: 250, isExact: true });
  // A letter that is read for the digit: found, and said.
  expect((await findSerial(scratch.db, 'LONG-I249', long)).here).toMatchObject({ lineNo: 250, isExact: false });
  expect((await findSerial(scratch.db, 'LONG-9999', long)).here).toBeNull();
  const elsewhere = await parcelWith('Other lot', ['S-1']);
  expect((await findSerial(scratch.db, 'LONG-1249', elsewhere)).here).toBeNull();
  await act('unit-tagged', randomUUID(), { parcelId: long, lineNo: 250 });
  expect(await shown()).toEqual([200, 259]);
  expect((await findSerial(scratch.db, 'LONG-1249', long)).here).toBeNull();
});

test('the record of a supplier counts what was counted, over all its parcels', async () => {
  const first = await parcelWith('Counted lot', ['B-1', 'B-2', 'B-3', 'B-4']);
  await act('unit-tagged', randomUUID(), { parcelId: first, lineNo: 1 });
  const before = await readDock(scratch.db, first);
  expect(before.open?.supplier).toMatchObject({ counted: 0, promised: 0 });
  await act('parcel-counted', first, { isCounted: true });
  const second = await parcelWith('Next lot', ['C-1']);
  const { open } = await readDock(scratch.db, second);
  expect(open?.supplier).toMatchObject({ counted: 1, promised: 4, asPromised: 1, byKind: { missing: 3 }, cents: 750 });
});

test('the server, too, refuses to decide what was reported lost', async () => {
  const parcelId = await parcelWith('Lost lot', []);
  const unitId = randomUUID();
  await act('unit-tagged', unitId, { parcelId, lineNo: null });
  await act('unit-identified', unitId, identity('LOST-77'));
  await reportLost(scratch.db, ['lost 77'], imke, now);
  const { outcome } = await attempt('unit-decided', unitId, {
    disposition: 'build',
    proposed: 'build',
    apartPlace: null,
  });
  expect(outcome).toMatchObject({ ok: false, refusal: { reason: 'reported-lost' } });
  await act('unit-decided', unitId, { disposition: 'quarantine', proposed: 'build', apartPlace: 'ownership' });
});

test('a tag taken back under a colleague’s triage: refused in words, and nothing is left of it', async () => {
  const parcelId = await parcelWith('Short lot', ['D-1']);
  const unitId = randomUUID();
  const tagging = await act('unit-tagged', unitId, { parcelId, lineNo: 1 });
  const list = await attempt('undone', parcelId, { factId: randomUUID() });
  expect(list.outcome.ok).toBe(false);
  await act('undone', unitId, { factId: tagging });
  const { outcome } = await attempt('test-noted', unitId, { test: 'starts', result: 'sound' });
  expect(outcome).toMatchObject({ ok: false, refusal: { reason: 'not-found' } });
  expect(await scratch.db('units').where({ id: unitId })).toEqual([]);
});

test('a parcel cannot be taken back while a unit of it is in triage; after that it can', async () => {
  const parcelId = randomUUID();
  const made = await act('parcel-made', parcelId, {
    code: 'Mistaken lot',
    supplier: 'Ferry line',
    pricePaidCents: 1,
    transportCents: 0,
    receivedOn: '2026-11-26',
  });
  const unitId = randomUUID();
  const tagging = await act('unit-tagged', unitId, { parcelId, lineNo: null });
  await act('unit-identified', unitId, identity('E-1'));
  const refused = await attempt('undone', parcelId, { factId: made });
  expect(refused.outcome).toMatchObject({ ok: false, refusal: { reason: 'stands-on-it' } });
  expect(await scratch.db('units').where({ id: unitId })).toHaveLength(1);
  const last = (await scratch.db('facts').where({ subject_id: unitId, type: 'unit-identified' }).first('id')) as {
    id: string;
  };
  await act('undone', unitId, { factId: last.id });
  await act('undone', unitId, { factId: tagging });
  await act('undone', parcelId, { factId: made });
  expect(await scratch.db('parcels').where({ id: parcelId })).toEqual([]);
});
