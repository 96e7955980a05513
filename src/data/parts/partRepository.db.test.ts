import { randomUUID } from 'node:crypto';
import { scratchDatabase, type Scratch } from '../../../tests/support/scratch';
import type { Part } from '@/core/entities/entities';
import { fromPart } from './partRows';
import { findPart, searchShelf, shelfStock } from './partRepository';

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
  (await searchShelf(scratch.db, { words, from: 0, limit: 10 })).parts.map(({ tag }) => tag);

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

test('stock counts the shelf by class, with its best grade', async () => {
  expect(await shelfStock(scratch.db)).toEqual({
    'lantern-5-display': { grade: 'A', count: 2 },
    reed_cell: { grade: 'B', count: 1 },
  });
});

test('of an assembly, stock knows one of the best grade with most still on it', async () => {
  const given = [
    part('P-00011', { interchange: 'quay-set', grade: 'B', carries: ['tilt'] }),
    part('P-00012', { interchange: 'quay-set', grade: 'B', carries: ['tilt', 'camera'], modelId: 'quay' }),
    part('P-00013', { interchange: 'quay-set', grade: 'C', carries: ['tilt', 'camera', 'mic'] }),
  ];
  await scratch.db('parts').insert(given.map(fromPart));
  expect((await shelfStock(scratch.db))['quay-set']).toEqual({
    grade: 'B',
    count: 3,
    whole: { modelId: 'quay', carries: ['tilt', 'camera'] },
  });
  await scratch
    .db('parts')
    .whereIn(
      'id',
      given.map(({ id }) => id),
    )
    .delete();
});
