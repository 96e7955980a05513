import { spawn } from 'node:child_process';
import { existsSync, openSync } from 'node:fs';
import { totalmem, userInfo } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Home } from './home';
import { freePort } from './ports';
import { run } from './processes';
import { say, Trouble } from './say';

/** A private MariaDB server in the project's own folder, on loopback and a socket only. */
export interface DatabaseServer {
  readonly socketPath: string;
  /** True when this call started it, so that whoever called also stops it. */
  readonly isOurs: boolean;
}

const usualPort = 33_060;

/**
 * Megabytes of pages that the database keeps in memory: a quarter of the machine's, which leaves room for the application and
 * a browser beside it, within what a small shop needs and a large one can use.
 */
export const bufferPoolMb = (bytes: number): number =>
  Math.min(8192, Math.max(256, Math.floor(bytes / 4 / 1024 ** 2 / 128) * 128));

export async function startDatabase(home: Home, { isDurable = true } = {}): Promise<DatabaseServer> {
  if (await answers(home)) return { socketPath: home.socketPath, isOurs: false };
  const asRoot = process.getuid?.() === 0 ? [`--user=${userInfo().username}`] : [];
  if (!existsSync(join(home.dataDir, 'mysql'))) {
    say('Making a private database directory …');
    const made = await run('mariadb-install-db', [
      '--no-defaults',
      `--datadir=${home.dataDir}`,
      '--auth-root-authentication-method=socket',
      '--skip-test-db',
      ...asRoot,
    ]);
    if (made.code !== 0) {
      throw new Trouble(
        `The database directory ${home.dataDir} could not be made.`,
        `The reason: ${lastLine(made.stderr)}`,
      );
    }
  }
  const log = join(home.logDir, 'mariadb.log');
  const server = spawn(
    'mariadbd',
    [
      '--no-defaults',
      `--datadir=${home.dataDir}`,
      `--socket=${home.socketPath}`,
      `--pid-file=${home.pidFile}`,
      `--log-error=${log}`,
      // Of its own: a server that starts clears the temporary tables of its folder, another one's among them.
      `--tmpdir=${home.tempDir}`,
      '--bind-address=127.0.0.1',
      `--port=${await freePort(usualPort)}`,
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
    ],
    { detached: true, stdio: ['ignore', openSync(log, 'a'), openSync(log, 'a')] },
  );
  server.unref();
  for (let waited = 0; waited < 30_000; waited += 100) {
    if (await answers(home)) return { socketPath: home.socketPath, isOurs: true };
    if (server.exitCode !== null) break;
    await sleep(100);
  }
  throw new Trouble('MariaDB did not start.', `Its log says why: ${log}`);
}

export async function stopDatabase(home: Home): Promise<void> {
  await run('mariadb-admin', ['--no-defaults', `--socket=${home.socketPath}`, 'shutdown']);
  for (let waited = 0; waited < 20_000 && existsSync(home.pidFile); waited += 100) await sleep(100);
}

export async function answers(home: Home): Promise<boolean> {
  return (await run('mariadb-admin', ['--no-defaults', `--socket=${home.socketPath}`, 'ping'])).code === 0;
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

export const lastLine = (text: string): string => text.trim().split('\n').at(-1) ?? '';
