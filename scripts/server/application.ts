import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { closeSync, openSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { projectRoot, type Home } from '../support/home';
import { endChild } from '../support/processes';
import { portTaken } from './family.cjs';
import { freePort } from './ports';
import { Trouble } from '../support/say';
import { archivesOf, shopOfDatabase } from '../support/shops';

export interface RunningApplication {
  readonly url: string;
  readonly port: number;
  readonly child: ChildProcess;
}

const usualPort = 4310;
/** So often it may be killed while it starts. */
const mostKilled = 3;

/** As many server processes as `PLUCKY_WORKERS` says, else one for each core, up to four: more would only take memory. */
export function workersWanted(env = process.env.PLUCKY_WORKERS, cores = cpus().length): number {
  const asked = Number(env);
  return Number.isInteger(asked) && asked >= 1 ? Math.min(asked, mostWorkers) : Math.min(cores, usualWorkers);
}
const usualWorkers = 4;
const mostWorkers = 32;

/**
 * Of memory that is only waiting to be swept a process holds no more than this; what a shop of two years needs is a third of it.
 * Processes behind one port inherit it.
 */
const heapMb = 512;

/** One process is the server itself; several stand behind one that hands out what comes to the port. */
const serverOf = (workers: number): readonly string[] =>
  workers === 1 ? [join(here, 'server.cjs')] : [join(here, 'workers.cjs'), String(workers)];
const here = join('scripts', 'server');

interface Wanted {
  readonly workers?: number;
  /** This one and no other; else the first free one from the usual. */
  readonly port?: number;
  /** How long it may take to answer. */
  readonly patienceMs?: number;
}

/**
 * Starts the built application on one database of a home and waits until every process of it answers.
 *
 * @throws Trouble when it ends or says nothing for too long
 */
export async function startApplication(
  home: Home,
  databaseName: string,
  { workers = workersWanted(), port: wanted, patienceMs = 60_000 }: Wanted = {},
): Promise<RunningApplication> {
  const host = process.env.PLUCKY_HOST ?? '127.0.0.1';
  let killed = 0;
  for (let from = Number(process.env.PLUCKY_PORT ?? usualPort); ; from += 1) {
    const port = wanted ?? (await freePort(from, host));
    const child = spawnApplication(home, databaseName, [...serverOf(workers), host, String(port)]);
    const code = await firstWord(child, patienceMs);
    if (code === 'listening') return { url: `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`, port, child };
    // Somebody was quicker between the look at the port and the taking of it.
    if (code === portTaken && wanted === undefined) {
      from = port;
      continue;
    }
    await endChild(child);
    // It was killed from outside; that is no fault of its own.
    if (code === 'killed' && killed < mostKilled) {
      killed += 1;
      from = port - 1;
      continue;
    }
    throw new Trouble(
      code === portTaken ? `Port ${port} is taken by something else now.` : 'The application did not start.',
      `Its log says why: ${logOf(home)}`,
    );
  }
}

const logOf = (home: Home): string => join(home.logDir, 'application.log');

function spawnApplication(home: Home, databaseName: string, args: readonly string[]): ChildProcess {
  const log = openSync(logOf(home), 'a');
  // The kernel ends it should we be killed: whoever comes next finds the port free, and serves where the screens look.
  const command = ['--pdeathsig', 'KILL', process.execPath, `--max-old-space-size=${heapMb}`, ...args];
  const child = spawn('setpriv', command, {
    cwd: projectRoot,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      // It has its own, of its build.
      PLUCKY_DOCUMENT_WORKER: undefined,
      PLUCKY_MATCH_WORKER: undefined,
      PLUCKY_HOME: home.root,
      PLUCKY_SHOP: shopOfDatabase(databaseName),
      PLUCKY_DB_SOCKET: home.socketPath,
      PLUCKY_DB_NAME: databaseName,
      PLUCKY_ARCHIVES: archivesOf(home, databaseName),
    },
    // By the channel it says that it listens, and learns that we are gone.
    stdio: ['ignore', log, log, 'ipc'],
    // Its own group, so that Ctrl-C reaches us first and we stop it in order.
    detached: true,
  });
  closeSync(log);
  return child;
}

/** The first thing to be heard of a child: that it listens, the code it ended with, or nothing for too long. */
async function firstWord(
  child: ChildProcess,
  patienceMs: number,
): Promise<'listening' | 'silence' | 'killed' | number> {
  const heard = new AbortController();
  const { signal } = heard;
  try {
    return await Promise.race([
      once(child, 'message', { signal }).then(() => 'listening' as const),
      once(child, 'exit', { signal }).then(([code]) => (code as number | null) ?? ('killed' as const)),
      sleep(patienceMs, 'silence' as const, { signal }),
    ]);
  } finally {
    heard.abort();
    child.channel?.unref();
  }
}
