import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { mostPhotosOfUnit } from '@/core/entities/mostPhotos';
import type { Person } from '@/core/people/roles';
import { wordedFact } from '@/core/shop/makeFact';
import type { FactType, Payloads } from '@/core/shop/facts';
import { recordFact } from '@/services/facts/recordFact';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { keepPhoto } from './keepPhoto';
import { readPhoto } from './readPhoto';

let scratch: Scratch;
let imke: Person;
let bytes: Buffer;
const now = new Date('2026-11-26T08:00:00Z');
beforeAll(async () => {
  scratch = await scratchDatabase();
  imke = await somebody(scratch.db, 'Imke R.');
  bytes = await sharp({ create: { width: 40, height: 30, channels: 3, background: 'teal' } })
    .png()
    .toBuffer();
});
afterAll(() => scratch.drop());

async function say<T extends FactType>(type: T, subjectId: string, payload: Payloads[T], expects: number | null) {
  const fact = wordedFact<FactType>({ type, subjectId, payload }, { id: randomUUID(), expects, at: now.toISOString() });
  return { id: fact.id, outcome: await recordFact(scratch.db, imke, fact, now) };
}

async function taggedUnit() {
  const [parcelId, unitId] = [randomUUID(), randomUUID()];
  const about = { supplier: 'Ferry line', pricePaidCents: 1, transportCents: 0, receivedOn: '2026-11-26' };
  await say('parcel-made', parcelId, { code: `Lot ${parcelId.slice(0, 8)}`, ...about }, null);
  const { id: tagging } = await say('unit-tagged', unitId, { parcelId, lineNo: null }, null);
  return { unitId, tagging };
}

const photosOf = (unitId: string) => scratch.db('unit_photos').where({ unit_id: unitId }).pluck('id');

test('a picture is kept once, belongs to one unit, and comes back as it was drawn anew', async () => {
  const { unitId } = await taggedUnit();
  const id = randomUUID();
  for (let sent = 0; sent < 2; sent += 1)
    expect(await keepPhoto(scratch.db, { id, unitId, bytes }, imke, now)).toMatchObject({ ok: true });
  expect(await photosOf(unitId)).toEqual([id]);
  const kept = await readPhoto(scratch.db, unitId, id);
  expect(await sharp(kept).metadata()).toMatchObject({ format: 'jpeg', width: 40, height: 30 });
  expect(await readPhoto(scratch.db, randomUUID(), id)).toBeUndefined();
});

test('there is none of a unit that is not here, and none that cannot be read', async () => {
  const stray = { id: randomUUID(), unitId: randomUUID(), bytes };
  expect(await keepPhoto(scratch.db, stray, imke, now)).toMatchObject({ refusal: { reason: 'not-found' } });
  const { unitId } = await taggedUnit();
  const broken = { id: randomUUID(), unitId, bytes: bytes.subarray(0, 40) };
  expect(await keepPhoto(scratch.db, broken, imke, now)).toMatchObject({ refusal: { reason: 'picture-unreadable' } });
  expect(await scratch.db('unit_photos').whereIn('id', [stray.id, broken.id])).toEqual([]);
});

test('a unit has so many pictures and no more, whoever sends them at once', async () => {
  const { unitId } = await taggedUnit();
  const ids = Array.from({ length: mostPhotosOfUnit + 4 }, () => randomUUID());
  const answers = await Promise.all(ids.map((id) => keepPhoto(scratch.db, { id, unitId, bytes }, imke, now)));
  expect(answers.filter(({ ok }) => ok)).toHaveLength(mostPhotosOfUnit);
  expect(answers.find(({ ok }) => !ok)).toMatchObject({
    refusal: { reason: 'pictures-full', values: { most: mostPhotosOfUnit } },
  });
  const kept = await photosOf(unitId);
  expect(kept).toHaveLength(mostPhotosOfUnit);
  // One that is there already is not one too many.
  const again = { id: String(kept[0]), unitId, bytes };
  expect(await keepPhoto(scratch.db, again, imke, now)).toMatchObject({ ok: true });
});

test('a unit that was tagged by mistake takes its pictures with it', async () => {
  const { unitId, tagging } = await taggedUnit();
  await keepPhoto(scratch.db, { id: randomUUID(), unitId, bytes }, imke, now);
  expect(await say('undone', unitId, { factId: tagging }, null)).toMatchObject({ outcome: { ok: true } });
  expect(await photosOf(unitId)).toEqual([]);
});
