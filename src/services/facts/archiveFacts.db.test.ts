import { mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { tmpdir, userInfo } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { Fact } from '@/core/shop/facts';
import { tallyKinds } from '@/core/tallies/tally';
import { connect } from '@/data/connection';
import { positionSince, unitsOver } from '@/data/archive/unitsOver';
import { listArchives } from '@/data/archive/archiveRepository';
import type { FactRow, PartRow, UnitRow } from '@/data/rows';
import { catchUp, mendedCounts, recount } from '@/data/tallies/catchUp';
import { readTallies } from '@/data/tallies/readTallies';
import type { ArchivedFact } from '@/files/factArchive';
import { recordFact } from '@/services/facts/recordFact';
import { findArchive, readExports } from '@/services/reading/readExports';
import { readPackingList } from '@/services/send/readPackingList';
import { readThing } from '@/services/things/readThing';
import { growShop } from '../../../scripts/support/grownShop';
import { demoDay, demoScratch, somebody, testHome, type Scratch } from '../../../tests/support/scratch';
import { archiveFacts, type Archived } from './archiveFacts';

const now = demoDay;
const day = '2026-11-01';
let scratch: Scratch;
let folder: string;

beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  await growShop(scratch.db, 30_000, 1);
  await keepADonor();
  folder = mkdtempSync(join(tmpdir(), 'plucky-archive-'));
  process.env.PLUCKY_ARCHIVES = folder;
}, 120_000);
afterAll(async () => {
  delete process.env.PLUCKY_ARCHIVES;
  rmSync(folder, { recursive: true, force: true });
  await scratch.drop();
});

/** A donor that gave a part to a unit that left goes on being worked on: nothing of that part may go. */
async function keepADonor(): Promise<void> {
  const over = await unitsOver(scratch.db, await positionSince(scratch.db, new Date(`${day}T00:00:00Z`)));
  const sent = (await scratch
    .db('units')
    .where({ stage: 'sent' })
    .whereIn('id', [...over])) as UnitRow[];
  const fitted = sent.flatMap((unit) => Object.values(unit.fitted).map((id) => [id, unit.id] as const));
  const parts = (await scratch.db('parts').whereIn(
    'id',
    fitted.map(([id]) => id),
  )) as PartRow[];
  const given = parts.find(({ id, unit_id }) => fitted.some(([part, unit]) => part === id && unit !== unit_id));
  if (!given) throw new Error('the demo builds with parts of donors');
  await scratch.db('units').where({ id: given.unit_id }).update({ stage: 'teardown' });
}

const allFacts = async () => (await scratch.db('facts').orderBy('position')) as FactRow[];
/** As a process reads them that has read nothing yet. */
const tallies = async () => {
  const db = connect({ socketPath: testHome().socketPath, user: userInfo().username, database: scratch.name });
  const all = await readTallies(db, [...tallyKinds]);
  await db.destroy();
  return Object.fromEntries(tallyKinds.map((kind) => [kind, all[kind].map((tally) => JSON.stringify(tally)).sort()]));
};
/** What a record shows, without whether it was read from an archive. */
const record = async (tag: string) => {
  const thing = await readThing(scratch.db, tag, now);
  if (!thing || thing.kind === 'shipment') throw new Error(`${tag} is nothing`);
  const { archived, ...shown } = thing;
  return { archived, shown };
};

describe('the archive of facts', () => {
  let before: readonly FactRow[];
  let counted: Awaited<ReturnType<typeof tallies>>;
  let records: ReadonlyMap<string, Awaited<ReturnType<typeof record>>['shown']>;
  let papers: ReadonlyMap<string, unknown>;
  let done: Archived;
  let units: readonly string[];

  beforeAll(async () => {
    before = await allFacts();
    counted = await tallies();
    units = await unitsOver(scratch.db, await positionSince(scratch.db, new Date(`${day}T00:00:00Z`)));
    const some = (await scratch.db('units').whereIn('id', units.slice(0, 40))) as UnitRow[];
    const parts = (await scratch.db('parts').whereIn('unit_id', units.slice(0, 40)).limit(40)) as PartRow[];
    const shown = new Map<string, Awaited<ReturnType<typeof record>>['shown']>();
    for (const { tag } of [...some, ...parts]) shown.set(tag, (await record(tag)).shown);
    records = shown;
    const shipments = [...new Set(some.flatMap(({ shipment }) => shipment ?? []))].slice(0, 5);
    papers = new Map(
      await Promise.all(shipments.map(async (tag) => [tag, await readPackingList(scratch.db, tag)] as const)),
    );
    done = (await archiveFacts(scratch.db, day, folder, now)) as Archived;
  }, 120_000);

  test('a good share of the log goes, and every fact is in the log or in the file, whole', async () => {
    expect(units.length).toBeGreaterThan(20);
    expect(done).toMatchObject({ file: `facts-before-${day}.jsonl.gz`, units: units.length });
    const after = await allFacts();
    expect(before.length - after.length).toBe(done.facts);
    expect(done.facts).toBeGreaterThan(500);
    // One gzip file for any tool.
    const [head, ...lines] = gunzipSync(readFileSync(join(folder, done.file)))
      .toString()
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as ArchivedFact & { format?: string });
    expect(head).toMatchObject({ format: 'plucky-parcel/fact-archive@1', madeAt: now.toISOString() });
    const inFile = new Map(lines.map((line) => [line.id, line]));
    const inLog = new Set(after.map(({ id }) => id));
    for (const row of before) {
      if (inLog.has(row.id)) continue;
      expect(inFile.get(row.id)).toMatchObject({
        position: row.position,
        type: row.type,
        at: row.client_at.toISOString(),
        payload: row.payload,
        touched: row.touched,
      });
    }
    const [[orphans]] = (await scratch.db.raw(
      'select count(*) n from fact_parts f left join facts e on e.position = f.position where e.position is null',
    )) as [[{ n: number }]];
    expect(Number(orphans.n)).toBe(0);
  });

  test('only what is over went, and nothing of a part before every unit it was spoken of with', async () => {
    const first = await positionSince(scratch.db, new Date(`${day}T00:00:00Z`));
    const gone = new Set(units);
    const unitOf = new Map(((await scratch.db('units')) as UnitRow[]).map((unit) => [unit.id, unit]));
    const donorOf = new Map(((await scratch.db('parts')) as PartRow[]).map(({ id, unit_id }) => [id, unit_id]));
    for (const id of units) expect(['sent', 'spent', 'recycled']).toContain(unitOf.get(id)?.stage);
    const left = new Set((await allFacts()).map(({ id }) => id));
    const wasUndone = new Set(before.flatMap(({ undoes }) => undoes ?? []));
    const wrong: string[] = [];
    let waiting = 0;
    for (const fact of before) {
      const of = new Set([
        ...(fact.unit_id ? [fact.unit_id] : []),
        ...fact.touched.flatMap(({ kind, id }) => (kind === 'part' ? (donorOf.get(id) ?? []) : [])),
      ]);
      const mayGo =
        of.size > 0 && [...of].every((id) => gone.has(id)) && fact.position < first && fact.type !== 'unit-sent';
      const isPlain = fact.undoes === null && !wasUndone.has(fact.id);
      if (left.has(fact.id) ? mayGo && isPlain : !mayGo) wrong.push(`${fact.type} ${fact.position}`);
      if (fact.undoes !== null && left.has(fact.id) !== left.has(fact.undoes)) wrong.push(`undone ${fact.position}`);
      if (!mayGo && fact.type !== 'unit-sent' && gone.has(fact.unit_id ?? '') && fact.position < first) waiting += 1;
    }
    expect(wrong).toEqual([]);
    // There are such: parts of donors that stayed went into units that left.
    expect(waiting).toBeGreaterThan(0);
  });

  test('records of units and parts, their money and their papers are as before', async () => {
    expect(records.size).toBeGreaterThan(40);
    for (const [tag, shown] of records) {
      const now2 = await record(tag);
      expect(now2.shown).toEqual(shown);
      expect(now2.archived).toMatchObject({ file: done.file, state: 'read' });
    }
    for (const [tag, list] of papers) expect(await readPackingList(scratch.db, tag)).toEqual(list);
  });

  test('what was counted stays counted, also by a recount, and by one that begins from nothing', async () => {
    await catchUp(scratch.db);
    expect(await tallies()).toEqual(counted);
    for (let isDone = false; !isDone; isDone = await recount(scratch.db, now));
    expect(await mendedCounts(scratch.db)).toBeNull();
    expect(await tallies()).toEqual(counted);
    for (const table of ['tallies', 'unit_tallies']) await scratch.db(table).delete();
    await scratch.db('tallied').update({ generation: 0, position: 0, next_to: null });
    await catchUp(scratch.db);
    expect(await tallies()).toEqual(counted);
  });

  test('what is in the archive is not taken back, and not taken in a second time', async () => {
    const lead = await somebody(scratch.db, 'Archive R.', 'lead');
    const left = new Set((await allFacts()).map(({ id }) => id));
    const archived = before.filter(({ id, type }) => !left.has(id) && type === 'step-done').at(-1) as FactRow;
    const undo = {
      id: randomUUID(),
      type: 'undone',
      subjectId: archived.subject_id,
      expects: null,
      at: now.toISOString(),
      payload: { factId: archived.id },
    } as Fact;
    expect((await recordFact(scratch.db, lead, undo, now)).ok).toBe(false);
    const again = {
      ...undo,
      id: archived.id,
      type: archived.type,
      expects: archived.expects,
      payload: archived.payload,
    };
    expect((await recordFact(scratch.db, lead, again as Fact, now)).ok).toBe(false);
    expect((await allFacts()).length).toBe(left.size);
  });

  test('a second time there is nothing to move, and no second file', async () => {
    expect(await archiveFacts(scratch.db, day, folder, now)).toBeNull();
    expect(readdirSync(folder)).toEqual([done.file]);
    expect(await listArchives(scratch.db)).toMatchObject([{ file: done.file, units: done.units, facts: done.facts }]);
  });

  test('without its file a record says where the rest is; with a damaged one, too; and as before once it is back', async () => {
    const [tag, shown] = [...records][0] as [string, Awaited<ReturnType<typeof record>>['shown']];
    const path = join(folder, done.file);
    renameSync(path, `${path}.away`);
    expect((await record(tag)).archived?.state).toBe('away');
    expect((await readExports(scratch.db)).archives).toMatchObject([{ isHere: false }]);
    const [archive] = await listArchives(scratch.db);
    expect(await findArchive(scratch.db, archive?.id ?? 0)).toBeUndefined();
    const bytes = readFileSync(`${path}.away`);
    for (const flipped of [bytes.map((byte) => byte ^ 1), bytes.subarray(0, 20)]) {
      writeFileSync(path, flipped);
      expect((await record(tag)).archived?.state).toBe('damaged');
    }
    renameSync(`${path}.away`, path);
    expect((await record(tag)).shown).toEqual(shown);
    expect(await findArchive(scratch.db, archive?.id ?? 0)).toEqual({ file: done.file, path });
    expect(await findArchive(scratch.db, 99)).toBeUndefined();
  });
});

test('two at once: every unit is in one of the two files, and none of its facts is lost or kept twice', async () => {
  const ids = async () => ((await scratch.db('facts').pluck('id')) as string[]).length;
  const before = await ids();
  const both = await Promise.all(
    [1, 2].map((at) => archiveFacts(scratch.db, '2026-11-10', join(folder, `${at}`), now)),
  );
  const sum = both.reduce((total, own) => total + (own?.facts ?? 0), 0);
  expect(sum).toBeGreaterThan(0);
  expect(await ids()).toBe(before - sum);
  expect(new Set(both.map((own) => own?.file)).size).toBe(2);
  const [[noted]] = (await scratch.db.raw('select sum(units) n from archives')) as [[{ n: number }]];
  const { n } = (await scratch.db('archived_units').count({ n: '*' }).first()) as { n: number };
  expect(Number(noted.n)).toBe(Number(n));
}, 60_000);

test('a folder that cannot be written: the log is as it was, and no file is there', async () => {
  const blocked = join(folder, 'a-file');
  writeFileSync(blocked, '');
  const { n } = (await scratch.db('facts').count({ n: '*' }).first()) as { n: number };
  // Everything that is over by now: more than was moved before.
  await expect(archiveFacts(scratch.db, '2026-12-01', blocked, now)).rejects.toThrow();
  expect(await scratch.db('facts').count({ n: '*' }).first()).toEqual({ n });
  rmSync(blocked);
});
