import { randomUUID } from 'node:crypto';
import { wordedFact } from '@/core/shop/makeFact';
import type { FactType, Payloads } from '@/core/shop/facts';
import type { Person } from '@/core/people/roles';
import { recordFact } from '@/services/facts/recordFact';
import { handset } from '../../../tests/support/models';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { printLabels } from './printLabels';
import { readPrinter } from './readPrinter';

let scratch: Scratch;
let imke: Person;
const now = new Date('2026-11-26T08:00:00Z');
const versions = new Map<string, number>();
beforeAll(async () => {
  scratch = await scratchDatabase();
  imke = await somebody(scratch.db, 'Imke R.');
});
afterAll(() => scratch.drop());

async function act<T extends FactType>(type: T, subjectId: string, payload: Payloads[T]): Promise<string> {
  const id = randomUUID();
  const expects = type === 'undone' ? null : (versions.get(subjectId) ?? null);
  const outcome = await recordFact(
    scratch.db,
    imke,
    wordedFact<FactType>({ type, subjectId, payload }, { id, expects, at: now.toISOString() }),
    now,
  );
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  for (const { id: thing, after } of outcome.value.results) if (after) versions.set(thing, after.version);
  return id;
}

async function decided(): Promise<{ unitId: string; decision: string }> {
  const [parcelId, unitId] = [randomUUID(), randomUUID()];
  const about = { supplier: 'Ferry', pricePaidCents: 1, transportCents: 0, receivedOn: '2026-11-26' };
  await act('parcel-made', parcelId, { code: `Lot ${parcelId.slice(0, 8)}`, ...about });
  await act('unit-tagged', unitId, { parcelId, lineNo: null });
  await act('unit-identified', unitId, {
    modelId: handset.id,
    modelVersion: handset.version,
    revision: 'a',
    configuration: handset.configurations[0]?.id ?? '',
    variant: handset.variants[0]?.id ?? '',
    serial: '',
  });
  const decision = await act('unit-decided', unitId, { disposition: 'donor', proposed: 'build', apartPlace: null });
  return { unitId, decision };
}

describe('the label printer', () => {
  test('gets the tag of a unit as it is decided, and of each part as it comes free, once', async () => {
    const { unitId } = await decided();
    const tag = ((await scratch.db('units').where({ id: unitId }).first('tag')) as { tag: string }).tag;
    expect((await readPrinter(scratch.db)).jobs.map((job) => job.tag)).toEqual([tag]);
    await act('sheet-started', unitId, { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    for (const partRef of ['door', 'battery']) {
      const freed = [{ partId: randomUUID(), partRef, state: 'sound' as const }];
      await act('step-done', unitId, { stepId: `out:${partRef}`, seconds: 5, freed });
    }
    const { jobs, total } = await readPrinter(scratch.db);
    expect([jobs.length, total, jobs[1]?.tag.slice(0, 2)]).toEqual([3, 3, 'P-']);

    const ids = jobs.map(({ id }) => id);
    expect(await printLabels(scratch.db, ids, now)).toEqual({ ok: true, value: 3 });
    expect(await printLabels(scratch.db, ids, now)).toEqual({ ok: true, value: 0 });
    expect((await readPrinter(scratch.db)).total).toBe(0);
  });

  test('a decision that is taken back takes its label away, unless it is printed already', async () => {
    const first = await decided();
    await act('undone', first.unitId, { factId: first.decision });
    expect((await readPrinter(scratch.db)).total).toBe(0);
    const second = await decided();
    const { jobs } = await readPrinter(scratch.db);
    await printLabels(
      scratch.db,
      jobs.map(({ id }) => id),
      now,
    );
    await act('undone', second.unitId, { factId: second.decision });
    const printed = await scratch.db('label_jobs').whereNotNull('printed_at').count({ n: '*' }).first();
    expect(Number((printed as { n: number }).n)).toBe(4);
  });
});
