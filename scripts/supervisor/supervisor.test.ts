import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { openHome, projectRoot } from '../support/home';
import { run } from '../support/processes';
import { holdFolder } from '../support/folderLock';
import { keepUp, type Living } from './keepUp';
import { takeOrders, tellHolder, type HolderState } from './orders';
import { unitFile } from './unitFile';

const folder = () => mkdtempSync(join(tmpdir(), 'plucky-supervisor-'));

describe('holding a home', () => {
  test('one at a time, by whatever path it is reached; given back it is free', async () => {
    const home = openHome(folder());
    const other = `${home.root}-by-another-name`;
    symlinkSync(home.root, other);
    const release = await holdFolder(home.root);
    expect(release).toBeDefined();
    expect(await holdFolder(home.root)).toBeUndefined();
    expect(await holdFolder(other)).toBeUndefined();
    expect(await holdFolder(folder())).toBeDefined();
    await release?.();
    const again = await holdFolder(home.root);
    expect(again).toBeDefined();
    await again?.();
    rmSync(other);
  });

  test('whoever is killed holds nothing any more', async () => {
    const home = openHome(folder());
    const script = `const { holdFolder } = require('./scripts/support/folderLock');
      void holdFolder(process.env.HOLD).then(() => { console.log('held'); setInterval(() => 0, 1000); });`;
    const child = spawn(process.execPath, ['--import', 'tsx', '-e', script], {
      cwd: projectRoot,
      env: { ...process.env, HOLD: home.root },
    });
    await once(child.stdout, 'data');
    expect(await holdFolder(home.root)).toBeUndefined();
    child.kill('SIGKILL');
    await once(child, 'exit');
    expect(await holdFolder(home.root)).toBeDefined();
  }, 20_000);
});

describe('orders', () => {
  const state: HolderState = { pid: 1, command: 'start', state: 'running', shop: 'own', url: 'http://127.0.0.1:1' };

  test('are heard, and answered with the state; a file that somebody left is no hindrance', async () => {
    const home = openHome(folder());
    writeFileSync(home.ordersPath, 'left');
    expect(await tellHolder(home, 'state')).toBeUndefined();
    let stops = 0;
    const deaf = await takeOrders(
      home,
      () => state,
      () => (stops += 1),
    );
    expect(await tellHolder(home, 'state')).toEqual(state);
    expect(stops).toBe(0);
    expect(await tellHolder(home, 'stop')).toEqual(state);
    expect(stops).toBe(1);
    await deaf();
    expect(await tellHolder(home, 'state')).toBeUndefined();
  });

  test('what is no order changes nothing: too long, cut, something else', async () => {
    const home = openHome(folder());
    let stops = 0;
    const deaf = await takeOrders(
      home,
      () => state,
      () => (stops += 1),
    );
    for (const text of ['x'.repeat(5000), 'sto', 'STOP\n', 'stop now\n', '\n']) {
      const line = connect(home.ordersPath);
      line.on('error', () => undefined);
      line.end(text);
      line.resume();
      await once(line, 'close');
    }
    expect(stops).toBe(0);
    expect(await tellHolder(home, 'state')).toEqual(state);
    await deaf();
  });
});

describe('keeping up', () => {
  const pauses = { firstMs: 10, longestMs: 80, healthyMs: 400 };

  test('what is gone is begun again, each time after twice as long; what lived long, soon', async () => {
    const leave = new AbortController();
    const told: number[] = [];
    let begun = 0;
    let ended = 0;
    const living = (ms: number): Living => ({ gone: sleep(ms), end: () => Promise.resolve(void (ended += 1)) });
    const lives = [1, 1, 1, 1, 450, 100_000];
    await keepUp(
      living(1),
      () => {
        const ms = lives[begun] ?? 100_000;
        begun += 1;
        if (ms === 100_000) leave.abort();
        return Promise.resolve(ms === 100_000 ? { ...living(1), gone: new Promise(() => undefined) } : living(ms));
      },
      leave.signal,
      (ms) => told.push(ms),
      pauses,
    );
    expect(told).toEqual([10, 20, 40, 80, 80, 10]);
    expect(ended).toBe(1);
  });

  test('what cannot be begun is tried again, and said', async () => {
    const leave = new AbortController();
    const told: unknown[] = [];
    let tries = 0;
    await keepUp(
      { gone: Promise.resolve(), end: () => Promise.resolve() },
      () => {
        tries += 1;
        if (tries === 4) leave.abort();
        return Promise.reject(new Error(`no ${tries}`));
      },
      leave.signal,
      (_, error) => error !== undefined && told.push((error as Error).message),
      pauses,
    );
    expect(told).toEqual(['no 1', 'no 2', 'no 3', 'no 4']);
  });

  test('told to leave, it ends what lives and begins nothing', async () => {
    const leave = new AbortController();
    let ended = 0;
    const over = keepUp(
      { gone: new Promise(() => undefined), end: () => Promise.resolve(void (ended += 1)) },
      () => Promise.reject(new Error('begun')),
      leave.signal,
      () => undefined,
      pauses,
    );
    leave.abort();
    await over;
    expect(ended).toBe(1);
  });
});

describe('a unit of the service manager', () => {
  const wants = {
    description: 'A shop',
    folder: projectRoot,
    home: '/srv/100% "plucky" home',
    node: process.execPath,
    settings: { PLUCKY_PORT: '4400' },
  };

  test('is taken by the service manager’s own check, with spaces, quotes and percent signs in its paths', async () => {
    const file = join(folder(), 'plucky-parcel.service');
    writeFileSync(file, unitFile({ ...wants, user: 'daemon' }));
    const checked = await run('systemd-analyze', ['verify', '--man=no', file]);
    // Not every machine has that program.
    if (checked.code === 127) return;
    expect(checked.stderr.split('\n').filter((line) => line.includes('plucky-parcel.service'))).toEqual([]);
    expect(checked.code).toBe(0);
  }, 20_000);

  test('of one’s own names nobody, and begins with the person’s session', () => {
    const text = unitFile({ ...wants, user: null });
    expect(text).not.toContain('User=');
    expect(text).toContain('WantedBy=default.target');
    expect(text).toContain('Environment="PLUCKY_HOME=/srv/100%% \\"plucky\\" home"');
    expect(text).toContain('Environment="PLUCKY_PORT=4400"');
  });
});
