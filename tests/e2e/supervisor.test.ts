import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { demoPeople } from '../../scripts/demo/people';
import { freePort } from '../../scripts/server/ports';
import { openHome, projectRoot, type Home } from '../../scripts/support/home';
import { run, type Ran } from '../../scripts/support/processes';
import { placeOfShop, withShop } from '../../scripts/support/shops';
import { tellHolder } from '../../scripts/supervisor/orders';

/** A home of its own, with a database of its own: what is tried here would take others along. */
const root = mkdtempSync(join(tmpdir(), 'plucky-home-'));
let home: Home;
let port: number;
const env = (more: Readonly<Record<string, string>> = {}) => ({
  ...process.env,
  PLUCKY_HOME: root,
  PLUCKY_PORT: String(port),
  PLUCKY_WORKERS: '2',
  ...more,
});
const command = (...args: readonly string[]): Promise<Ran> =>
  run(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', ...args], { cwd: projectRoot, env: env() });

interface Started {
  readonly child: ChildProcess;
  readonly said: () => string;
  readonly over: Promise<number | null>;
}
const begun: Started[] = [];

function start(more?: Readonly<Record<string, string>>, what = 'start'): Started {
  const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', what], {
    cwd: projectRoot,
    env: env(more),
  });
  let said = '';
  child.stdout.on('data', (chunk) => (said += String(chunk)));
  child.stderr.on('data', (chunk) => (said += String(chunk)));
  const over = new Promise<number | null>((done) => child.on('exit', (code) => done(code)));
  const started = { child, said: () => said, over };
  begun.push(started);
  return started;
}

async function until(isThere: () => boolean | Promise<boolean>, what: string, patienceMs = 40_000): Promise<void> {
  for (let waited = 0; waited < patienceMs; waited += 100) {
    if (await isThere()) return;
    await sleep(100);
  }
  throw new Error(`until: ${what} did not happen; the last one said “${begun.at(-1)?.said()}”`);
}
const opened = async (started: Started, patienceMs?: number): Promise<string> => {
  await until(() => /(at|shop at) http/.test(started.said()), 'an address', patienceMs);
  return /http:\S+\d/.exec(started.said())?.[0] ?? '';
};
const answers = (url: string) =>
  fetch(`${url}/api/ready`).then(
    ({ ok }) => ok,
    () => false,
  );

/** Processes that work for this home, by what they were called with or what their environment says. */
async function ofHome(): Promise<readonly number[]> {
  const { stdout } = await run('ps', ['-eo', 'pid=']);
  return stdout
    .split('\n')
    .map(Number)
    .filter((pid) => {
      if (pid === 0 || pid === process.pid) return false;
      try {
        const [args, around] = [
          readFileSync(`/proc/${pid}/cmdline`, 'utf8'),
          readFileSync(`/proc/${pid}/environ`, 'utf8'),
        ];
        return args.includes(root) || around.split('\0').some((each) => each.startsWith(`PLUCKY_HOME=${root}`));
      } catch {
        return false;
      }
    });
}
const childrenOf = async (pid: number | undefined, program: string): Promise<number> => {
  const { stdout } = await run('ps', ['-o', 'pid=,args=', '--ppid', String(pid)]);
  return Number(
    stdout
      .split('\n')
      .find((line) => line.includes(program))
      ?.trim()
      .split(' ')[0],
  );
};
async function nobodyLeft(): Promise<void> {
  for (let tries = 0; tries < 150; tries += 1) {
    if ((await ofHome()).length === 0) return;
    await sleep(200);
  }
  const { stdout } = await run('ps', ['-o', 'pid=,ppid=,stat=,args=', '-p', (await ofHome()).join()]);
  throw new Error(`Left behind:\n${stdout}`);
}

beforeAll(async () => {
  home = openHome(root);
  port = await freePort(47_310);
});
afterAll(async () => {
  for (const { child } of begun) child.kill('SIGKILL');
  for (const pid of await ofHome()) process.kill(pid, 'SIGKILL');
  rmSync(root, { recursive: true, force: true });
});

let firstPin: string | undefined;

test('of two starts at once one serves, the other says where; both are over after one stop', async () => {
  const both = [start(), start()];
  const urls = await Promise.all(both.map((one) => opened(one)));
  expect(new Set(urls).size).toBe(1);
  const serving = both.find(({ said }) => said().includes('Ctrl-C')) as Started;
  const other = both.find((one) => one !== serving) as Started;
  expect(await other.over).toBe(0);
  expect(other.said()).toContain('Already running: the own shop');
  firstPin = /PIN (\d{6})/.exec(serving.said())?.[1];
  expect(firstPin).toBeDefined();
  expect(await answers(urls[0] ?? '')).toBe(true);

  // A third one later, and a command beside it.
  expect((await command('start')).stdout).toContain('Already running');
  expect((await command('backup', join(root, 'beside.zip'))).code).toBe(0);
  expect(await command('reset', '--yes')).toMatchObject({
    code: 1,
    stderr: expect.stringContaining('is running') as string,
  });

  const since = performance.now();
  expect((await command('stop')).stdout).toContain('Stopped.');
  expect(performance.now() - since).toBeLessThan(15_000);
  expect(await serving.over).toBe(0);
  await nobodyLeft();
  expect((await command('stop')).stdout).toContain('Nothing was running.');
});

test('what dies is started again, at the same address; the PIN that nobody used is told again', async () => {
  const serving = start();
  const url = await opened(serving);
  expect(/PIN (\d{6})/.exec(serving.said())?.[1]).toBe(firstPin);
  for (const [program, says] of [
    ['mariadbd', 'The database ended by itself'],
    ['workers.cjs', 'The application ended by itself'],
  ] as const) {
    const pid = await childrenOf(serving.child.pid, program);
    process.kill(pid, 'SIGKILL');
    await until(() => serving.said().includes(says), `“${says}” of process ${pid}`);
    await until(async () => {
      const now = await childrenOf(serving.child.pid, program);
      return now > 0 && now !== pid && (await answers(url));
    }, `another ${program}`);
  }
  const page = await fetch(`${url}/sign-in`);
  expect(await page.text()).toContain('First lead');

  // The one that watches is gone without a word: nobody is left behind, and the next one finds everything free.
  serving.child.kill('SIGKILL');
  await nobodyLeft();
  const next = start();
  expect(await opened(next)).toBe(url);
  next.child.kill('SIGTERM');
  expect(await next.over).toBe(0);
  await nobodyLeft();
});

test('a backup that is asked for while it starts waits for its turn, and is whole', async () => {
  const file = join(root, 'while-starting.zip');
  const starting = start();
  expect(await command('backup', file)).toMatchObject({ code: 0 });
  expect(await answers(await opened(starting))).toBe(true);
  expect(await command('verify', file)).toMatchObject({ code: 0 });
  await command('stop');
  expect(await starting.over).toBe(0);
  await nobodyLeft();
});

/** A shop that was told to stop is gone after so long. */
const stopsWithinMs = 60_000;

test('a stop while it starts ends it, at whatever moment that comes', async () => {
  for (const ms of [700, 1500, 2500, 3500]) {
    const starting = start();
    await sleep(ms);
    // A stop may come before it has begun, when nothing is there to stop; the next one finds it.
    let stops = 0;
    for (let isOver = false; !isOver && stops < 2; stops += 1) {
      expect((await command('stop')).code).toBe(0);
      if (starting.child.exitCode === null && !(await tellHolder(home, 'state'))) starting.child.kill('SIGTERM');
      isOver = await Promise.race([starting.over.then(() => true), sleep(stopsWithinMs).then(() => false)]);
    }
    await starting.over;
    await nobodyLeft();
  }
});

test('a start that is killed at whatever moment leaves nobody behind and a shop that starts', async () => {
  for (const ms of [900, 1600, 2200, 2800]) {
    const starting = start();
    await sleep(ms);
    starting.child.kill('SIGKILL');
    await nobodyLeft();
  }
  const serving = start();
  const url = await opened(serving);
  expect(await answers(url)).toBe(true);
  await command('stop');
});

test('a port that is taken is left to whoever has it; one that is taken meanwhile, too', async () => {
  const taken: Server = createServer();
  await new Promise<void>((done) => taken.listen(port, '127.0.0.1', done));
  const serving = start();
  const url = await opened(serving);
  expect(url).not.toContain(`:${port}`);
  taken.close();

  // Its own port is taken while it is down: it waits for it and says so.
  const own = Number(url.split(':').at(-1));
  const pid = await childrenOf(serving.child.pid, 'workers.cjs');
  const thief = createServer();
  process.kill(pid, 'SIGKILL');
  await until(
    () =>
      new Promise((done) => {
        thief.once('error', () => done(false));
        thief.listen(own, '127.0.0.1', () => done(true));
      }),
    'the free port',
  );
  await until(() => serving.said().includes('is taken by something else now'), 'a word of it');
  await new Promise((done) => thief.close(done));
  await until(() => answers(url), 'the application again');
  await command('stop');
  await nobodyLeft();
});

test('files that somebody left, torn or with a stranger’s number in them, end nobody', async () => {
  const stranger = spawn('sleep', ['60']);
  try {
    for (const text of ['', '{', JSON.stringify({ pid: stranger.pid, url: 'http://127.0.0.1:1', shop: 'own' })])
      for (const name of ['app.json', 'db.pid', 'orders.sock', 'status.json']) {
        rmSync(join(root, 'run', name), { force: true });
        writeFileSync(join(root, 'run', name), name === 'db.pid' ? String(stranger.pid) : text);
        expect((await command('stop')).stdout).toContain('Nothing was running.');
      }
    const serving = start();
    await opened(serving);
    await command('stop');
    await serving.over;
    expect(stranger.exitCode).toBeNull();
    expect(stranger.signalCode).toBeNull();
  } finally {
    stranger.kill('SIGKILL');
  }
});

test('two homes at once are two shops, and one is not stopped with the other', async () => {
  const elsewhere = mkdtempSync(join(tmpdir(), 'plucky-home-'));
  const [one, other] = [start(), start({ PLUCKY_HOME: elsewhere })];
  const urls = await Promise.all([opened(one), opened(other)]);
  expect(urls[0]).not.toBe(urls[1]);
  await command('stop');
  await one.over;
  expect(await answers(urls[1] ?? '')).toBe(true);
  other.child.kill('SIGTERM');
  expect(await other.over).toBe(0);
  rmSync(elsewhere, { recursive: true, force: true });
});

test('a home that cannot be written, and a disk that is full, are said; once there is room it starts', async () => {
  const file = join(root, 'a-file');
  writeFileSync(file, '');
  const inTheWay = start({ PLUCKY_HOME: join(file, 'home') });
  expect(await inTheWay.over).toBe(1);
  expect(inTheWay.said()).toContain('cannot be written (ENOTDIR)');

  const disk = join(root, 'disk');
  mkdirSync(disk);
  // Only where this machine lets us make a small disk.
  if ((await run('mount', ['-t', 'tmpfs', '-o', 'size=900m', 'tmpfs', disk])).code !== 0) return;
  try {
    const filler = join(disk, 'filler');
    await run('dd', ['if=/dev/zero', `of=${filler}`, 'bs=1M', 'count=880']);
    const full = start({ PLUCKY_HOME: join(disk, 'home') });
    expect(await full.over).toBe(1);
    expect(full.said()).toMatch(/MB left|is full/);
    rmSync(filler);
    const serving = start({ PLUCKY_HOME: join(disk, 'home') });
    await opened(serving);
    serving.child.kill('SIGTERM');
    expect(await serving.over).toBe(0);
  } finally {
    await run('umount', [disk]);
  }
});

describe('a restore that is killed', () => {
  test('at whatever moment leaves one whole shop, that starts', async () => {
    const file = join(root, 'shop.zip');
    await command('person', 'Before R.', 'lead');
    expect((await command('backup', file)).code).toBe(0);
    await command('person', 'After V.', 'lead');
    const seen = new Set<string>();
    for (const ms of [1200, 1900, 2600, 3300, 4000, 5000]) {
      const child = spawn(process.execPath, ['--import', 'tsx', 'scripts/plucky.ts', 'restore', file, '--yes'], {
        cwd: projectRoot,
        env: env(),
      });
      await sleep(ms);
      child.kill('SIGKILL');
      await nobodyLeft();
      const serving = start();
      const url = await opened(serving);
      const page = await (await fetch(`${url}/sign-in`)).text();
      expect(page).toContain('Before R.');
      seen.add(page.includes('After V.') ? 'as it was' : 'as in the backup');
      // It is dropped once the shop answers, so a moment after its address is told.
      await until(async () => (await placeOfShop(home, 'own')).before === null, 'the end of the one before');
      await command('stop');
      await serving.over;
      if (seen.has('as in the backup')) break;
    }
    expect(seen).toContain('as it was');
  });
});

test('the first thing in a new home may be the demo; killed half loaded it is loaded anew', async () => {
  const fresh = { PLUCKY_HOME: join(root, 'demo') };
  const killed = start(fresh, 'demo');
  await until(() => killed.said().includes('Loading the demo'), 'the loading of the demo');
  await sleep(4000);
  killed.child.kill('SIGKILL');
  await nobodyLeft();
  expect(killed.said()).not.toContain('http');
  const serving = start(fresh, 'demo');
  await opened(serving, 120_000);
  expect(serving.said()).toContain('Loading the demo');
  const [units, people] = await withShop(openHome(fresh.PLUCKY_HOME), 'demo', (db) =>
    Promise.all([db('units').pluck('tag'), db('people').pluck('name')]),
  );
  expect([units.length, new Set(units).size]).toEqual([60, 60]);
  expect(people).toHaveLength(demoPeople.length);
  serving.child.kill('SIGTERM');
  expect(await serving.over).toBe(0);
  await nobodyLeft();
});
