import { createHash, randomBytes } from 'node:crypto';
import { accessSync, constants, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { Trouble } from './say';

export const projectRoot = resolve(__dirname, '../..');

/** Where everything lives that is not in git: database, sockets, logs, the secret of first PINs. */
export interface Home {
  readonly root: string;
  readonly dataDir: string;
  readonly logDir: string;
  /** Facts that were moved out of the log, in files. */
  readonly archiveDir: string;
  readonly socketPath: string;
  readonly pidFile: string;
  readonly tempDir: string;
  /** Where whoever holds the home takes orders. */
  readonly ordersPath: string;
}

/** A socket's path may be about 107 bytes long; deep checkouts get theirs in the system's temporary folder. */
const longestSocketPath = 100;

export function openHome(root = process.env.PLUCKY_HOME ?? join(projectRoot, '.plucky', 'main')): Home {
  try {
    for (const folder of ['run', 'log', 'tmp']) mkdirSync(join(root, folder), { recursive: true, mode: 0o700 });
    accessSync(join(root, 'run'), constants.W_OK);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    throw new Trouble(
      `The folder ${root} cannot be written (${code}).`,
      code === 'ENOSPC'
        ? 'Its disk is full: free some space.'
        : 'Make it writable, or name another one in PLUCKY_HOME.',
    );
  }
  const short = createHash('sha256').update(root).digest('hex').slice(0, 12);
  const socketAt = (name: string): string => {
    const near = join(root, 'run', `${name}.sock`);
    return near.length <= longestSocketPath ? near : join(tmpdir(), `plucky-${short}-${name}.sock`);
  };
  return {
    root,
    dataDir: join(root, 'db'),
    logDir: join(root, 'log'),
    archiveDir: join(root, 'archives'),
    tempDir: join(root, 'tmp'),
    socketPath: socketAt('db'),
    pidFile: join(root, 'run', 'db.pid'),
    ordersPath: socketAt('orders'),
  };
}

/** The secret that first PINs follow from: made once, readable by its owner only. */
export function homeSecret(home: Home): string {
  const file = join(home.root, 'secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(48).toString('base64'), { mode: 0o600 });
  return readFileSync(file, 'utf8');
}
