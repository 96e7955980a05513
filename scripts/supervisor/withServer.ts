import { startDatabase, stopDatabase } from '../server/mariadb';
import type { Shop } from '../support/shops';
import type { Home } from '../support/home';
import { needPackage } from '../support/packages';
import { Trouble } from '../support/say';
import { takeOrders } from './orders';
import { takeHome } from './takeHome';

/** What a command needs of a home. */
interface Need {
  /** Its name, for whoever waits. */
  readonly command: string;
  /** A shop that must not be served meanwhile. */
  readonly closed?: Shop;
}

/**
 * Does some work while the database of a home is up: beside the shop that is served from it, or on a server that is started for
 * it and stopped again. Commands that need one of their own wait for each other.
 *
 * @throws Trouble when the shop that must be closed is open
 */
export async function withServer<T>(home: Home, { command, closed }: Need, work: () => Promise<T>): Promise<T> {
  await needPackage('mariadb-server');
  const release = await takeHome(home, (holder) => {
    if (holder.shop !== null && holder.shop === closed)
      throw new Trouble('The shop is running.', 'Stop it first: ./plucky stop');
    return holder.state === 'running' ? holder : undefined;
  });
  if (typeof release !== 'function') return work();
  const state = { pid: process.pid, command, state: 'working', shop: null, url: null } as const;
  const deaf = await takeOrders(home, () => state);
  try {
    const server = await startDatabase(home);
    try {
      return await work();
    } finally {
      if (server.child) await stopDatabase(home, server.child);
    }
  } finally {
    await deaf();
    await release();
  }
}
