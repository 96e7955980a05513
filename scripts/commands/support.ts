import { createWriteStream, existsSync, readdirSync, readFileSync } from 'node:fs';
import { cpus, freemem, loadavg, release, totalmem, uptime } from 'node:os';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { aboutShop } from '../supportFile/aboutShop';
import { applicationLines, databaseLines } from '../supportFile/logLines';
import { openHome, projectRoot, type Home } from '../support/home';
import { say, Trouble } from '../support/say';
import { withShop } from '../support/shops';
import { withServer } from '../supervisor/withServer';

/**
 * Writes what somebody needs who shall find out why a shop does not work: versions, sizes, logs. Nothing of what people of the shop
 * are called, typed or did is in it, also when the shop does not start.
 */
export async function support([file = 'plucky-support.zip']: readonly string[]): Promise<void> {
  const home = openHome();
  const target = resolve(file);
  if (existsSync(target)) throw new Trouble(`${target} is there already.`, 'Name another file: ./plucky support FILE');
  const now = new Date();
  const shop = await withServer(home, { command: 'support' }, () =>
    withShop(home, 'own', (db) => aboutShop(db, home.root, now)),
  ).catch((error: unknown) => ({
    away: error instanceof Trouble ? error.happened : (error as { code?: unknown }).code,
  }));
  const zip = new ZipFile();
  const add = (name: string, text: string) => zip.addBuffer(Buffer.from(text), name);
  add('about.json', `${JSON.stringify({ writtenAt: now.toISOString(), ...aboutMachine(), shop }, null, 2)}\n`);
  for (const [name, lines] of logsOf(home)) add(name, `${lines.join('\n')}\n`);
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(target, { mode: 0o600 }));
  say(`${target} is for whoever helps you. Read it first if you like: it holds no names, serials or prices.`);
}

function aboutMachine(): object {
  const { version } = JSON.parse(readFileSync(join(projectRoot, 'package.json'), 'utf8')) as { version: string };
  return {
    version,
    node: process.version,
    system: `${process.platform} ${release()}`,
    cores: cpus().length,
    memoryMb: { total: Math.round(totalmem() / 1e6), free: Math.round(freemem() / 1e6) },
    load: loadavg(),
    upHours: Math.round(uptime() / 3600),
    // Which were set, not to what.
    set: Object.keys(process.env).filter((name) => name.startsWith('PLUCKY_')),
  };
}

function logsOf(home: Home): readonly (readonly [name: string, lines: readonly string[]])[] {
  return readdirSync(home.logDir)
    .filter((name) => /^(application|mariadb)\.log(\.1)?$/.test(name))
    .map((name) => {
      const path = join(home.logDir, name);
      return [name, name.startsWith('application') ? applicationLines(path) : databaseLines(path)] as const;
    });
}
