import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { databaseNames, withDatabase } from '../../scripts/support/databases';
import { plucky } from '../support/plucky';
import { testHome } from '../support/scratch';

const folder = mkdtempSync(join(tmpdir(), 'plucky-backup-'));
const people = () =>
  withDatabase(testHome(), databaseNames.own, async (db) =>
    ((await db('people').select('name').orderBy('name')) as { name: string }[]).map(({ name }) => name),
  );

test('help names every command, and an unknown one says so', async () => {
  const { stdout, code } = await plucky('help');
  expect(code).toBe(0);
  for (const name of [
    'demo',
    'start',
    'stop',
    'reset',
    'backup FILE',
    'restore FILE',
    'person',
    'rules [FILE]',
    'test',
    'shots',
  ])
    expect(stdout).toContain(`./plucky ${name}`);
  expect(await plucky('dance')).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('There is no command “dance”.') as string,
  });
});

test('reset asks first: without a yes nothing is deleted', async () => {
  await plucky('reset', '--yes');
  await plucky('person', 'Oskar V.', 'technician');
  const { stdout } = await plucky('reset');
  expect(stdout).toContain('Nothing was deleted');
  expect(await people()).toEqual(['First lead', 'Oskar V.']);
}, 60_000);

test('a backup brings back what was there; a bad file changes nothing', async () => {
  const file = join(folder, 'shop.sql.gz');
  expect(await plucky('backup', file)).toMatchObject({ code: 0 });
  expect(await plucky('backup', file)).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('is there already') as string,
  });
  await plucky('reset', '--yes');
  expect(await people()).toEqual(['First lead']);
  const broken = join(folder, 'broken.sql.gz');
  writeFileSync(broken, 'this is no backup');
  expect(await plucky('restore', broken, '--yes')).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('Your shop is as it was') as string,
  });
  expect(await people()).toEqual(['First lead']);
  expect(await plucky('restore', join(folder, 'none'), '--yes')).toMatchObject({ code: 1 });
  expect(await plucky('restore', file, '--yes')).toMatchObject({ code: 0 });
  expect(await people()).toEqual(['First lead', 'Oskar V.']);
  expect(existsSync(`${file}.part`)).toBe(false);
}, 120_000);

test('a person is added once, with a role there is', async () => {
  expect(await plucky('person', 'Oskar V.')).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('There is a “Oskar V.” already.') as string,
  });
  expect(await plucky('person', 'Petra L.', 'king')).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('One of: viewer, technician, lead.') as string,
  });
}, 60_000);

test('stop is safe when nothing runs', async () => {
  // The tests' own database server is running and must stay: stop is tried on a home of its own.
  const { run } = await import('../../scripts/support/processes');
  const empty = mkdtempSync(join(tmpdir(), 'plucky-home-'));
  const ran = await run(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', 'stop'], {
    env: { ...process.env, PLUCKY_HOME: empty },
  });
  expect(ran.stdout).toContain('Nothing was running.');
}, 30_000);
