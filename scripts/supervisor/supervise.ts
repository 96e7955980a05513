import { setTimeout as sleep } from 'node:timers/promises';
import { startApplication, type RunningApplication } from '../server/application';
import { answers, startDatabase, stopDatabase, type DatabaseServer } from '../server/mariadb';
import { buildApplication } from '../support/build';
import type { Shop } from '../support/shops';
import type { Home } from '../support/home';
import { needPackage } from '../support/packages';
import { endChild, hasEnded } from '../support/processes';
import { say, Trouble } from '../support/say';
import { keepLogs } from './keepLogs';
import { keepUp, type Living } from './keepUp';
import { takeOrders, type HolderState } from './orders';
import { takeHome } from './takeHome';

interface Served {
  /** The database the application works on. */
  readonly database: string;
  /** What to tell the person besides the address. */
  readonly lines: readonly string[];
}

interface ToServe {
  /** Brings the shop's data, up to date. */
  readonly prepare: () => Promise<Served>;
  /** What is to be done once it answers; done at the next start when it cannot be. */
  readonly opened: () => Promise<void>;
  /** What else goes on while it is open. */
  readonly meanwhile?: (leave: AbortSignal) => Promise<void>;
}

/**
 * Serves a shop until Ctrl-C or `./plucky stop`: database, data, build, application. What dies is started again; in the end
 * everything goes down in the reverse order. Of several that serve from one home one does it, the others say where it is.
 */
export async function supervise(home: Home, shop: Shop, { prepare, opened, meanwhile }: ToServe): Promise<void> {
  const release = await takeHome(home, (holder) => (holder.state === 'running' ? holder : undefined));
  if (typeof release !== 'function') {
    const { shop: open, url } = release.instead;
    say(`Already running: the ${open} shop at ${url}. “./plucky stop” ends it.`);
    return;
  }
  const leave = new AbortController();
  const onSignal = () => leave.abort();
  process.on('SIGINT', onSignal);
  process.on('SIGTERM', onSignal);
  const state: { -readonly [K in keyof HolderState]: HolderState[K] } = {
    pid: process.pid,
    command: shop === 'demo' ? 'demo' : 'start',
    state: 'starting',
    shop,
    url: null,
  };
  const deaf = await takeOrders(home, () => state, onSignal);
  let database: DatabaseServer | undefined;
  try {
    await needPackage('mariadb-server');
    database = await startDatabase(home);
    const served = leave.signal.aborted ? undefined : await prepare();
    if (!leave.signal.aborted) await buildApplication(leave.signal);
    if (served && !leave.signal.aborted) {
      const application = await startApplication(home, served.database);
      Object.assign(state, { state: 'running', url: application.url });
      say(
        ['', `Plucky Parcel is at ${application.url}`, ...served.lines, '', 'Ctrl-C stops it, database included.'].join(
          '\n',
        ),
      );
      await Promise.all([
        opened().catch((error: unknown) => say(`${wordsOf(error)} It is tried again at the next start.`)),
        keepOpen(home, served.database, application, database, leave.signal),
        keepLogs(home.logDir, leave.signal),
        meanwhile?.(leave.signal),
      ]);
    }
    say('Stopping …');
  } finally {
    state.state = 'stopping';
    if (database?.child) await stopDatabase(home, database.child);
    await deaf();
    await release();
    say('Stopped.');
  }
}

const livingApplication = ({ child }: RunningApplication): Living => ({
  gone: hasEnded(child),
  end: () => endChild(child),
});

/** A server that was found running is looked at from time to time. */
const livingDatabase = (home: Home, { child }: DatabaseServer): Living => ({
  gone: child ? hasEnded(child) : untilSilent(home),
  end: () => Promise.resolve(),
});
async function untilSilent(home: Home): Promise<void> {
  do await sleep(2_000, undefined, { ref: false });
  while (await answers(home));
}

async function keepOpen(
  home: Home,
  name: string,
  application: RunningApplication,
  database: DatabaseServer,
  leave: AbortSignal,
): Promise<void> {
  const told = (what: string) => (ms: number, error?: unknown) =>
    say(
      error === undefined
        ? `${new Date().toISOString()} The ${what} ended by itself. It is started again in ${ms / 1000} s.`
        : `${new Date().toISOString()} The ${what} did not start; tried again in ${ms / 1000} s. ${wordsOf(error)}`,
    );
  const again = async () => {
    Object.assign(database, await startDatabase(home));
    return livingDatabase(home, database);
  };
  const restart = async () => livingApplication(await startApplication(home, name, { port: application.port }));
  await Promise.all([
    keepUp(livingApplication(application), restart, leave, told('application')),
    keepUp(livingDatabase(home, database), again, leave, told('database')),
  ]);
}

const wordsOf = (error: unknown): string => (error instanceof Trouble ? error.message : String(error));
