import { readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { restoreBackup } from '@/services/backup/restoreBackup';
import { verifyBackup } from '@/services/backup/verifyBackup';
import { writeBackup } from '@/services/backup/writeBackup';
import { loadDemo } from '../demo/loadDemo';
import { catchUp } from '@/data/tallies/catchUp';
import { startApplication, workersWanted, type RunningApplication } from '../server/application';
import { acknowledged, painted } from './benchFigures';
import { openBrowser, signedInPage } from './browser';
import { createDatabase, dropDatabase, placeOf, withDatabase } from './databases';
import {
  factFigure,
  importFigure,
  screenFigures,
  type FactFigure,
  type ListFigure,
  type ScreenFigure,
} from './grownFigures';
import { growShop } from './grownShop';
import type { Home } from './home';
import { endChild, run } from './processes';
import { say } from './say';
import { screens } from './screens';
import { spreadOf, type Spread } from './spread';

const keyPresses = 60;
/** Facts of two years of a busy shop. */
const wanted = Number(process.env.PLUCKY_GROWN_FACTS ?? 1_060_000);
const names = { demo: 'plucky_bench_demo', grown: 'plucky_bench_grown', restored: 'plucky_bench_restored' } as const;

interface ShopFigures {
  readonly screens: readonly ScreenFigure[];
  readonly facts: readonly FactFigure[];
  readonly list: ListFigure;
  /** From a key at the bench to what it shows, and to the server's answer. */
  readonly hand: { readonly painted: Spread; readonly acknowledged: Spread };
  readonly memoryMb: { readonly before: number; readonly after: number };
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
  const s1 = (value: number) => value.toFixed(1);
  const both = ({ median, p95 }: Spread) => `${n(median)} / ${n(p95)}`;
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
    `A list of 10,000 lines, in the demo / in the grown shop: looked at in ${s1(demo.list.previewS)} / ${s1(grown.list.previewS)} s, taken in in ${s1(demo.list.importS)} / ${s1(grown.list.importS)} s, its parcel forecast in ${s1(demo.list.forecastS)} / ${s1(grown.list.forecastS)} s.`,
    `A key at the bench, p50 / p95: painted in ${both(demo.hand.painted)} ms in the demo, ${both(grown.hand.painted)} ms in the grown shop; acknowledged in ${both(demo.hand.acknowledged)} ms and ${both(grown.hand.acknowledged)} ms.`,
    `Memory of the application (${workersWanted()} server processes) after every screen / after the load of facts: ${n(demo.memoryMb.before)} / ${n(demo.memoryMb.after)} MB in the demo, ${n(grown.memoryMb.before)} / ${n(grown.memoryMb.after)} MB grown.`,
    `Backup of the grown shop: ${n(kept.backupS)} s, ${n(kept.sizeMb)} MB; checked in ${n(kept.verifyS)} s, brought back in ${n(kept.restoreS)} s.`,
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
        '/api/shelf/rows?by=grade&down=1&from=200',
        '/api/find?text=lantern',
      ];
      const figures = await screenFigures(db, door, paths);
      const before = await memoryMb(application);
      const followed = ['/', '/triage', '/teardown', '/grade', `/bench/${await tagAt('teardown')}`];
      const facts: FactFigure[] = [];
      for (const [writers, followers] of [
        [1, 0],
        [8, 0],
        [20, 0],
        [20, 50],
      ] as const)
        facts.push(await factFigure(door, { writers, followers, screens: followed }));
      const list = await importFigure(door);
      const after = await memoryMb(application);
      const acknowledgedIn = await acknowledged(page, application.url, keyPresses);
      const hand = { acknowledged: acknowledgedIn, painted: spreadOf(await painted(page)) };
      return { screens: figures, facts, list, hand, memoryMb: { before, after } };
    });
  } finally {
    await close();
    await endChild(application.child);
  }
}

/** What all its processes hold, what they share counted once. */
async function memoryMb({ child }: RunningApplication): Promise<number> {
  const { stdout } = await run('ps', ['-o', 'pid=', '--ppid', String(child.pid), '-p', String(child.pid)]);
  const ids = stdout.split('\n').map(Number).filter(Boolean);
  const kB = ids.map((id) => Number(/^Pss: +(\d+) kB/m.exec(readFileSync(`/proc/${id}/smaps_rollup`, 'utf8'))?.[1]));
  return kB.reduce((sum, own) => sum + own, 0) / 1000;
}

/** The ways of `./plucky backup`, `verify` and `restore`, on the shop of this measurement. */
async function backupFigures(home: Home): Promise<BackupFigures> {
  const file = join(home.tempDir, 'grown.zip');
  const timed = async (work: () => Promise<unknown>) => {
    const from = performance.now();
    await work();
    return (performance.now() - from) / 1000;
  };
  try {
    const nowhere = join(home.tempDir, 'no-archives');
    const backupS = await timed(() => writeBackup(placeOf(home, names.grown), file, nowhere, new Date()));
    const sizeMb = statSync(file).size / 1e6;
    const verifyS = await timed(() => verifyBackup(file));
    await dropDatabase(home, names.restored);
    await createDatabase(home, names.restored);
    const restoreS = await timed(() => restoreBackup(placeOf(home, names.restored), file, nowhere));
    return { backupS, sizeMb, verifyS, restoreS };
  } finally {
    rmSync(file, { force: true });
    await dropDatabase(home, names.restored);
  }
}

interface BackupFigures {
  readonly backupS: number;
  readonly sizeMb: number;
  readonly verifyS: number;
  readonly restoreS: number;
}
