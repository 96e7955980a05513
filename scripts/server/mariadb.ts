import { spawn, type ChildProcess } from 'node:child_process';
import { closeSync, existsSync, mkdtempSync, openSync, readdirSync, renameSync, rmSync, statfsSync } from 'node:fs';
import { totalmem, userInfo } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Home } from '../support/home';
import { endChild, hasEnded, lastLine, run } from '../support/processes';
import { say, Trouble } from '../support/say';

/** A private MariaDB server in the project's own folder, that listens on a socket in it and nowhere else. */
export interface DatabaseServer {
  readonly socketPath: string;
  /** The process when this call started it, so that whoever called also stops it. */
  readonly child: ChildProcess | undefined;
}

/**
 * Megabytes of pages that the database keeps in memory: a quarter of the machine's, which leaves room for the application and
 * a browser beside it, within what a small shop needs and a large one can use.
 */
export const bufferPoolMb = (bytes: number): number =>
  Math.min(8192, Math.max(256, Math.floor(bytes / 4 / 1024 ** 2 / 128) * 128));

interface HowToRun {
  /** False for tests: what the power takes away then may be lost. */
  readonly isDurable?: boolean;
  /** True for tests, which leave it to the next: else it ends with the process that started it, however that ends. */
  readonly outlives?: boolean;
}

/** @throws Trouble when it does not start */
export async function startDatabase(
  home: Home,
  { isDurable = true, outlives = false }: HowToRun = {},
): Promise<DatabaseServer> {
  if (await answers(home)) return { socketPath: home.socketPath, child: undefined };
  const asRoot = process.getuid?.() === 0 ? [`--user=${userInfo().username}`] : [];
  await makeDataDir(home, asRoot);
  const log = join(home.logDir, 'mariadb.log');
  const out = openSync(log, 'a');
  const [program, ...args] = [
    // Killed, not asked: one that is asked while it starts may hang for ever. What was committed is on the disk either way.
    ...(outlives ? [] : ['setpriv', '--pdeathsig', 'KILL']),
    'mariadbd',
    '--no-defaults',
    `--datadir=${home.dataDir}`,
    `--socket=${home.socketPath}`,
    `--pid-file=${home.pidFile}`,
    `--log-error=${log}`,
    // Of its own: a server that starts clears the temporary tables of its folder, another one's among them.
    `--tmpdir=${home.tempDir}`,
    '--skip-networking',
    ...(isDurable
      ? ['--innodb-flush-log-at-trx-commit=1']
      : ['--innodb-flush-log-at-trx-commit=0', '--innodb-doublewrite=0']),
    `--innodb-buffer-pool-size=${bufferPoolMb(totalmem())}M`,
    '--innodb-log-file-size=256M',
    '--innodb-snapshot-isolation=ON',
    '--max-allowed-packet=64M',
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_uca1400_ai_ci',
    '--default-time-zone=+00:00',
    '--sql-mode=STRICT_ALL_TABLES,ONLY_FULL_GROUP_BY,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION',
    ...asRoot,
  ];
  const child = spawn(program as string, args, { detached: true, stdio: ['ignore', out, out] });
  closeSync(out);
  child.unref();
  let ended = false;
  child.on('exit', () => (ended = true));
  child.on('error', () => (ended = true));
  // One that was killed reads its log through first: after a busy day that takes a while.
  for (let waited = 0; waited < 120_000 && !ended; waited += 100) {
    if (await answers(home)) return { socketPath: home.socketPath, child };
    await sleep(100);
  }
  child.kill('SIGKILL');
  throw new Trouble('MariaDB did not start.', `${roomLeft(home.root) ?? ''}Its log says why: ${log}`);
}

const leastMb = 400;

/** A sentence when the disk of a home is nearly full. */
function roomLeft(folder: string): string | undefined {
  const { bavail, bsize } = statfsSync(folder);
  const mb = Math.floor((bavail * bsize) / 1024 ** 2);
  return mb < leastMb ? `The disk of ${folder} has ${mb} MB left; free some and run this again. ` : undefined;
}

/** Makes the data directory beside its place and moves it there when it is whole: an interrupted one is made anew. */
async function makeDataDir({ dataDir, root }: Home, asRoot: readonly string[]): Promise<void> {
  if (existsSync(join(dataDir, 'mysql'))) return;
  say('Making a private database directory …');
  removePartial(root);
  // What an interrupted one still writes for a moment lands in a folder that nobody uses any more.
  const partial = mkdtempSync(`${dataDir}.part-`);
  const made = await run('setpriv', [
    '--pdeathsig',
    'KILL',
    'mariadb-install-db',
    '--no-defaults',
    `--datadir=${partial}`,
    '--auth-root-authentication-method=socket',
    '--skip-test-db',
    ...asRoot,
  ]);
  if (made.code !== 0)
    throw new Trouble(
      `The database directory ${dataDir} could not be made.`,
      roomLeft(root) ?? `The reason: ${lastLine(made.stderr)}`,
    );
  // An empty folder gives way: somebody may have made it beforehand.
  renameSync(partial, dataDir);
}

/** Folders of interrupted attempts; one that is still being written goes the next time. */
function removePartial(root: string): void {
  for (const name of readdirSync(root).filter((each) => each.startsWith('db.part')))
    try {
      rmSync(join(root, name), { recursive: true, force: true, maxRetries: 3, retryDelay: 100 });
    } catch {
      // In nobody's way.
    }
}

/**
 * Ends the server of a home in good order, and is sure of it.
 *
 * @param child  its process, when this one started it
 */
export async function stopDatabase(home: Home, child?: ChildProcess): Promise<void> {
  const ask = ['--no-defaults', `--socket=${home.socketPath}`, `--shutdown-timeout=${watchedS}`, 'shutdown'];
  const asked = await run('mariadb-admin', ask, { timeout: endMs });
  // One that does not answer is ended as a process.
  if (child) await (asked.code === 0 ? hasEnded(child) : endChild(child, endMs));
  else for (let waited = 0; waited < 20_000 && existsSync(home.pidFile); waited += 100) await sleep(100);
}

/** A server that is hung takes the line and says nothing. */
const silenceMs = 5_000;
const endMs = 60_000;
/** A server that was killed meanwhile leaves its file behind, and whoever asked it to end would watch that for an hour. */
const watchedS = 8;

export async function answers(home: Home): Promise<boolean> {
  const asked = ['--no-defaults', `--socket=${home.socketPath}`, 'ping'];
  return (await run('mariadb-admin', asked, { timeout: silenceMs })).code === 0;
}

/** Runs SQL as the server's owner. */
export async function runSql(home: Home, sql: string): Promise<string> {
  const ran = await run('mariadb', [
    '--no-defaults',
    `--socket=${home.socketPath}`,
    '--batch',
    '--skip-column-names',
    '-e',
    sql,
  ]);
  if (ran.code !== 0) throw new Trouble('The database refused.', lastLine(ran.stderr));
  return ran.stdout;
}
