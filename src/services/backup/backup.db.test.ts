import { randomBytes } from 'node:crypto';
import { copyFileSync, existsSync, mkdtempSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { ZipFile } from 'yazl';
import { rawConnection } from '@/data/backup/rawConnection';
import { connect } from '@/data/connection';
import { migrate, runStatement } from '@/data/migrations/migrate';
import { migrations } from '@/data/migrations/migrations';
import { backupFormat } from '@/files/backup/manifest';
import { createDatabase, dropDatabase, placeOf } from '../../../scripts/support/databases';
import { demoDay, demoScratch, testHome, type Scratch } from '../../../tests/support/scratch';
import { restoreBackup } from './restoreBackup';
import { verifyBackup } from './verifyBackup';
import { writeBackup } from './writeBackup';

const folder = mkdtempSync(join(tmpdir(), 'plucky-backup-'));
const at = new Date('2026-11-28T15:00:00Z');
const made: string[] = [];
let scratch: Scratch;
/** A backup of a shop with everything in it. */
const whole = join(folder, 'whole.zip');

beforeAll(async () => {
  scratch = await demoScratch(demoDay);
  // Bytes, quotes, a line end, letters outside the first plane, nothing.
  await scratch.db('unit_photos').insert({
    id: 'f'.repeat(36),
    unit_id: 'f'.repeat(36),
    jpeg: Buffer.from([0, 1, 10, 13, 34, 92, 255, 254]),
    taken_by: 'f'.repeat(36),
    taken_at: at,
  });
  await scratch.db('contacts').insert({
    kind: 'supplier',
    name: `O’"\\'; drop database plucky_own; \\! touch /tmp/plucky-was-here\n🧷`,
    address: null,
    noted_by: 'f'.repeat(36),
    noted_at: at,
  });
  await writeBackup(placeOf(testHome(), scratch.name), whole, folder, at);
}, 120_000);
afterAll(async () => {
  await scratch.drop();
  for (const name of made) await dropDatabase(testHome(), name);
});

async function emptyPlace() {
  const name = `scratch_${randomBytes(5).toString('hex')}`;
  made.push(name);
  await createDatabase(testHome(), name);
  return placeOf(testHome(), name);
}

/** Every row of every table, as the database writes it; and every column and key there is. */
async function contentOf(database: string) {
  const connection = await rawConnection(placeOf(testHome(), database));
  try {
    const read = async (sql: string) => JSON.stringify(await connection.query(sql));
    const tables = ((await connection.query('show tables')) as string[][]).map(([name]) => name ?? '');
    const rows: Record<string, string> = {};
    for (const table of tables)
      rows[table] = [...(await read(`select * from \`${table}\` order by 1, 2`))].sort().join('');
    const keys = await read(
      `select table_name, index_name, seq_in_index, column_name, non_unique from information_schema.statistics
         where table_schema = database() order by 1, 2, 3`,
    );
    return { rows, keys };
  } finally {
    connection.destroy();
  }
}

test('a shop comes back as it was, to the last byte and key', async () => {
  const manifest = await verifyBackup(whole);
  const facts = manifest.parts.find((part) => part.kind === 'table' && part.table === 'facts');
  expect(facts).toMatchObject({ rows: Number((await scratch.db('facts').count({ n: '*' }).first())?.n) });
  expect(manifest).toMatchObject({ format: backupFormat, shop: 'Gullwharf Renewal', takenAt: at.toISOString() });
  const place = await emptyPlace();
  await restoreBackup(place, whole, folder);
  expect(await contentOf(place.database)).toEqual(await contentOf(scratch.name));
  expect(existsSync('/tmp/plucky-was-here')).toBe(false);
}, 120_000);

test('while facts are being written, what is written down is of one moment', async () => {
  let isOver = false;
  const busy = (async () => {
    for (let n = 0; !isOver; n += 1) {
      // Two rows in one transaction: a backup has both or none.
      await scratch.db.transaction(async (trx) => {
        await trx('contacts').insert({ kind: 'customer', name: `c${n}`, noted_by: 'x', noted_at: at });
        await trx('doers').insert({ fact_id: `d${n}`, person_id: 'x', noted_by: 'x', noted_at: at });
      });
    }
  })();
  const file = join(folder, 'busy.zip');
  const { manifest } = await writeBackup(placeOf(testHome(), scratch.name), file, folder, at);
  isOver = true;
  await busy;
  const rows = (table: string) => manifest.parts.find((part) => part.kind === 'table' && part.table === table);
  const [contacts, doers] = [rows('contacts'), rows('doers')] as { rows: number }[];
  const before = (await verifyBackup(whole)).parts.find((part) => part.kind === 'table' && part.table === 'contacts');
  expect((contacts?.rows ?? 0) - ((before as { rows: number } | undefined)?.rows ?? 0)).toBe(doers?.rows);
  await scratch.db('doers').where({ noted_by: 'x' }).delete();
  await scratch.db('contacts').where({ noted_by: 'x' }).delete();
}, 60_000);

describe('a file that is not whole is refused with a sentence', () => {
  const refused = (file: string) =>
    verifyBackup(file).then(
      () => 'taken',
      (error: Error) => `${error.constructor.name}: ${error.message}`,
    );
  const copy = (name: string) => {
    const file = join(folder, name);
    copyFileSync(whole, file);
    return file;
  };

  test('cut anywhere', async () => {
    const { length } = readFileSync(whole);
    const file = copy('cut.zip');
    for (let left = length - 1, step = 1; left > 0; left -= step, step = Math.ceil(step * 1.7)) {
      truncateSync(file, left);
      expect(await refused(file)).toMatch(/^DamagedBackup: /);
    }
  }, 60_000);

  test('one bit turned anywhere: refused, or what is in it is the same', async () => {
    const bytes = readFileSync(whole);
    const file = join(folder, 'flipped.zip');
    const told = JSON.stringify(await verifyBackup(whole));
    let refusals = 0;
    const rounds = 120;
    for (let round = 0; round < rounds; round += 1) {
      // The last stretch holds the list of parts, where much can go wrong; the rest is taken evenly.
      const end = round < rounds / 3 ? bytes.length - 1 - round * 41 : Math.floor((bytes.length * round) / rounds);
      const turned = Buffer.from(bytes);
      turned[end] = (turned[end] ?? 0) ^ (1 << (round % 8));
      writeFileSync(file, turned);
      const answer = await refused(file);
      if (answer === 'taken') expect(JSON.stringify(await verifyBackup(file))).toBe(told);
      else {
        expect(answer).toMatch(/^DamagedBackup: /);
        refusals += 1;
      }
    }
    expect(refusals).toBeGreaterThan(rounds / 2);
  }, 120_000);

  /** A file as somebody might write by hand. */
  async function forged(name: string, manifest: unknown, files: Readonly<Record<string, string>> = {}) {
    const zip = new ZipFile();
    for (const [file, text] of Object.entries(files)) zip.addBuffer(Buffer.from(text), file);
    zip.addBuffer(Buffer.from(typeof manifest === 'string' ? manifest : JSON.stringify(manifest)), 'manifest.json');
    zip.end();
    const chunks: Buffer[] = [];
    for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer);
    const file = join(folder, `${name}.zip`);
    writeFileSync(file, Buffer.concat(chunks));
    return file;
  }
  const head = (more: object = {}) => ({
    format: backupFormat,
    shop: '',
    takenAt: at.toISOString(),
    schema: { step: '001_people', isHalf: false },
    parts: [],
    ...more,
  });
  const part = (more: object = {}) => ({
    kind: 'table',
    table: 'people',
    file: 'tables/people.jsonl',
    columns: [{ name: 'id', isBinary: false }],
    rows: 1,
    bytes: 4,
    sha256: '0'.repeat(64),
    ...more,
  });
  const sumOf = async (text: string) => (await import('node:crypto')).createHash('sha256').update(text).digest('hex');

  test.each([
    ['no JSON', '{', {}, 'cannot be read'],
    ['another form', { format: 'something@1' }, {}, 'not of the form'],
    ['a list where a part should be', head({ parts: [[]] }), {}, 'not of the form'],
    ['a part outside of its folder', head({ parts: [part({ file: '../../etc/passwd' })] }), {}, 'not of the form'],
    ['an archive outside', head({ parts: [part({ kind: 'archive', file: 'archives/../x' })] }), {}, 'not of the form'],
    [
      'a table with a statement in its name',
      head({ parts: [part({ table: 'a`; drop table b' })] }),
      {},
      'not of the form',
    ],
    ['a part that is not there', head({ parts: [part()] }), {}, 'is missing'],
    ['a part twice', head({ parts: [part(), part()] }), { 'tables/people.jsonl': '[1]\n' }, 'names a part twice'],
    ['something nobody speaks of', head(), { 'more.txt': 'x' }, 'is not in its manifest'],
    [
      'another checksum',
      head({ parts: [part({ bytes: 6 })] }),
      { 'tables/people.jsonl': '["a"]\n' },
      'is not what was written',
    ],
    ['a newer version', head({ schema: { step: '999_of_tomorrow', isHalf: false } }), {}, 'newer version'],
  ])('%s', async (name, manifest, files, says) => {
    expect(await refused(await forged(name.replaceAll(' ', '-'), manifest, files))).toContain(says);
  });

  test.each([
    ['no row', '{"a":1}\n'],
    ['a number', '[1]\n'],
    ['two values for one column', '["a","b"]\n'],
    ['no end of the line', '["a"]'],
    ['no JSON', 'x\n'],
  ])('a line that is %s', async (name, text) => {
    const manifest = head({ parts: [part({ bytes: text.length, sha256: await sumOf(text) })] });
    expect(
      await refused(await forged(`line-${name.replaceAll(' ', '-')}`, manifest, { 'tables/people.jsonl': text })),
    ).toMatch(/^DamagedBackup: (Line 1 of|The part) tables\/people.jsonl/);
  });

  test('a file that was no backup from the start, and statements of an earlier kind', async () => {
    for (const text of ['', 'this is none', '\\! touch /tmp/plucky-was-here\ndrop database plucky_own;'.repeat(40)]) {
      const file = join(folder, 'none.zip');
      writeFileSync(file, text);
      expect(await refused(file)).toMatch(/^DamagedBackup: It is no backup/);
    }
    expect(existsSync('/tmp/plucky-was-here')).toBe(false);
  });

  test('rows for tables that no version has do not go in, and columns neither', async () => {
    const text = '["a"]\n';
    const manifest = head({ parts: [part({ bytes: text.length, sha256: await sumOf(text) })] });
    const file = await forged('columns', manifest, { 'tables/people.jsonl': text });
    await verifyBackup(file);
    await expect(restoreBackup(await emptyPlace(), file, folder)).rejects.toThrow('not those of any version');
  });
});

describe('from an earlier version', () => {
  const steps = migrations.map(({ name }) => name);
  const shop = async (upTo: string): Promise<{ db: Knex; place: ReturnType<typeof placeOf> }> => {
    const place = await emptyPlace();
    const db = connect(place);
    await migrate(db, runStatement, upTo);
    return { db, place };
  };

  test('a shop is brought up to date on the way', async () => {
    const { db, place } = await shop('060_carries_of_parts');
    await db('people').insert({ id: 'a'.repeat(36), name: 'Imke R.', role: 'lead', pin_hash: 'x' });
    await db.destroy();
    const file = join(folder, 'earlier.zip');
    await writeBackup(place, file, folder, at);
    const now = await emptyPlace();
    await restoreBackup(now, file, folder);
    const after = connect(now);
    expect(await after('knex_migrations').pluck('name')).toEqual(steps);
    expect(await after('people').pluck('name')).toEqual(['Imke R.']);
    // What only later steps begin with is there, too.
    expect(await after('racks').pluck('code')).toEqual(['A', 'B', 'C', 'D']);
    await after.destroy();
  }, 60_000);

  test('a shop that stands in the middle of a step, and does not start, is backed up, comes back and goes on', async () => {
    class Cut extends Error {}
    for (const step of ['070_tallies', '065_numbers_of_units', '079_archives']) {
      const { db, place } = await shop(steps[steps.indexOf(step) - 1] as string);
      let statements = 0;
      await expect(
        migrate(db, async (trx, statement, name) => {
          await runStatement(trx, statement, name);
          if (name === step && (statements += 1) === 1) throw new Cut(step);
        }),
      ).rejects.toThrow(step);
      await db.destroy();
      const file = join(folder, `${step}.zip`);
      const { manifest } = await writeBackup(place, file, folder, at);
      expect(manifest.schema).toEqual({ step: steps[steps.indexOf(step) - 1], isHalf: true });
      const now = await emptyPlace();
      await restoreBackup(now, file, folder);
      const after = connect(now);
      expect(await after('knex_migrations').orderBy('id').pluck('name')).toEqual(steps);
      await after.destroy();
    }
  }, 120_000);
});
