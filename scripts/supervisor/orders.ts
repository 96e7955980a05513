import { rmSync } from 'node:fs';
import { connect, createServer } from 'node:net';
import { text } from 'node:stream/consumers';
import type { Home } from '../support/home';
import type { Release } from '../support/folderLock';

/** What the process that holds a home is doing. */
export interface HolderState {
  readonly pid: number;
  /** The command it was started by. */
  readonly command: string;
  readonly state: 'starting' | 'running' | 'stopping' | 'working';
  readonly shop: string | null;
  readonly url: string | null;
}

export type Order = 'state' | 'stop';

const longestOrder = 100;

/**
 * Listens for orders on a socket in a home that this process holds. Only who may write in the folder can give any.
 *
 * @param state  asked for each answer
 * @param stop   what to do when told to stop; without it, the answer says what is going on and nothing changes
 */
export async function takeOrders(home: Home, state: () => HolderState, stop?: () => void): Promise<Release> {
  // Whoever left it behind is gone: the home is ours.
  rmSync(home.ordersPath, { force: true });
  const server = createServer((caller) => {
    let order = '';
    caller.on('error', () => undefined);
    caller.on('data', (chunk) => {
      order += String(chunk);
      if (!order.includes('\n')) {
        if (order.length > longestOrder) caller.destroy();
        return;
      }
      if (order === 'stop\n') stop?.();
      caller.end(JSON.stringify(state()));
    });
  });
  await new Promise<void>((done, fail) => {
    server.once('error', fail);
    server.listen(home.ordersPath, done);
  });
  server.unref();
  return () => new Promise((done) => server.close(() => done()));
}

/** Tells the holder of a home something, and gets its state; undefined when nobody answers. */
export async function tellHolder(home: Home, order: Order): Promise<HolderState | undefined> {
  const line = connect(home.ordersPath);
  try {
    line.setTimeout(5_000, () => line.destroy(new Error('silence')));
    line.write(`${order}\n`);
    return JSON.parse(await text(line)) as HolderState;
  } catch {
    return undefined;
  } finally {
    line.destroy();
  }
}
