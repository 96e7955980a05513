import { parse } from 'csv-parse/sync';
import { demoDay, demoScratch, type Scratch } from '../../../tests/support/scratch';
import { exportFacts } from '@/services/facts/exportFacts';
import { compareWithLog } from '@/services/facts/compareWithLog';
import { seenInParcel } from '@/core/triage/seenInParcel';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { readTallies } from '@/data/tallies/readTallies';
import { lookCounts } from '@/data/yields/lookCounts';
import { readForecastGround } from '@/services/dock/readForecastGround';
import { readToday } from '@/services/today/readToday';
import { readLine } from '@/services/line/readLine';
import { readYields } from './readYields';

type Counts = Readonly<Record<string, { readonly good: number; readonly sought: number }>>;
let scratch: Scratch;
const now = demoDay;
beforeAll(async () => {
  scratch = await demoScratch(demoDay);
}, 120_000);
afterAll(() => scratch.drop());

interface Row {
  readonly id: string;
  readonly type: string;
  readonly unit: string;
  readonly part: string;
  readonly model: string;
  readonly undoes: string;
  readonly payload: {
    disposition?: string;
    partRef?: string;
    state?: string;
    freed?: { partId: string; partRef: string; state: string }[];
    verdict?: { grade: string };
    defectCode?: string | null;
  };
}

async function exported(): Promise<Row[]> {
  let text = '';
  for await (const chunk of exportFacts(scratch.db)) text += chunk;
  const rows = parse(text, { columns: true }) as (Omit<Row, 'payload'> & { payload: string })[];
  return rows.map((row) => ({ ...row, payload: JSON.parse(row.payload) as Row['payload'] }));
}

describe('the demo workshop', () => {
  test('harvest yields are what anybody counts from the exported facts by hand', async () => {
    const all = await exported();
    const undone = new Set(all.map(({ undoes }) => undoes).filter(Boolean));
    const facts = all.filter(({ id, type }) => type !== 'undone' && !undone.has(id));
    const donors = new Set(
      facts
        .filter(({ type, payload }) => type === 'unit-decided' && payload.disposition === 'donor')
        .map(({ unit }) => unit),
    );
    const grades = new Map(
      facts.filter(({ type }) => type === 'part-graded').map(({ part, payload }) => [part, payload.verdict?.grade]),
    );
    const counts = new Map<string, { good: number; sought: number }>();
    for (const { type, unit, model, payload } of facts) {
      if (type !== 'step-done' || !donors.has(unit)) continue;
      for (const { partId, partRef, state } of payload.freed ?? []) {
        const grade = grades.get(partId);
        if (grade === undefined && !['broken-by-us', 'broken-before', 'missing'].includes(state)) continue;
        const count = counts.get(`${model}/${partRef}`) ?? { good: 0, sought: 0 };
        counts.set(`${model}/${partRef}`, {
          good: count.good + (grade && 'ABCD'.includes(grade) ? 1 : 0),
          sought: count.sought + 1,
        });
      }
    }
    // What broke on the way and was then left in was sought too, and did not come out.
    const freed = new Set(
      facts.flatMap(({ unit, payload }) => (payload.freed ?? []).map((part) => `${unit} ${part.partRef}`)),
    );
    const lost = facts.filter(
      ({ type, unit, payload }) =>
        type === 'part-trouble' &&
        donors.has(unit) &&
        payload.state !== 'suspect' &&
        !freed.has(`${unit} ${payload.partRef}`),
    );
    for (const key of new Set(lost.map(({ unit, model, payload }) => `${unit} ${model}/${payload.partRef}`))) {
      const name = key.slice(key.indexOf(' ') + 1);
      const count = counts.get(name) ?? { good: 0, sought: 0 };
      counts.set(name, { ...count, sought: count.sought + 1 });
    }
    const { yields } = await readYields(scratch.db, now);
    expect(
      Object.fromEntries(
        yields.map(({ modelId, partRef, good, sought }) => [`${modelId}/${partRef}`, { good, sought }]),
      ),
    ).toEqual(Object.fromEntries(counts));
    expect(yields.reduce((sum, { sought }) => sum + sought, 0)).toBeGreaterThan(100);
  });

  test('how closely units are looked at is what anybody counts from the units that were decided about', async () => {
    const rows = (await scratch.db('units').whereNotNull('disposition').whereNotNull('model_id').select()) as {
      readonly model_id: string;
      readonly parcel_id: string;
      readonly tests: Readonly<Record<string, string>>;
      readonly marks: readonly { readonly kind: string }[];
    }[];
    const tally = (names: readonly string[]) =>
      Object.fromEntries([...new Set(names)].map((name) => [name, names.filter((other) => other === name).length]));
    const { units, tests, marks } = lookCounts(await readTallies(scratch.db, ['looked', 'look-tested', 'look-found']));
    expect(Object.fromEntries(units.map((own) => [`${own.modelId} ${own.parcelId}`, own.units]))).toEqual(
      tally(rows.map(({ model_id, parcel_id }) => `${model_id} ${parcel_id}`)),
    );
    const made = rows.flatMap((row) =>
      Object.entries(row.tests).flatMap(([test, result]) =>
        result === 'sound' || result === 'fault' ? [`${row.model_id} ${test}`] : [],
      ),
    );
    expect(Object.fromEntries(tests.map((own) => [`${own.modelId} ${own.test}`, own.units]))).toEqual(tally(made));
    const found = rows.flatMap((row) => [...new Set(row.marks.map(({ kind }) => `${kind} ${row.parcel_id}`))]);
    expect(Object.fromEntries(marks.map((own) => [`${own.finding} ${own.parcelId}`, own.units]))).toEqual(tally(found));
    expect(made.length).toBeGreaterThan(100);
    expect(found.length).toBeGreaterThan(3);
  });

  test('what a parcel has shown of itself is what anybody counts from its units, and from the facts about its parts', async () => {
    const parcels = (await scratch.db('parcels').select('id').orderBy('received_on')) as { readonly id: string }[];
    const ground = await knowledgeGround(scratch.db, now);
    const units = (await scratch.db('units').select()) as {
      readonly id: string;
      readonly parcel_id: string;
      readonly tests: Readonly<Record<string, string>>;
    }[];
    for (const { id } of parcels) {
      const own = units.filter(({ parcel_id }) => parcel_id === id);
      const noted = own.flatMap(({ tests }) =>
        tests.starts === 'sound' || tests.starts === 'fault' ? [tests.starts] : [],
      );
      const seen = seenInParcel(id, ground);
      expect(seen.sound.starts).toEqual({
        good: noted.filter((result) => result === 'sound').length,
        sought: noted.length,
      });
      const asked = await readForecastGround(scratch.db, id, now);
      expect(asked?.seen).toEqual(seen);
      // What it has shown is part of what the shop knows.
      expect(Object.keys(seen.parts).length).toBeGreaterThan(3);
      expect(asked?.shop.alike.units).toBeGreaterThan(1);
    }
    const [first, second] = parcels.map(({ id }) => seenInParcel(id, ground).parts) as [Counts, Counts];
    const { yields } = await readYields(scratch.db, now);
    for (const { modelId, partRef, good, sought } of yields) {
      const [before, after] = [first, second].map(
        (parts) => parts[`${modelId}/${partRef}`] ?? { good: 0, sought: 0 },
      ) as [Counts[string], Counts[string]];
      expect([before.good + after.good, before.sought + after.sought]).toEqual([good, sought]);
    }
  });

  test('defects are the troubles that the bench reported', async () => {
    const facts = await exported();
    const reported = facts.filter(({ type, payload }) => type === 'part-trouble' && payload.defectCode).length;
    const { defects } = await readYields(scratch.db, now);
    expect(defects.reduce((sum, { count }) => sum + count, 0)).toBe(reported);
    expect(defects.at(-1)?.cumulativeShare).toBeCloseTo(1, 12);
  });

  test('its parcel has 24 units and something lies at every stage of the line', async () => {
    const { states, tight } = await readLine(scratch.db, now, 'bench-1');
    expect(states.filter(({ count }) => count === 0)).toEqual([]);
    expect(tight).not.toBeNull();
    const { parcels, jobs } = await readToday(scratch.db, 'nobody', now);
    const autumn = parcels.find(({ parcel }) => parcel.code.startsWith('Ferry line'));
    expect(autumn?.stages.reduce((sum, { count }) => sum + count, 0)).toBe(24);
    expect(jobs.length).toBeGreaterThan(8);
  });

  test('its log rebuilds its tables', async () => {
    expect((await compareWithLog(scratch.db)).differences).toEqual([]);
  });
});
