import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { createReadStream, createWriteStream, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { loadDemo } from '../demo/loadDemo';
import { catchUp } from '@/data/tallies/catchUp';
import { startApplication } from './application';
import { openBrowser, signedInPage } from './browser';
import { createDatabase, dropDatabase, withDatabase } from './databases';
import { factFigure, importFigure, screenFigures, type FactFigure, type ScreenFigure } from './grownFigures';
import { growShop } from './grownShop';
import type { Home } from './home';
import { endChild, run } from './processes';
import { say } from './say';
import { screens } from './screens';

/** Facts of two years of a busy shop. */
const wanted = Number(process.env.PLUCKY_GROWN_FACTS ?? 1_060_000);
const names = { demo: 'plucky_bench_demo', grown: 'plucky_bench_grown', restored: 'plucky_bench_restored' } as const;

interface ShopFigures {
  readonly screens: readonly ScreenFigure[];
  readonly facts: readonly FactFigure[];
  readonly list: { readonly previewS: number; readonly importS: number };
  readonly memoryMb: number;
}

/** Makes a shop of two years beside the demo and measures both: screens, facts, a long list, backup and restore. */
export async function grownBench(home: Home): Promise<readonly string[]> {
  await dropDatabase(home, names.demo);
  await withDatabase(home, names.demo, (db) => loadDemo(db, new Date()));
  await dropDatabase(home, names.grown);
  const made = await withDatabase(home, names.grown, async (db) => {
    await loadDemo(db, new Date());
    say('Growing the shop …');
    const since = performance.now();
    const shop = await growShop(db, wanted);
    const grownS = (performance.now() - since) / 1000;
    const counting = performance.now();
    await catchUp(db);
    return { ...shop, grownS, countedS: (performance.now() - counting) / 1000 };
  });
  say('Measuring …');
  const demo = await shopFigures(home, names.demo);
  const grown = await shopFigures(home, names.grown);
  const kept = await backupFigures(home);
  const n = (value: number) => value.toFixed(0);
  return [
    `Grown shop: ${made.facts} facts, ${made.units} units, ${made.parts} parts; made in ${n(made.grownS)} s, counted for the first time in ${n(made.countedS)} s.`,
    '',
    '| screen | demo p50 / p95 ms | kB | queries | grown p50 / p95 ms | kB | queries | times the demo |',
    '| --- | ---: | ---: | ---: | ---: | ---: | ---: | ---: |',
    ...demo.screens.map((one, at) => {
      const other = grown.screens[at] as ScreenFigure;
      const figures = ({ median, p95, kB, queries }: ScreenFigure) =>
        `${n(median)} / ${n(p95)} | ${n(kB)} | ${queries}`;
      return `| ${one.path} | ${figures(one)} | ${figures(other)} | ${(other.median / one.median).toFixed(1)} |`;
    }),
    '',
    '| writers | followers | demo p50 / p95 ms | facts a second | grown p50 / p95 ms | facts a second |',
    '| ---: | ---: | ---: | ---: | ---: | ---: |',
    ...demo.facts.map((one, at) => {
      const other = grown.facts[at] as FactFigure;
      const figures = ({ median, p95, perSecond }: FactFigure) => `${n(median)} / ${n(p95)} | ${n(perSecond)}`;
      return `| ${one.writers} | ${one.followers} | ${figures(one)} | ${figures(other)} |`;
    }),
    '',
    `A list of 10,000 lines: looked at in ${demo.list.previewS.toFixed(1)} s and taken in in ${demo.list.importS.toFixed(1)} s in the demo, ${grown.list.previewS.toFixed(1)} s and ${grown.list.importS.toFixed(1)} s in the grown shop.`,
    `Memory of the application afterwards: ${n(demo.memoryMb)} MB with the demo, ${n(grown.memoryMb)} MB grown.`,
    `Backup of the grown shop: ${n(kept.backupS)} s, ${n(kept.sizeMb)} MB; read back in ${n(kept.restoreS)} s.`,
  ];
}

async function shopFigures(home: Home, name: string): Promise<ShopFigures> {
  const application = await startApplication(home, name);
  const { browser, close } = await openBrowser();
  try {
    const page = await signedInPage(browser, application.url, 'Sunniva T.', '1357');
    const cookie = (await page.cookies()).map((own) => `${own.name}=${own.value}`).join('; ');
    // A page that is open listens, and asks again: nobody else is to be at work.
    await page.goto('about:blank');
    const door = { url: application.url, cookie };
    return await withDatabase(home, name, async (db) => {
      const tagAt = async (stage: string) =>
        ((await db('units').where({ stage }).orderBy('tag_no').first('tag')) as { tag: string }).tag;
      const part = (await db('parts').where({ place: 'shelf' }).orderBy('tag_no').first('tag')) as { tag: string };
      const paths = [
        ...screens,
        `/bench/${await tagAt('teardown')}`,
        `/bench/${await tagAt('rebuild')}`,
        `/t/${await tagAt('sent')}`,
        `/t/${part.tag}`,
        '/shelf?q=lantern+b',
        '/shelf?q=nothing',
        '/shelf?page=2',
        '/api/find?text=lantern',
      ];
      const figures = await screenFigures(db, door, paths);
      const facts: FactFigure[] = [];
      for (const [writers, followers] of [
        [1, 0],
        [8, 0],
        [20, 0],
        [20, 50],
      ] as const)
        facts.push(await factFigure(door, { writers, followers, screen: '/teardown' }));
      const list = await importFigure(door);
      const { stdout } = await run('ps', ['-o', 'rss=', '-p', String(application.child.pid)]);
      return { screens: figures, facts, list, memoryMb: Number(stdout) / 1000 };
    });
  } finally {
    await close();
    await endChild(application.child);
  }
}

/** The ways of `./plucky backup` and `restore`, on the shop of this measurement. */
async function backupFigures(home: Home): Promise<{ backupS: number; sizeMb: number; restoreS: number }> {
  const file = join(home.tempDir, 'grown.sql.gz');
  try {
    const saving = performance.now();
    const dump = spawn(
      'mariadb-dump',
      ['--no-defaults', `--socket=${home.socketPath}`, '--single-transaction', '--hex-blob', names.grown],
      { stdio: ['ignore', 'pipe', 'inherit'] },
    );
    await pipeline(dump.stdout, createGzip(), createWriteStream(file));
    const backupS = (performance.now() - saving) / 1000;
    const sizeMb = statSync(file).size / 1e6;
    await dropDatabase(home, names.restored);
    await createDatabase(home, names.restored);
    const reading = performance.now();
    const client = spawn('mariadb', ['--no-defaults', `--socket=${home.socketPath}`, names.restored], {
      stdio: ['pipe', 'ignore', 'inherit'],
    });
    const ended = once(client, 'close');
    await pipeline(createReadStream(file), createGunzip(), client.stdin);
    const [code] = (await ended) as [number];
    if (code !== 0) throw new Error('bench: the backup cannot be read back');
    return { backupS, sizeMb, restoreS: (performance.now() - reading) / 1000 };
  } finally {
    rmSync(file, { force: true });
    await dropDatabase(home, names.restored);
  }
}
