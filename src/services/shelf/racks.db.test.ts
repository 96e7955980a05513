import { demoDay, demoScratch, somebody, type Scratch } from '../../../tests/support/scratch';
import type { Rack } from '@/core/shelf/racks';
import { latestShopChanges } from '@/data/people/shopChanges';
import { listRacks } from '@/data/shelf/rackRepository';
import { readBin } from './readBin';
import { readRacks } from './readRacks';
import { plainQuery } from '@/core/shelf/shelfQuery';
import { readShelf } from './readShelf';
import { saveRack } from './saveRack';

let scratch: Scratch;
let by: string;
const now = demoDay;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  by = (await somebody(scratch.db, 'Runa', 'lead')).id;
}, 120_000);
afterAll(() => scratch.drop());

const save = (rack: Rack) => saveRack(scratch.db, rack, { at: now, by });
const rackA = async () => (await listRacks(scratch.db)).find(({ code }) => code === 'A') as Rack;

describe('racks', () => {
  test('the racks hold what the shelf holds and what is set aside, counted part by part', async () => {
    const { racks, left } = await readRacks(scratch.db, now);
    expect(racks.map(({ code }) => code)).toEqual(['A', 'B', 'C', 'D']);
    // A part that is set aside for a build lies in its bin until it is fetched.
    const rows = (await scratch
      .db('parts')
      .whereIn('place', ['shelf', 'reserved', 'assigned'])
      .whereNotNull('bin')
      .select('bin')) as { bin: string }[];
    expect(racks.reduce((sum, { count }) => sum + count, 0)).toBe(rows.length);
    for (const { bins } of racks)
      for (const { code, count } of bins) expect(count).toBe(rows.filter(({ bin }) => bin === code).length);
    expect(left).toBe(60 * 12 - rows.length);
  });

  test('what came and went of late is what the facts say', async () => {
    const { pace, fullInDays } = await readRacks(scratch.db, now);
    const shelf = await scratch.db('parts').whereIn('place', ['shelf', 'reserved']).count({ n: '*' }).first();
    // All of the shelf came in these weeks, and what was taken from it went again.
    expect(pace.stored - pace.taken).toBe(Number((shelf as { n: number }).n));
    expect(pace.days).toBeGreaterThan(5);
    expect(fullInDays).toBeGreaterThan(0);
    // After weeks in which little came, the pace is over all of them, and not from the first part that did.
    const later = new Date(now.getTime() + 24 * 24 * 3600 * 1000);
    expect((await readRacks(scratch.db, later)).pace.days).toBe(28);
  });

  test('a rack is added and changed, and the record says by how much; the same again says nothing', async () => {
    const rack: Rack = { code: 'E', rows: 2, boxes: 4, room: 30, category: 'display', isInUse: true };
    expect(await save(rack)).toMatchObject({ ok: true });
    expect(await save(rack)).toMatchObject({ ok: true });
    expect(await save({ ...rack, rows: 1 })).toMatchObject({ ok: true });
    const changes = (await latestShopChanges(scratch.db, 9)).filter(({ about }) => about === 'E');
    expect(changes.map(({ kind, fields }) => [kind, fields.length])).toEqual([
      ['rack-changed', 1],
      ['rack-added', 5],
    ]);
    expect(await readBin(scratch.db, ' e03 ')).toMatchObject({ code: 'E03', room: 30, count: 0 });
    expect(await readBin(scratch.db, 'E05')).toBeNull();
    expect(await readBin(scratch.db, `'; drop table racks; --`)).toBeNull();
  });

  test('boxes in which parts lie stay', async () => {
    expect(await save({ ...(await rackA()), rows: 1, boxes: 1 })).toMatchObject({
      refusal: { reason: 'bins-not-empty' },
    });
    expect((await rackA()).rows).toBe(3);
  });

  test('a full shelf never offers scrap: what has no bin says so, and a rack more has room for it', async () => {
    const { toShelve } = await readShelf(scratch.db, plainQuery, now);
    const stored = toShelve.filter(({ part }) => part.isDataCleared);
    expect(stored.length).toBeGreaterThan(0);
    expect(stored.every(({ bin }) => bin !== null)).toBe(true);
    for (const rack of await listRacks(scratch.db)) await save({ ...rack, isInUse: false });
    expect((await readShelf(scratch.db, plainQuery, now)).toShelve.every(({ bin }) => bin === null)).toBe(true);
    expect((await readRacks(scratch.db, now)).left).toBe(0);
    await save({ code: 'F', rows: 1, boxes: 1, room: 500, category: null, isInUse: true });
    const again = (await readShelf(scratch.db, plainQuery, now)).toShelve.filter(({ part }) => part.isDataCleared);
    expect(again.map(({ bin }) => bin)).toEqual(stored.map(() => 'F01'));
  });
});
