import { randomUUID } from 'node:crypto';
import type { FactType, Payloads } from '@/core/shop/facts';
import { wordedFact } from '@/core/shop/makeFact';
import { recordFact } from '@/services/facts/recordFact';
import { demoDay, demoScratch, somebody, type Scratch } from '../../../tests/support/scratch';

let scratch: Scratch;
const now = demoDay;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
});
afterAll(() => scratch.drop());

const partOnShelf = async () =>
  (await scratch.db('parts').where({ place: 'shelf' }).orderBy('tag_no', 'desc').first('id', 'version')) as {
    readonly id: string;
    readonly version: number;
  };
async function say<T extends FactType>(name: string, type: T, id: string, payload: Payloads[T], expects: number) {
  const person = await somebody(scratch.db, name);
  const fact = wordedFact<FactType>(
    { type, subjectId: id, payload },
    { id: randomUUID(), expects, at: now.toISOString() },
  );
  return recordFact(scratch.db, person, fact, now);
}

test('one part that two people fetch at the same moment is fetched once, and the other is told by whom', async () => {
  // Set aside for a unit, and still in its bin.
  const { id, version: seen } = (await scratch
    .db('parts')
    .where({ place: 'assigned' })
    .whereNotNull('bin')
    .first('id', 'version')) as { readonly id: string; readonly version: number };
  const answers = await Promise.all(
    ['First hand', 'Second hand'].map((name) => say(name, 'part-picked', id, {}, seen)),
  );
  expect(answers.filter(({ ok }) => ok)).toHaveLength(1);
  const lost = answers.find(({ ok }) => !ok);
  expect(lost).toMatchObject({
    refusal: { reason: 'stale', values: { by: expect.stringMatching(/^(First|Second) hand$/) as string } },
  });
  expect(await scratch.db('facts').where({ type: 'part-picked', subject_id: id })).toHaveLength(1);
});

test('of two who reserve one part the second reads who was quicker; the first keeps it', async () => {
  const { id, version } = await partOnShelf();
  const wanted = ['U-0744', 'U-0745'];
  const answers = await Promise.all(
    wanted.map((tag, at) => say(`Reserver ${at}`, 'part-reserved', id, { for: tag }, version)),
  );
  const kept = wanted.find((_, at) => answers[at]?.ok);
  expect(answers.filter(({ ok }) => ok)).toHaveLength(1);
  expect(await scratch.db('parts').where({ id }).first('place', 'reserved_for')).toMatchObject({
    place: 'reserved',
    reserved_for: kept,
  });
});
