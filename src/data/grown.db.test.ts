import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import type { Fact, FactType, Payloads } from '@/core/shop/facts';
import type { Person } from '@/core/people/roles';
import type { PartRow, UnitRow } from '@/data/rows';
import { readApart } from '@/services/apart/readApart';
import { readBench } from '@/services/bench/readBench';
import { readMeanwhile } from '@/services/bench/readMeanwhile';
import { readRunSheet } from '@/services/bench/readRunSheet';
import { readSheets } from '@/services/bench/readSheets';
import { readTimers } from '@/services/bench/readTimers';
import { readContacts } from '@/services/contacts/readContacts';
import { findSerial } from '@/services/dock/findSerial';
import { previewManifest } from '@/services/dock/previewManifest';
import { readClaim } from '@/services/dock/readClaim';
import { readDock } from '@/services/dock/readDock';
import { readForecastGround } from '@/services/dock/readForecastGround';
import { exportFacts } from '@/services/facts/exportFacts';
import { recordFact } from '@/services/facts/recordFact';
import { findAll } from '@/services/find/findAll';
import { readAgreement } from '@/services/grade/readAgreement';
import { readGrade } from '@/services/grade/readGrade';
import { readHistory } from '@/services/history/readHistory';
import { readLabels } from '@/services/labels/readLabels';
import { servePrinter } from '@/services/labels/servePrinter';
import { readPrinter } from '@/services/labels/readPrinter';
import { readLine } from '@/services/line/readLine';
import { archiveFacts } from '@/services/facts/archiveFacts';
import { readExports } from '@/services/reading/readExports';
import { readMatch, readOffered } from '@/services/match/readMatch';
import { correctDoer } from '@/services/people/correctDoer';
import { readPlanner } from '@/services/plans/readPlanner';
import { readPricesPreview } from '@/services/prices/readPricesPreview';
import { readProve } from '@/services/prove/readProve';
import { readRulesPreview } from '@/services/rules/readRulesPreview';
import { openShipment } from '@/services/send/openShipment';
import { readPackingList } from '@/services/send/readPackingList';
import { readSend } from '@/services/send/readSend';
import { readBin } from '@/services/shelf/readBin';
import { readRacks } from '@/services/shelf/readRacks';
import { plainQuery, shelfSorts } from '@/core/shelf/shelfQuery';
import { countBins } from '@/services/shelf/countBins';
import { readLeaving } from '@/services/shelf/readLeaving';
import { readPicks } from '@/services/shelf/readPicks';
import { readShelf } from '@/services/shelf/readShelf';
import { readFits } from '@/services/shelf/readFits';
import { readShelfRows } from '@/services/shelf/readShelfRows';
import { readStock } from '@/services/shelf/readStock';
import { readSupplies } from '@/services/supplies/readSupplies';
import { sayOfSupply } from '@/services/supplies/sayOfSupply';
import type { Part } from '@/core/entities/entities';
import { readThing } from '@/services/things/readThing';
import { readToday } from '@/services/today/readToday';
import { readScore } from '@/services/triage/readScore';
import { readDocument, readTriage } from '@/services/triage/readTriage';
import { takeInHand } from '@/services/triage/takeInHand';
import { openSelfTest } from '@/services/selfTest/openSelfTest';
import { readSelfReads } from '@/services/selfTest/readSelfReads';
import { readSelfTest } from '@/services/selfTest/readSelfTest';
import { readYields } from '@/services/yields/readYields';
import { growShop } from '../../scripts/support/grownShop';
import { FunctionsRun } from '../../tests/support/functionsRun';
import { demoDay, demoScratch, somebody, type Scratch } from '../../tests/support/scratch';
import { markPrinted } from './labels/labelJobs';
import { boundOnShelf } from './parts/boundOnShelf';
import { lockPartsFreedFrom } from './parts/partRepository';
import { keepPhoto } from '@/services/photos/keepPhoto';
import { readMachine, readPressing } from '@/services/machine/readMachine';
import { deletePhotosOf, findPhoto, insertPhoto } from './units/photos';
import { currentRules } from './rules/houseRulesRepository';
import { factsOut, partsOut, stockOut, unitsOut } from './reading/readOut';
import { readTallies } from './tallies/readTallies';
import { newsBetween } from './facts/newsBetween';
import { dropArchive } from './archive/archiveRepository';
import { recount, recountWhenDue } from './tallies/catchUp';

/** Tables that grow with the work of a shop. */
const growing = ['facts', 'fact_parts', 'units', 'parts', 'parcel_lines', 'unit_tallies', 'label_jobs', 'unit_photos'];

/** Queries that may read a growing table from end to end, by what is in them, each with its reason. */
const allowed: readonly (readonly [part: string, because: string])[] = [
  [
    'words like',
    'a word may stand anywhere in a tag, serial or name: an index that holds these and what is sorted by is read',
  ],
  ['and tag like', 'figures may stand anywhere in a tag: an index that holds it is read'],
  ['where `id` in (', 'the records of a thousand units are asked for by key, which is half of this small shop'],
  ['from archived_units a where a.unit_id = u.id', 'a command that moves old facts looks at every unit once'],
  [
    'partition by e.model_id, substring_index',
    'a command that moves old facts asks for the latest times of every step',
  ],
];

/** Functions that are not run here, each with its reason. */
const notRun: Readonly<Record<string, string>> = {};

let scratch: Scratch;
let lead: Person;
const now = demoDay;
const asked = new Map<string, { readonly sql: string; readonly bindings: readonly unknown[] }>();
const run = new FunctionsRun();

beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  await growShop(scratch.db, 100_000);
  lead = await somebody(scratch.db, 'Grown R.', 'lead');
  await run.begin();
  scratch.db.on('query', ({ sql, bindings }: { sql: string; bindings?: readonly unknown[] }) => {
    asked.set(shapeOf(sql), { sql, bindings: bindings ?? [] });
  });
}, 300_000);
afterAll(async () => {
  await run.end();
  await scratch.drop();
});

/** Lists of other lengths are the same query. */
const shapeOf = (sql: string): string => sql.replace(/\((\?, )+\?\)/g, '(…)').replace(/(\(…\), )+/g, '');

const say = <T extends FactType>(type: T, subjectId: string, payload: Payloads[T], expects: number | null) =>
  recordFact(
    scratch.db,
    lead,
    { id: randomUUID(), type, subjectId, expects, at: now.toISOString(), payload } as unknown as Fact,
    now,
  );

/** Everything that the screens, the papers and the exports ask for, and facts of every kind of thing. */
async function askEverything(db: Knex): Promise<void> {
  const at = async (stage: UnitRow['stage']) =>
    (await db('units').where({ stage }).orderBy('tag_no').first()) as UnitRow;
  const [triage, teardown, match, rebuild, sent] = await Promise.all(
    (['triage', 'teardown', 'match', 'rebuild', 'sent'] as const).map(at),
  );
  const part = (await db('parts').where({ place: 'shelf' }).orderBy('tag_no').first()) as Pick<
    PartRow,
    'id' | 'tag'
  > & {
    bin: string;
  };
  const rules = await currentRules(db);
  if (!triage || !teardown || !match || !rebuild || !sent) throw new Error('the grown shop lacks a stage');
  await readToday(db, lead.id, now);
  await readLine(db, now, 'bench-1');
  await readDock(db, triage.parcel_id);
  await findSerial(db, 'OD200037', triage.parcel_id);
  await previewManifest(db, Buffer.from('line,maker,model,serial\n1,Oddkin,Lantern 5,OD200037\n'));
  await readClaim(db, triage.parcel_id);
  await readForecastGround(db, triage.parcel_id, now);
  await readTriage(db, lead.id, now);
  await readDocument(db, 'oddkin-lantern-5', 1, now);
  await readScore(db, now);
  await readApart(db);
  await readSheets(db, 'teardown', now);
  await readBench(db, teardown.tag, lead.id, now);
  await readBench(db, rebuild.tag, lead.id, now);
  await readRunSheet(db, teardown.tag);
  await readMeanwhile(db, teardown.tag, now);
  await readTimers(db);
  await readGrade(db, now, '', part.tag);
  await readAgreement(db);
  for (const words of ['', 'lantern b', 'zzz']) await readShelf(db, { ...plainQuery, words }, now);
  for (const sort of shelfSorts)
    for (const more of [
      { fits: 'oddkin-lantern-5' },
      { category: 'battery', grade: 'B', isDown: true },
      { bin: 'A' },
      { bin: 'A01' },
      { place: 'assigned' },
      { place: 'lost' },
    ] as const)
      await readShelfRows(db, { ...plainQuery, sort, ...more }, 200, now);
  await readStock(db, now);
  await readPicks(db, now);
  await readLeaving(db, now);
  await countBins(db, ['A01', 'B02'], [{ tag: 'P-00007', bin: 'A01' }]);
  await readThing(db, 'P-00007', now);
  await readFits(db, { interchange: 'panel-13-30', category: 'display', place: 'shelf' } as Part, now);
  await readSupplies(db, now);
  await sayOfSupply(db, 'nothing', 0, { says: 'counted', count: 1, because: 'test' }, { at: now, by: lead.id });
  const [supply] = (await readSupplies(db, now)).rows;
  const { key = '' } = supply?.record ?? {};
  await sayOfSupply(db, key, 0, { says: 'counted', count: 9, because: 'test' }, { at: now, by: lead.id });
  await readRacks(db, now);
  await readBin(db, part.bin);
  await readMatch(db, now, match.tag);
  await readOffered(db, match.tag, now);
  await boundOnShelf(db, ['wick-board', 'wick-sensor']);
  await readProve(db, now);
  await readSend(db, now);
  await openShipment(db);
  await readPackingList(db, sent.shipment ?? '');
  await readYields(db, now);
  for (const text of ['lantern', 'lantern b battery', '20418', 'OD200037', 'U-0701', 'AB12', 'S-0012', 'Imke'])
    await findAll(db, text, 40);
  await readThing(db, sent.tag, now);
  await readThing(db, part.tag, now);
  await readThing(db, sent.shipment ?? '', now);
  const facts = (await db('facts').orderBy('position', 'desc').limit(3)) as { id: string; person_id: string }[];
  const filters = [
    {},
    { personId: facts[0]?.person_id },
    { personId: lead.id },
    { bench: 'bench-1' },
    { kind: 'bench' },
    { day: '2025-11-05' },
    { unitId: sent.id },
    { partId: part.id },
    { before: 50_000 },
  ] as Parameters<typeof readHistory>[1][];
  for (const filter of filters) await readHistory(db, filter, now);
  const lines = exportFacts(db, { day: '2025-11-05' });
  await lines.next();
  await lines.next();
  await lines.return(undefined);
  await readContacts(db);
  await readPrinter(db, now);
  await servePrinter(db, lead.id, { printed: [1], room: 20 }, now);
  await readLabels(db, part.tag, now);
  await readLabels(db, 'BIN-A', now);
  await readPlanner(db, 'oddkin-lantern-5', now);
  await readRulesPreview(db, rules, now);
  await readPricesPreview(
    db,
    {
      modelId: 'oddkin-lantern-5',
      fromDay: '2026-11-28',
      prices: [{ partRef: null, cents: { A: 20_000, B: 15_000, C: 9000, D: 4000 } }],
    },
    now,
  );
  await unitsOut(db, 'U-10000', 50);
  await partsOut(db, 'P-100000', 50);
  await factsOut(db, 50_000, 50);
  stockOut(await readTallies(db, ['stock']));
  await newsBetween(db, 99_990, 100_000);
  const parcel = randomUUID();
  const unit = randomUUID();
  const about = { supplier: 'Ferry', pricePaidCents: 1, transportCents: 0, receivedOn: '2026-11-28' };
  await say('parcel-made', parcel, { code: 'One more', ...about }, null);
  await say(
    'lines-expected',
    parcel,
    { fileName: 'a.csv', lines: [{ lineNo: 1, maker: 'Oddkin', model: 'Lantern 5', serial: 'Q1', note: '' }] },
    1,
  );
  await say('unit-tagged', unit, { parcelId: parcel, lineNo: 1 }, null);
  const identity = { modelId: 'oddkin-lantern-5', modelVersion: 1, revision: 'a', configuration: 'standard' };
  await say('unit-identified', unit, { ...identity, variant: 'grey-64', serial: 'Q1' }, 1);
  await say('note-written', unit, { stepId: null, text: 'late' }, 9);
  await say('undone', unit, { factId: facts[0]?.id ?? '' }, null);
  const own = (await db('facts').where({ subject_id: unit }).orderBy('position', 'desc').first()) as { id: string };
  await correctDoer(db, own.id, lead.id, { at: now, by: lead.id });
  await readLine(db, now, 'bench-1');
  const folder = mkdtempSync(join(tmpdir(), 'plucky-archive-'));
  process.env.PLUCKY_ARCHIVES = folder;
  try {
    await archiveFacts(db, '2025-06-01', folder, now);
    await dropArchive(db, 0);
    const archived = (await db('archived_units as a')
      .join('units as u', 'u.id', 'a.unit_id')
      .first('u.tag')) as UnitRow;
    await readThing(db, archived.tag, now);
    await readExports(db);
  } finally {
    delete process.env.PLUCKY_ARCHIVES;
    rmSync(folder, { recursive: true });
  }
  const page = await openSelfTest(db, { unitId: triage.id }, lead, now);
  if (!page.ok) throw new Error(page.refusal.reason);
  await readSelfTest(db, page.value.code, now);
  await readSelfReads(db, triage.id, null, true, now);
  await recount(db, now);
  await recount(db, now);
  await recountWhenDue(db, now, 0);
  await takeInHand(db, triage.id, lead, now);
  await markPrinted(db, [1, 2], now);
  const photo = { id: randomUUID(), unit_id: triage.id, jpeg: Buffer.from('x'), taken_by: lead.id, taken_at: now };
  await insertPhoto(db, photo);
  await findPhoto(db, triage.id, photo.id);
  await keepPhoto(db, { id: randomUUID(), unitId: triage.id, bytes: await smallPicture() }, lead, now);
  await db.transaction((trx) => deletePhotosOf(trx, [triage.id]));
  await readMachine(db, { home: tmpdir(), isDemo: false }, now);
  await readPressing(db, { home: tmpdir(), isDemo: false }, now);
  await db.transaction(async (trx) => void (await lockPartsFreedFrom(trx, sent.id)));
}

const smallPicture = (): Promise<Buffer> =>
  sharp({ create: { width: 8, height: 8, channels: 3, background: 'teal' } })
    .jpeg()
    .toBuffer();

interface Step {
  readonly table: string | null;
  readonly type: string | null;
  readonly key: string | null;
  readonly rows: number | null;
}

/** Steps of a query that read a table that grows from end to end. */
async function fullScans(sql: string, bindings: readonly unknown[]): Promise<readonly string[]> {
  const names = new Map<string, string>();
  for (const [, table = '', , alias] of sql.matchAll(/(?:from|join|update)\s+`?(\w+)`?(\s+(?:as\s+)?`?(\w+)`?)?/gi)) {
    names.set(table, table);
    if (alias) names.set(alias, table);
  }
  const [steps] = (await scratch.db.raw(`explain ${sql}`, bindings as never)) as [Step[]];
  return steps.flatMap(({ table, type, key, rows }) => {
    const name = names.get(table ?? '') ?? '';
    return growing.includes(name) && (type === 'ALL' || type === 'index') && (rows ?? 0) > 500
      ? [`${name} (${type} ${key ?? ''}, ${rows} rows)`]
      : [];
  });
}

describe('a shop of a hundred thousand facts', () => {
  test('no query reads a table that grows from end to end, unless its reason is known', async () => {
    await askEverything(scratch.db);
    scratch.db.removeAllListeners('query');
    const found: string[] = [];
    let explained = 0;
    for (const { sql, bindings } of asked.values()) {
      if (!/^\s*(select|with|update|delete|\()/i.test(sql)) continue;
      explained += 1;
      const scans = await fullScans(sql, bindings);
      if (scans.length > 0 && !allowed.some(([part]) => sql.includes(part)))
        found.push(`${scans.join(', ')}: ${sql.slice(0, 400)}`);
    }
    expect(found).toEqual([]);
    expect(explained).toBeGreaterThan(80);
    for (const [part] of allowed) expect([...asked.values()].some(({ sql }) => sql.includes(part))).toBe(true);
  }, 300_000);

  test('every function that asks such a table was run', async () => {
    const ran = await run.ran();
    const missing: string[] = [];
    for (const file of readdirSync(__dirname, { recursive: true, encoding: 'utf8' })) {
      if (!file.endsWith('.ts') || file.endsWith('.test.ts') || file.startsWith('migrations')) continue;
      const path = join(__dirname, file);
      const source = readFileSync(path, 'utf8');
      const parts = source.split(/^(?=export |(?:async )?function |const )/m);
      for (const part of parts) {
        const name = /^(?:export )?(?:async )?(?:function\*? |const )(\w+)/.exec(part)?.[1];
        const asks =
          growing.some((table) => new RegExp(`['"\`\\s]${table}['"\`\\s)]`).test(part)) && /\b(db|trx)\b/.test(part);
        if (name && asks && !ran.get(path)?.has(name) && notRun[name] === undefined) missing.push(`${file} ${name}`);
      }
    }
    expect(missing).toEqual([]);
  });
});
