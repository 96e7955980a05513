import { createHash, randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

export const projectRoot = resolve(__dirname, '../..');

/** Where everything lives that is not in git: database, sockets, logs, the secret of the sessions. */
export interface Home {
  readonly root: string;
  readonly dataDir: string;
  readonly logDir: string;
  readonly socketPath: string;
  readonly pidFile: string;
  readonly tempDir: string;
  readonly runFile: string;
}

/** A socket's path may be about 107 bytes long; deep checkouts get theirs in the system's temporary folder. */
const longestSocketPath = 100;

export function openHome(root = process.env.PLUCKY_HOME ?? join(projectRoot, '.plucky', 'main')): Home {
  for (const folder of ['run', 'log', 'tmp']) mkdirSync(join(root, folder), { recursive: true, mode: 0o700 });
  const near = join(root, 'run', 'db.sock');
  const short = createHash('sha256').update(root).digest('hex').slice(0, 12);
  return {
    root,
    dataDir: join(root, 'db'),
    logDir: join(root, 'log'),
    tempDir: join(root, 'tmp'),
    socketPath: near.length <= longestSocketPath ? near : join(tmpdir(), `plucky-${short}.sock`),
    pidFile: join(root, 'run', 'db.pid'),
    runFile: join(root, 'run', 'app.json'),
  };
}

/** The secret that seals session cookies: made once, readable by its owner only. */
export function sessionSecret(home: Home): string {
  const file = join(home.root, 'secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(48).toString('base64'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}
