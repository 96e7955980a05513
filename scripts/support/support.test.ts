import { mkdtempSync, statSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openHome, homeSecret } from './home';
import { freePort } from '../server/ports';
import { run } from './processes';

const folder = () => mkdtempSync(join(tmpdir(), 'plucky-support-'));

describe('home', () => {
  test('keeps its secret to its owner, and the same for ever', () => {
    const home = openHome(folder());
    const secret = homeSecret(home);
    expect(secret.length).toBeGreaterThan(32);
    expect(homeSecret(home)).toBe(secret);
    expect(statSync(join(home.root, 'secret')).mode & 0o077).toBe(0);
  });

  test('a checkout that lies deep gets its socket where the path is short', () => {
    const near = openHome(folder());
    expect(near.socketPath.startsWith(near.root)).toBe(true);
    const deep = openHome(join(folder(), 'a'.repeat(60), 'b'.repeat(60)));
    expect(deep.socketPath.length).toBeLessThan(100);
    expect(openHome(deep.root).socketPath).toBe(deep.socketPath);
  });
});

describe('what is run', () => {
  test('a program’s end, output and absence are told', async () => {
    expect(await run('sh', ['-c', 'echo yes; echo no >&2; exit 3'])).toEqual({
      code: 3,
      stdout: 'yes\n',
      stderr: 'no\n',
    });
    expect((await run('/no/such/program', [])).code).toBe(127);
  });

  test('the next free port is found when the usual one is taken', async () => {
    const usual = await freePort(46_200);
    const server = createServer();
    await new Promise<void>((done) => server.listen(usual, '127.0.0.1', done));
    expect(await freePort(usual)).toBeGreaterThan(usual);
    await new Promise((done) => server.close(done));
  });
});
