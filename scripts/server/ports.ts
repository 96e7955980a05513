import { createServer } from 'node:net';
import { Trouble } from '../support/say';

/** The first free port on loopback from the usual one upward. */
export async function freePort(usual: number, host = '127.0.0.1'): Promise<number> {
  for (let port = usual; port < usual + 200; port += 1) if (await isFree(port, host)) return port;
  throw new Trouble(`No port from ${usual} to ${usual + 199} is free.`, 'Stop what uses them, or set PLUCKY_PORT.');
}

const isFree = (port: number, host: string): Promise<boolean> =>
  new Promise((settle) => {
    const server = createServer();
    server.once('error', () => settle(false));
    server.listen(port, host, () => server.close(() => settle(true)));
  });
