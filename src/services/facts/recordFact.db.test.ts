import { startingHouseRules } from '@/core/shared/houseRules';
import { randomUUID } from 'node:crypto';
import { Chance } from '@/core/shared/chance';
import { phone, shippedModels } from '../../../tests/support/models';
import { RandomHistory } from '../../../tests/support/randomHistory';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { applyFact } from '@/core/shop/applyFact';
import type { BitLife } from '@/core/screws/bitInUse';
import type { Fact, FactType, Payloads, RecordedFact } from '@/core/shop/facts';
import { MemoryWorld } from '@/core/shop/memoryWorld';
import type { Person } from '@/core/people/roles';
import { factsAfter, findFact } from '@/data/facts/factRepository';
import { bitLives } from '@/data/screws/bitLives';
import { findUnit } from '@/data/units/unitRepository';
import { compareWithLog } from './compareWithLog';
import { recordFact } from './recordFact';

let scratch: Scratch;
let imke: Person;
let oskar: Person;
let parcelId: string;
const now = new Date('2026-11-25T08:00:00Z');

const makeFact = <T extends FactType>(
  type: T,
  subjectId: string,
  payload: Payloads[T],
  expects: number | null = null,
): Fact<T> => ({
  id: randomUUID(),
  type,
  subjectId,
  expects,
  at: now.toISOString(),
  payload,
});
const record = (fact: Fact, person = imke) => recordFact(scratch.db, person, fact, now);

beforeAll(async () => {
  scratch = await scratchDatabase();
  imke = await somebody(scratch.db, 'Imke R.');
  oskar = await somebody(scratch.db, 'Oskar V.');
  parcelId = randomUUID();
  await record(
    makeFact('parcel-made', parcelId, {
      code: 'Lot',
      supplier: 'Ferry',
      pricePaidCents: 100,
      transportCents: 0,
      receivedOn: '2026-11-25',
    }),
  );
});
afterAll(() => scratch.drop());

async function tagged(): Promise<string> {
  const id = randomUUID();
  await record(makeFact('unit-tagged', id, { parcelId, lineNo: null }));
  return id;
}
const identity = (serial: string) => ({
  modelId: phone.id,
  modelVersion: phone.version,
  revision: 'a',
  configuration: 'standard',
  variant: 'grey-64',
  serial,
});

/** The bits by the log alone: facts that were taken back never happened, and each renewal begins anew. */
function recounted(log: readonly RecordedFact[]): readonly BitLife[] {
  const undone = new Set(log.flatMap((fact) => (fact.type === 'undone' ? [fact.payload.factId] : [])));
  const lives = new Map<string, BitLife[]>();
  const livesOf = (bench: string, drive: string) => {
    const key = `${bench} ${drive}`;
    const known = lives.get(key) ?? [];
    lives.set(key, known);
    return known;
  };
  const fresh = { screws: 0, stripped: 0, isOver: false };
  for (const fact of log.filter(({ id }) => !undone.has(id))) {
    const { bench } = fact;
    if (fact.type === 'bit-renewed')
      livesOf(bench, fact.payload.drive).push({ bench, drive: fact.payload.drive, ...fresh });
    if (fact.type !== 'step-done' && fact.type !== 'screw-trouble') continue;
    for (const { drive, screws, stripped } of fact.payload.bits ?? []) {
      const own = livesOf(bench, drive);
      const last = own.pop() ?? { bench, drive, ...fresh };
      own.push({ ...last, screws: last.screws + screws, stripped: last.stripped + stripped });
    }
  }
  return [...lives.values()]
    .flatMap((own) => own.map((life, at) => ({ ...life, isOver: at < own.length - 1 })))
    .sort((a, b) => a.bench.localeCompare(b.bench) || (a.drive < b.drive ? -1 : a.drive > b.drive ? 1 : 0));
}

describe('recordFact', () => {
  test('sending a fact twice, or twice at once, changes nothing', async () => {
    const id = randomUUID();
    const fact = makeFact('unit-tagged', id, { parcelId, lineNo: null });
    const [first, second] = await Promise.all([record(fact), record(fact)]);
    const third = await record(fact);
    const positions = [first, second, third].map((outcome) => outcome.ok && outcome.value.position);
    expect(new Set(positions).size).toBe(1);
    expect([first, second, third].filter((outcome) => outcome.ok && !outcome.value.isRepeat)).toHaveLength(1);
    const [count] = (await scratch.db('units').where({ id }).count({ n: '*' })) as { n: number }[];
    expect(count?.n).toBe(1);
  });

  test('two people on one unit: one gets through, the other is told who', async () => {
    const id = await tagged();
    const outcomes = await Promise.all([
      record(makeFact('unit-identified', id, identity(`A-${id}`), 1), imke),
      record(makeFact('unit-identified', id, identity(`B-${id}`), 1), oskar),
    ]);
    expect(outcomes.filter(({ ok }) => ok)).toHaveLength(1);
    const refused = outcomes.find(({ ok }) => !ok);
    const winner = outcomes[0]?.ok ? 'Imke R.' : 'Oskar V.';
    expect(refused).toMatchObject({ refusal: { reason: 'stale', values: { by: winner, bench: 'bench-1' } } });
  });

  test('a stale page is refused and the unit stays as it was', async () => {
    const id = await tagged();
    await record(makeFact('unit-identified', id, identity(`C-${id}`), 1));
    const before = await findUnit(scratch.db, { id });
    expect(await record(makeFact('test-noted', id, { test: 'starts', result: 'fault' }, 1))).toMatchObject({
      ok: false,
      refusal: { reason: 'stale' },
    });
    expect(await findUnit(scratch.db, { id })).toEqual(before);
  });

  test('a viewer records nothing; a colleague’s fact is taken back by a lead only', async () => {
    const viewer = await somebody(scratch.db, 'Tova B.', 'viewer');
    const lead = await somebody(scratch.db, 'Sunniva T.', 'lead');
    const id = randomUUID();
    const fact = makeFact('unit-tagged', id, { parcelId, lineNo: null });
    expect(await record(fact, viewer)).toMatchObject({ refusal: { reason: 'not-permitted' } });
    await record(fact, imke);
    expect(await record(makeFact('undone', id, { factId: fact.id }), oskar)).toMatchObject({
      refusal: { reason: 'not-permitted' },
    });
    expect(await record(makeFact('undone', id, { factId: fact.id }), lead)).toMatchObject({ ok: true });
    expect(await findUnit(scratch.db, { id })).toBeUndefined();
  });

  test('eight writers at once leave no gap in the positions, and a reader of the tail misses nothing', async () => {
    const seen: number[] = [];
    let isWriting = true;
    const readTail = async () => {
      let after = 0;
      while (isWriting || after < (await lastPosition())) {
        for (const { position } of await factsAfter(scratch.db, after, 50)) {
          seen.push(position);
          after = position;
        }
      }
    };
    const reader = readTail();
    const writing = Promise.all(
      Array.from({ length: 8 }, async (_, writer) => {
        for (let at = 0; at < 20; at += 1) {
          // Every seventh is refused after its tag was taken, and rolls back.
          const lineNo = (writer + at) % 7 === 0 ? 999 : null;
          await record(makeFact('unit-tagged', randomUUID(), { parcelId, lineNo }));
        }
      }),
    );
    // The reader ends with the writers, whatever becomes of them.
    await writing.finally(() => (isWriting = false));
    await reader;
    expect(seen).toEqual(Array.from({ length: await lastPosition() }, (_, at) => at + 1));
  });

  const lastPosition = async () =>
    ((await scratch.db('counters').where({ name: 'facts' }).first('n')) as { n: number }).n;

  test('a manifest of 10,000 lines is one fact, and can be taken back', async () => {
    const id = randomUUID();
    await record(
      makeFact('parcel-made', id, {
        code: 'Large lot',
        supplier: 'Ferry',
        pricePaidCents: 1,
        transportCents: 0,
        receivedOn: '2026-11-25',
      }),
    );
    const lines = Array.from({ length: 10_000 }, (_, at) => ({
      lineNo: at + 1,
      maker: 'Oddkin',
      model: 'Lantern 5',
      serial: `L${at}`,
      note: '',
    }));
    const fact = makeFact('lines-expected', id, { fileName: 'large.csv', lines }, 1);
    expect(await record(fact)).toMatchObject({ ok: true });
    const count = async () =>
      ((await scratch.db('parcel_lines').where({ parcel_id: id }).count({ n: '*' }).first()) as { n: number }).n;
    expect(await count()).toBe(10_000);
    const unit = randomUUID();
    const tag = makeFact('unit-tagged', unit, { parcelId: id, lineNo: 17 });
    await record(tag);
    expect(await record(makeFact('undone', id, { factId: fact.id }))).toMatchObject({
      refusal: { reason: 'stands-on-it' },
    });
    await record(makeFact('undone', unit, { factId: tag.id }));
    expect(await record(makeFact('undone', id, { factId: fact.id }))).toMatchObject({ ok: true });
    expect(await count()).toBe(0);
  });
});

describe('the log rebuilds the tables', () => {
  test('5,000 random facts with undos: step by step, by replay, and in the tables the same', async () => {
    const own = await scratchDatabase();
    try {
      const person = await somebody(own.db, 'Imke R.', 'lead');
      const world = new MemoryWorld(shippedModels, [startingHouseRules]);
      const history = new RandomHistory(world, shippedModels, new Chance(42));
      let accepted = 0;
      let undone = 0;
      while (accepted < 5000) {
        const fact = history.next();
        const outcome = await recordFact(own.db, person, fact, new Date(fact.at));
        if (!outcome.ok) continue;
        accepted += 1;
        if (fact.type === 'undone') undone += 1;
        const logged = (await findFact(own.db, fact.id)) as Fact;
        const mirrored = applyFact(world, logged);
        if (!mirrored.ok) throw new Error(`the core refuses what the server took: ${mirrored.refusal.reason}`);
        world.commit(logged, mirrored.value);
        history.accepted(logged);
      }
      expect(undone).toBeGreaterThan(100);
      const comparison = await compareWithLog(own.db);
      expect(comparison).toMatchObject({ facts: 5000, differences: [] });
      const things = Object.values(world.tables).reduce((sum, table) => sum + table.size, 0);
      expect(comparison.things).toBe(things);
      expect(await bitLives(own.db)).toEqual(recounted(await factsAfter(own.db, 0, 9000)));
    } finally {
      await own.drop();
    }
  }, 240_000);
});
