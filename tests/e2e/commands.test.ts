import { appendFileSync, existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createServer } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';
import { projectRoot } from '../../scripts/support/home';
import { run } from '../../scripts/support/processes';
import { withShop } from '../../scripts/support/shops';
import { keepBackups } from '../../scripts/supervisor/keepBackups';
import { filesOf } from '../support/filesOf';
import { plucky } from '../support/plucky';
import { testHome } from '../support/scratch';

const folder = mkdtempSync(join(tmpdir(), 'plucky-backup-'));
const people = () =>
  withShop(testHome(), 'own', async (db) =>
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
    'backup [FILE]',
    'backups',
    'verify FILE',
    'restore FILE',
    'person',
    'rules [FILE]',
    'archive DAY',
    'support',
    'audit',
    'test',
    'shots',
  ])
    expect(stdout).toContain(`./plucky ${name}`);
  expect(await plucky('dance')).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('There is no command “dance”.') as string,
  });
});

test.each([
  [[], 'before which day'],
  [['soon'], 'before which day'],
  [['2025-02-31x'], 'before which day'],
  [['2999-01-01'], 'is not over yet'],
])('archive %j says what it needs, and moves nothing', async (args, says) => {
  expect(await plucky('archive', ...args)).toMatchObject({ code: 1, stderr: expect.stringContaining(says) as string });
});

test('archive of a shop of which nothing is over says so', async () => {
  const { stdout, code } = await plucky('archive', '2026-01-01');
  expect([code, stdout]).toEqual([0, expect.stringContaining('Nothing to move')]);
});

test('reset asks first: without a yes nothing is deleted', async () => {
  await plucky('reset', '--yes');
  await plucky('person', 'Oskar V.', 'technician');
  const { stdout } = await plucky('reset');
  expect(stdout).toContain('Nothing was deleted');
  expect(await people()).toEqual(['First lead', 'Oskar V.']);
});

test('a backup brings back what was there; a bad file changes nothing; a restore can be taken back', async () => {
  const file = join(folder, 'shop.zip');
  expect(await plucky('backup', file)).toMatchObject({ code: 0 });
  expect(await plucky('backup', file)).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('is there already') as string,
  });
  expect(await plucky('verify', file)).toMatchObject({
    code: 0,
    stdout: expect.stringContaining('is whole') as string,
  });
  await plucky('reset', '--yes');
  expect(await people()).toEqual(['First lead']);
  const broken = join(folder, 'broken.zip');
  // What a client of the database would take as a command of its own.
  writeFileSync(broken, `\\! touch ${join(folder, 'run')}\ndrop database plucky_own;\n`);
  for (const command of ['verify', 'restore'])
    expect(await plucky(command, broken, '--yes')).toMatchObject({
      code: 1,
      stderr: expect.stringContaining('Nothing was changed') as string,
    });
  expect(existsSync(join(folder, 'run'))).toBe(false);
  expect(await people()).toEqual(['First lead']);
  expect(await plucky('restore', join(folder, 'none'), '--yes')).toMatchObject({ code: 1 });
  expect(await plucky('restore', file)).toMatchObject({
    stdout: expect.stringContaining('Nothing was changed') as string,
  });
  expect(await people()).toEqual(['First lead']);
  expect(await plucky('restore', file, '--yes')).toMatchObject({ code: 0 });
  expect(await people()).toEqual(['First lead', 'Oskar V.']);
  expect(await plucky('restore', '--back')).toMatchObject({ code: 0 });
  expect(await people()).toEqual(['First lead']);
  expect((await plucky('restore', '--back')).stdout).toContain('nothing to go back to');
  // Twice without a start between them: what was there before both is what it goes back to.
  await plucky('restore', file, '--yes');
  await plucky('restore', file, '--yes');
  expect(await people()).toEqual(['First lead', 'Oskar V.']);
  await plucky('restore', '--back');
  expect(await people()).toEqual(['First lead']);
  await plucky('restore', file, '--yes');
  expect(existsSync(`${file}.part`)).toBe(false);
});

test('backups go to a folder that was chosen, so many stay, and what else lies there is left alone', async () => {
  const chosen = join(folder, 'other disk');
  expect((await plucky('backups', chosen, '2')).stdout).toContain(`to ${chosen}; the newest 2 stay`);
  writeFileSync(join(chosen, 'letter.zip'), 'mine');
  for (const day of ['01', '02', '03']) writeFileSync(join(chosen, `shop-2026-01-${day}T00-00-00.zip`), 'old');
  writeFileSync(join(chosen, 'shop-2026-01-04T00-00-00.zip.part'), 'broken off');
  expect(await plucky('backup')).toMatchObject({ code: 0 });
  const left = readdirSync(chosen).sort();
  expect(left).toEqual(['letter.zip', 'shop-2026-01-03T00-00-00.zip', expect.stringMatching(/^shop-\d{4}/)]);
  expect(await plucky('verify', join(chosen, left[2] ?? ''))).toMatchObject({ code: 0 });
  for (const wrong of ['0', 'x', '2.5'])
    expect(await plucky('backups', chosen, wrong)).toMatchObject({
      code: 1,
      stderr: expect.stringContaining('is no number of backups') as string,
    });
  rmSync(join(testHome().root, 'backups.json'));
});

test('a served shop is backed up by itself when its newest backup is a day old, and not before', async () => {
  const chosen = join(folder, 'daily');
  await plucky('backups', chosen, '3');
  writeFileSync(join(chosen, 'shop-2026-01-01T00-00-00.zip'), 'old');
  const leave = new AbortController();
  const going = keepBackups(testHome(), leave.signal, { first: 10, look: 50, age: 24 * 3_600_000 });
  const there = () => readdirSync(chosen).filter((name) => name.endsWith('.zip'));
  for (let waited = 0; there().length < 2 && waited < 30_000; waited += 100) await sleep(100);
  await sleep(1500);
  leave.abort();
  await going;
  expect(there()).toHaveLength(2);
  expect(await plucky('verify', join(chosen, there().sort()[1] ?? ''))).toMatchObject({ code: 0 });
  rmSync(join(testHome().root, 'backups.json'));
});

test('a person is added once, with a role there is', async () => {
  expect(await plucky('person', 'Oskar V.')).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('There is a “Oskar V.” already.') as string,
  });
  expect(await plucky('person', 'Petra L.', 'king')).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('One of: viewer, technician, lead.') as string,
  });
});

test('a file for whoever helps holds logs and sizes, and nothing of what people are called or typed', async () => {
  const file = join(folder, 'support.zip');
  await plucky('person', 'Wilhelmina Q.', 'technician');
  const log = join(testHome().logDir, 'application.log');
  const lines = [
    { at: '2026-11-28T10:00:00Z', what: 'sign-in', outcome: 'pin-wrong', person: 'somebody-known', from: '10.1.2.3' },
    { at: '2026-11-28T10:00:01Z', what: 'request', method: 'GET', route: '/people', status: 200, ms: 12, id: 'r1' },
  ];
  appendFileSync(log, `${lines.map((line) => JSON.stringify(line)).join('\n')}\nWilhelmina Q. wrote this by hand\n`);
  expect(await plucky('support', file)).toMatchObject({ code: 0 });
  const inside = await filesOf(file);
  expect(Object.keys(inside).sort()).toEqual(expect.arrayContaining(['about.json', 'application.log', 'mariadb.log']));
  const about = JSON.parse(inside['about.json'] ?? '') as { shop: { tables: object[]; schema: string }; node: string };
  expect(about.node).toBe(process.version);
  expect(about.shop.tables.length).toBeGreaterThan(30);
  expect(inside['application.log']).toContain('"route":"/people"');
  const whole = Object.values(inside).join('\n');
  for (const secret of ['Wilhelmina', 'somebody-known', '10.1.2.3', 'First lead', testHome().root])
    expect(whole).not.toContain(secret);
  expect(await plucky('support', file)).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('is there already') as string,
  });
});

test('an audit asks the registry, and says when that cannot be asked', async () => {
  const answers: Record<string, readonly [number, string]> = {
    '/-/npm/v1/security/advisories/bulk': [
      200,
      JSON.stringify({
        knex: [
          { id: 1, url: 'https://example.org/1', title: 'Falls over', severity: 'high', vulnerable_versions: '*' },
        ],
      }),
    ],
  };
  const registry = createServer((request, response) => {
    const [status, body] = answers[request.url ?? ''] ?? [405, ''];
    response.writeHead(status, { 'content-type': 'application/json' }).end(body);
  });
  await new Promise<void>((done) => registry.listen(0, '127.0.0.1', done));
  const url = `http://127.0.0.1:${(registry.address() as { port: number }).port}`;
  const asked = (env: Readonly<Record<string, string>>, ...args: string[]) =>
    run(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', 'audit', ...args], {
      cwd: projectRoot,
      env: { ...process.env, npm_config_registry: url, npm_config_fetch_retries: '0', ...env },
    });
  const found = await asked({});
  expect([found.code, found.stdout]).toEqual([1, expect.stringContaining('high: knex')]);
  delete answers['/-/npm/v1/security/advisories/bulk'];
  const silent = await asked({});
  expect([silent.code, silent.stderr]).toEqual([1, expect.stringContaining('could not be asked')]);
  const list = join(folder, 'advisories.json');
  writeFileSync(
    list,
    JSON.stringify([
      {
        id: 'TEST-1',
        affected: [
          { package: { ecosystem: 'npm', name: 'knex' }, ranges: [{ type: 'SEMVER', events: [{ introduced: '0' }] }] },
        ],
      },
    ]),
  );
  const fromFile = await asked({}, list);
  expect([fromFile.code, fromFile.stdout]).toEqual([1, expect.stringContaining('TEST-1')]);
  writeFileSync(list, '[]');
  expect(await asked({}, list)).toMatchObject({ code: 0 });
  writeFileSync(list, '{');
  expect(await asked({}, list)).toMatchObject({ code: 1, stderr: expect.stringContaining('OSV') as string });
  registry.close();
});
