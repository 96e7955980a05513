import { randomUUID } from 'node:crypto';
import { scratchDatabase, type Scratch } from '../../../tests/support/scratch';
import type { Part } from '@/core/entities/entities';
import { fromPart } from './partRows';
import { plainQuery } from '@/core/shelf/shelfQuery';
import { findPart } from './partRepository';
import { shelfRows } from './shelfRows';

let scratch: Scratch;
const part = (tag: string, given: Partial<Part> = {}): Part => ({
  id: randomUUID(),
  tag,
  partRef: 'display',
  modelId: 'oddkin-lantern-5',
  category: 'display',
  interchange: 'lantern-5-display',
  unitId: randomUUID(),
  state: 'sound',
  place: 'shelf',
  readings: { deadPixels: 1, glass: 'clean' },
  grade: 'B',
  limiting: 'Glass',
  bin: 'A01',
  assignedTo: null,
  isDataCleared: true,
  carries: [],
  findings: [],
  version: 3,
  lastFactId: randomUUID(),
  ...given,
});

beforeAll(async () => {
  scratch = await scratchDatabase();
  const parts = [
    part('P-00001'),
    part('P-00002', { grade: 'A', bin: 'A02' }),
    part('P-00003', { interchange: 'reed_cell', partRef: 'battery', bin: 'B07' }),
    part('P-00004', { place: 'scrap', bin: null }),
  ];
  await scratch.db('parts').insert(parts.map(fromPart));
});
afterAll(() => scratch.drop());

const found = async (words: string) =>
  (await shelfRows(scratch.db, { ...plainQuery, words }, null, { from: 0, limit: 10 })).parts.map(({ tag }) => tag);

test('a part comes out of the table as it went in', async () => {
  const given = part('P-00009', { readings: { capacityShare: 88.25, shape: 'flat' }, limiting: 'Größe, “weit”' });
  await scratch.db('parts').insert(fromPart(given));
  expect(await findPart(scratch.db, { tag: 'P-00009' })).toEqual(given);
  await scratch.db('parts').where({ id: given.id }).delete();
});

test('the shelf is searched by every word, and signs in it are just signs', async () => {
  expect(await found('')).toEqual(['P-00001', 'P-00002', 'P-00003']);
  expect(await found('lantern b')).toEqual(['P-00001', 'P-00003'].filter((tag) => tag === 'P-00001'));
  expect(await found('BATTERY b07')).toEqual(['P-00003']);
  expect(await found('reed_cell')).toEqual(['P-00003']);
  expect(await found('%')).toEqual([]);
  expect(await found("'; drop table parts; --")).toEqual([]);
});
