import { spawn } from 'node:child_process';
import { createReadStream, existsSync } from 'node:fs';
import { once } from 'node:events';
import { resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { isConfirmed } from '../support/ask';
import { createDatabase, databaseNames, dropDatabase, withDatabase } from '../support/databases';
import { openHome, type Home } from '../support/home';
import { runSql, startDatabase, stopDatabase } from '../support/mariadb';
import { needPackage } from '../support/packages';
import { readRunning } from '../support/runFile';
import { say, Trouble } from '../support/say';

const scratch = 'plucky_restoring';

/** Replaces your own shop by a backup. The file is read into a scratch database first: a bad one changes nothing. */
export async function restore([file, ...args]: readonly string[]): Promise<void> {
  if (!file) throw new Trouble('From which file?', './plucky restore shop.sql.gz');
  const source = resolve(file);
  if (!existsSync(source)) throw new Trouble(`There is no file ${source}.`, 'Name a file that ./plucky backup wrote.');
  const home = openHome();
  if (readRunning(home)?.shop === 'own') throw new Trouble('The shop is running.', 'Stop it first: ./plucky stop');
  if (!(await isConfirmed('This replaces your own shop by the backup.', args))) {
    say('Nothing was changed. To go on, run it in a terminal and type yes, or add --yes.');
    return;
  }
  await needPackage('mariadb-server');
  const server = await startDatabase(home);
  try {
    await dropDatabase(home, scratch);
    await createDatabase(home, scratch);
    await load(home, source);
    const tables = (
      await runSql(home, `select table_name from information_schema.tables where table_schema = '${scratch}'`)
    )
      .split('\n')
      .filter(Boolean);
    if (!tables.includes('facts'))
      throw new Trouble('The file is no backup of Plucky Parcel.', 'Your shop is as it was.');
    await dropDatabase(home, databaseNames.own);
    await createDatabase(home, databaseNames.own);
    for (const table of tables)
      await runSql(home, `rename table \`${scratch}\`.\`${table}\` to \`${databaseNames.own}\`.\`${table}\``);
    await withDatabase(home, databaseNames.own, async () => undefined);
    say('Your shop is as it was when the backup was written.');
  } finally {
    await dropDatabase(home, scratch).catch(() => undefined);
    if (server.isOurs) await stopDatabase(home);
  }
}

async function load(home: Home, source: string): Promise<void> {
  const client = spawn('mariadb', ['--no-defaults', `--socket=${home.socketPath}`, scratch], {
    stdio: ['pipe', 'ignore', 'pipe'],
  });
  const ended = once(client, 'close') as Promise<[number]>;
  const read = await pipeline(createReadStream(source), createGunzip(), client.stdin).then(
    () => true,
    () => false,
  );
  if (!read) client.kill();
  const [code] = await ended;
  if (!read || code !== 0)
    throw new Trouble(
      'The file could not be read as a backup.',
      'Your shop is as it was. Was the file written by ./plucky backup?',
    );
}
