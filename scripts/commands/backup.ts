import { spawn } from 'node:child_process';
import { createWriteStream, existsSync, renameSync, rmSync } from 'node:fs';
import { once } from 'node:events';
import { resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGzip } from 'node:zlib';
import { databaseNames, withDatabase } from '../support/databases';
import { openHome } from '../support/home';
import { startDatabase, stopDatabase } from '../support/mariadb';
import { needPackage } from '../support/packages';
import { say, Trouble } from '../support/say';

/** Writes your own shop to a file, whole and consistent, while it may be in use. */
export async function backup([file]: readonly string[]): Promise<void> {
  if (!file) throw new Trouble('To which file?', './plucky backup shop.sql.gz');
  const target = resolve(file);
  if (existsSync(target))
    throw new Trouble(`${target} is there already.`, 'Name another file, so that no backup is lost.');
  await needPackage('mariadb-server');
  const home = openHome();
  const server = await startDatabase(home);
  const partial = `${target}.part`;
  try {
    await withDatabase(home, databaseNames.own, async () => undefined);
    const dump = spawn(
      'mariadb-dump',
      ['--no-defaults', `--socket=${home.socketPath}`, '--single-transaction', '--hex-blob', databaseNames.own],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    const ended = once(dump, 'close') as Promise<[number]>;
    await pipeline(dump.stdout, createGzip(), createWriteStream(partial, { mode: 0o600 }));
    const [code] = await ended;
    if (code !== 0) throw new Trouble('The database could not be read.', 'Nothing was written. See the lines above.');
    renameSync(partial, target);
    say(`Your shop is in ${target}.`);
  } finally {
    rmSync(partial, { force: true });
    if (server.isOurs) await stopDatabase(home);
  }
}
