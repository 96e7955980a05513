import { once } from 'node:events';
import { startApplication } from './application';
import { buildApplication } from './build';
import { databaseNames, type Shop } from './databases';
import type { Home } from './home';
import { startDatabase, stopDatabase } from './mariadb';
import { needPackage } from './packages';
import { endChild } from './processes';
import { clearRunning, readRunning, writeRunning } from './runFile';
import { say } from './say';

/**
 * Serves a shop until Ctrl-C or `./plucky stop`: database, data, build, application, and everything down in the reverse
 * order.
 *
 * @param prepare  brings the shop's data; its answer is what to tell the person besides the address
 */
export async function serve(home: Home, shop: Shop, prepare: () => Promise<readonly string[]>): Promise<void> {
  const running = readRunning(home);
  if (running) {
    say(`Already running: the ${running.shop} shop at ${running.url}. “./plucky stop” ends it.`);
    return;
  }
  await needPackage('mariadb-server');
  let wantsOut = false;
  const leave = new AbortController();
  const onSignal = () => {
    wantsOut = true;
    leave.abort();
  };
  process.on('SIGINT', onSignal);
  process.on('SIGTERM', onSignal);
  const server = await startDatabase(home);
  try {
    const lines = await prepare();
    await buildApplication();
    if (wantsOut) return;
    const application = await startApplication(home, databaseNames[shop]);
    writeRunning(home, { pid: process.pid, url: application.url, shop });
    say(['', `Plucky Parcel is at ${application.url}`, ...lines, '', 'Ctrl-C stops it, database included.'].join('\n'));
    await Promise.race([once(leave.signal, 'abort'), once(application.child, 'exit')]);
    if (!wantsOut) say(`The application ended by itself. Its log: ${home.logDir}/application.log`);
    say('Stopping …');
    await endChild(application.child);
  } finally {
    clearRunning(home);
    if (server.isOurs) await stopDatabase(home);
    say('Stopped.');
  }
}
