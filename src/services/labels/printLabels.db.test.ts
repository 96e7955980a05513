import { randomUUID } from 'node:crypto';
import { wordedFact } from '@/core/shop/makeFact';
import type { FactType, Payloads } from '@/core/shop/facts';
import type { Person } from '@/core/people/roles';
import { recordFact } from '@/services/facts/recordFact';
import { handset } from '../../../tests/support/models';
import { scratchDatabase, somebody, type Scratch } from '../../../tests/support/scratch';
import { printLabels } from './printLabels';
import { makeInstrumentKey } from '@/services/instruments/makeInstrumentKey';
import { servePrinter } from './servePrinter';
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
    expect((await readPrinter(scratch.db, now)).jobs.map((job) => job.tag)).toEqual([tag]);
    await act('sheet-started', unitId, { kind: 'teardown', targets: ['battery'], keeping: 'tray' });
    for (const partRef of ['door', 'battery']) {
      const freed = [{ partId: randomUUID(), partRef, state: 'sound' as const }];
      await act('step-done', unitId, { stepId: `out:${partRef}`, seconds: 5, freed });
    }
    const { jobs, total } = await readPrinter(scratch.db, now);
    expect([jobs.length, total, jobs[1]?.tag.slice(0, 2)]).toEqual([3, 3, 'P-']);

    const ids = jobs.map(({ id }) => id);
    expect(await printLabels(scratch.db, ids, now)).toEqual({ ok: true, value: 3 });
    expect(await printLabels(scratch.db, ids, now)).toEqual({ ok: true, value: 0 });
    expect((await readPrinter(scratch.db, now)).total).toBe(0);
  });

  test('a decision that is taken back takes its label away, unless it is printed already', async () => {
    const first = await decided();
    await act('undone', first.unitId, { factId: first.decision });
    expect((await readPrinter(scratch.db, now)).total).toBe(0);
    const second = await decided();
    const { jobs } = await readPrinter(scratch.db, now);
    await printLabels(
      scratch.db,
      jobs.map(({ id }) => id),
      now,
    );
    await act('undone', second.unitId, { factId: second.decision });
    const printed = await scratch.db('label_jobs').whereNotNull('printed_at').count({ n: '*' }).first();
    expect(Number((printed as { n: number }).n)).toBe(4);
  });

  test('two printers that ask at the same time never get the same label; what one keeps silent about goes to the other', async () => {
    await scratch.db('label_jobs').update({ printed_at: now });
    for (let n = 0; n < 6; n += 1) await decided();
    const keys = await Promise.all(
      ['left', 'right'].map((name) =>
        makeInstrumentKey(scratch.db, 'bench-1', name, { at: now, by: imke.id }).then(({ id }) => id),
      ),
    );
    const ask = async (printer: number, printed: readonly number[], room: number, seconds = 0) => {
      const outcome = await servePrinter(
        scratch.db,
        keys[printer] ?? '',
        { printed, room },
        new Date(now.getTime() + seconds * 1000),
      );
      if (!outcome.ok) throw new Error(outcome.refusal.reason);
      return { ids: outcome.value.jobs.map(({ id }) => id), waiting: outcome.value.waiting };
    };
    const [left, right] = await Promise.all([ask(0, [], 3), ask(1, [], 3)]);
    expect(new Set([...left.ids, ...right.ids]).size).toBe(6);
    expect([left.waiting, right.waiting]).toEqual([6, 6]);
    // The left one says what came out but for one, and is given that one again; the right one says nothing for a minute.
    expect(await ask(0, left.ids.slice(1), 3)).toEqual({ ids: [left.ids[0]], waiting: 4 });
    expect(await ask(0, [left.ids[0] ?? 0], 3, 59)).toEqual({ ids: [], waiting: 3 });
    expect(await ask(0, [], 3, 61)).toEqual({ ids: right.ids, waiting: 3 });
    // Late or twice, what came out is out.
    expect((await ask(1, right.ids, 3, 62)).waiting).toBe(0);
    expect((await ask(0, right.ids, 3, 63)).waiting).toBe(0);
  });

  test('a printer in trouble is given nothing, and is shown with its trouble while it asks', async () => {
    await decided();
    const { id } = await makeInstrumentKey(scratch.db, 'bench-1', 'by the door', { at: now, by: imke.id });
    const said = { printed: [], room: 4, trouble: 'no-paper', isSimulated: true } as const;
    expect(await servePrinter(scratch.db, id, said, now)).toMatchObject({ ok: true, value: { jobs: [], waiting: 1 } });
    expect((await readPrinter(scratch.db, now)).printers).toContainEqual({
      name: 'by the door',
      askedAt: now.toISOString(),
      trouble: 'no-paper',
      isSimulated: true,
    });
    const later = new Date(now.getTime() + 10 * 60_000);
    expect((await readPrinter(scratch.db, later)).printers).toEqual([]);
  });
});
