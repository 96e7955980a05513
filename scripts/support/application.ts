import { spawn, type ChildProcess } from 'node:child_process';
import { openSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { projectRoot, sessionSecret, type Home } from './home';
import { freePort } from './ports';
import { Trouble } from './say';

export interface RunningApplication {
  readonly url: string;
  readonly port: number;
  readonly child: ChildProcess;
}

const usualPort = 4310;

/** As many server processes as `PLUCKY_WORKERS` says, else one for each core, up to four: more would only take memory. */
export function workersWanted(env = process.env.PLUCKY_WORKERS, cores = cpus().length): number {
  const asked = Number(env);
  return Number.isInteger(asked) && asked >= 1 ? Math.min(asked, mostWorkers) : Math.min(cores, usualWorkers);
}
const usualWorkers = 4;
const mostWorkers = 32;

/** One process is the server itself; several stand behind one that hands out what comes to the port. */
const serverOf = (workers: number): readonly string[] =>
  workers === 1
    ? [join('node_modules', 'next', 'dist', 'bin', 'next')]
    : [join('scripts', 'support', 'workers.cjs'), String(workers)];

/** Starts the built application on one database of a home and waits until it answers. */
export async function startApplication(
  home: Home,
  databaseName: string,
  workers = workersWanted(),
): Promise<RunningApplication> {
  const host = process.env.PLUCKY_HOST ?? '127.0.0.1';
  const port = await freePort(Number(process.env.PLUCKY_PORT ?? usualPort), host);
  const log = join(home.logDir, 'application.log');
  const child = spawn(process.execPath, [...serverOf(workers), 'start', '--hostname', host, '--port', String(port)], {
    cwd: projectRoot,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_TELEMETRY_DISABLED: '1',
      PLUCKY_DB_SOCKET: home.socketPath,
      PLUCKY_DB_NAME: databaseName,
      PLUCKY_SECRET: sessionSecret(home),
    },
    stdio: ['ignore', openSync(log, 'a'), openSync(log, 'a')],
    // Its own group, so that Ctrl-C reaches us first and we stop it in order.
    detached: true,
  });
  const url = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`;
  for (let waited = 0; waited < 30_000; waited += 150) {
    if (child.exitCode !== null) break;
    const answer = await fetch(`${url}/api/health`).catch(() => undefined);
    if (answer?.ok) return { url, port, child };
    await sleep(150);
  }
  child.kill('SIGTERM');
  throw new Trouble('The application did not start.', `Its log says why: ${log}`);
}
