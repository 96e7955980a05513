import { randomUUID } from 'node:crypto';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import type { Person } from '@/core/people/roles';
import { wordedFact } from '@/core/shop/makeFact';
import { latestShopChanges } from '@/data/people/shopChanges';
import { factsOut } from '@/data/reading/readOut';
import { exportFacts } from '@/services/facts/exportFacts';
import { recordFact } from '@/services/facts/recordFact';
import { readHistory } from '@/services/history/readHistory';
import { correctDoer } from './correctDoer';

let scratch: Scratch;
let [imke, oskar, lead]: Person[] = [];
const now = new Date('2026-11-27T09:00:00Z');
const factId = randomUUID();
beforeAll(async () => {
  scratch = await scratchDatabase();
  imke = await somebody(scratch.db, 'Imke R.');
  oskar = await somebody(scratch.db, 'Oskar V.');
  lead = await somebody(scratch.db, 'Sunniva T.', 'lead');
  const payload = {
    code: 'Lot 1',
    supplier: 'Ferry',
    pricePaidCents: 1,
    transportCents: 0,
    receivedOn: '2026-11-27',
  } as const;
  const fact = wordedFact(
    { type: 'parcel-made', subjectId: randomUUID(), payload },
    { id: factId, expects: null, at: now.toISOString() },
  );
  const outcome = await recordFact(scratch.db, imke as Person, fact, now);
  if (!outcome.ok) throw new Error(outcome.refusal.reason);
});
afterAll(() => scratch.drop());

const correct = (id: string, personId: string) =>
  correctDoer(scratch.db, id, personId, { at: now, by: lead?.id ?? '' });
const historyOf = async (personId?: string) =>
  (await readHistory(scratch.db, personId === undefined ? {} : { personId }, now)).facts.map(({ fact }) => [
    fact.person,
    fact.signedIn,
  ]);

test('lists, filters and what is read go by who did it; the log keeps whose sign-in it was', async () => {
  expect(await historyOf(imke?.id)).toEqual([['Imke R.', null]]);
  expect(await correct(factId, oskar?.id ?? '')).toEqual({ ok: true, value: { doer: oskar?.id } });
  expect(await historyOf()).toEqual([['Oskar V.', 'Imke R.']]);
  expect(await historyOf(imke?.id)).toEqual([]);
  expect(await historyOf(oskar?.id)).toEqual([['Oskar V.', 'Imke R.']]);
  expect((await factsOut(scratch.db, 0, 5)).map(({ person }) => person)).toEqual(['Oskar V.']);
  let csv = '';
  for await (const lines of exportFacts(scratch.db)) csv += lines;
  expect(csv).toContain(oskar?.id);
  expect(csv).not.toContain(imke?.id);
  const [row] = (await scratch.db('facts').where({ id: factId })) as { person_id: string }[];
  expect(row?.person_id).toBe(imke?.id);
});

test('said twice it is said once; back to the sign-in leaves nothing; each change is in the book of changes', async () => {
  await correct(factId, oskar?.id ?? '');
  await correct(factId, imke?.id ?? '');
  expect(await historyOf()).toEqual([['Imke R.', null]]);
  expect(await scratch.db('doers').count({ n: '*' }).first()).toEqual({ n: 0 });
  const changes = await latestShopChanges(scratch.db, 10);
  expect(changes.map(({ kind, about, by }) => [kind, about, by])).toEqual([
    ['doer-corrected', 'Imke R.', 'Sunniva T.'],
    ['doer-corrected', 'Oskar V.', 'Sunniva T.'],
  ]);
});

test('a fact or a person that is not there is refused, and nothing is changed', async () => {
  expect(await correct(randomUUID(), oskar?.id ?? '')).toMatchObject({ refusal: { reason: 'not-found' } });
  expect(await correct(factId, 'nobody')).toMatchObject({ refusal: { reason: 'not-found' } });
  expect(await historyOf()).toEqual([['Imke R.', null]]);
});
