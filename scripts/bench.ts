import { cpus, totalmem } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import type { Page } from 'puppeteer-core';
import type { Person } from '@/core/people/roles';
import { checkModel } from '@/core/procedure/checkModel';
import { insertModel } from '@/data/models/modelRepository';
import { loadDemo } from './demo/loadDemo';
import { startApplication } from './server/application';
import { openBrowser, settled, signedInPage } from './support/browser';
import { buildApplication } from './support/build';
import { dropDatabase, withDatabase } from './support/databases';
import { entryHead, entryLineCount, typeEntry } from './support/entryScript';
import { openHome, projectRoot } from './support/home';
import { largeModel } from './support/largeModel';
import { startDatabase, stopDatabase } from './server/mariadb';
import { needPackage } from './support/packages';
import { endChild } from './support/processes';
import { say } from './support/say';
import { acknowledged, benchFigures } from './support/benchFigures';
import { receiveSixty, triageSixty } from './support/triageSixty';
import { gradeFigures } from './support/gradeFigures';
import { demoCopy } from './support/demoCopy';
import { shelfFigures } from './support/shelfFigures';
import { matchFigures } from './support/matchFigures';
import { matchServed } from './support/matchServed';
import { triageFigures } from './support/triageFigures';
import { grownBench } from './support/grownBench';
import { keyFigures } from './support/keyFigures';
import { planFigures } from './support/planFigures';
import { screens } from './support/screens';
import { spreadOf, type Spread } from './support/spread';

const demoName = 'plucky_demo';
const shelfName = 'plucky_shelf';

const rounds = 40;
const gradedParts = 40;
const acknowledgements = 200;

async function serverTimes(url: string, cookie: string): Promise<Map<string, Spread>> {
  const times = new Map<string, Spread>();
  for (const path of screens) {
    const values: number[] = [];
    for (let round = 0; round < rounds + 3; round += 1) {
      const since = performance.now();
      await (await fetch(`${url}${path}`, { headers: { cookie } })).text();
      if (round >= 3) values.push(performance.now() - since);
    }
    times.set(path, spreadOf(values));
  }
  return times;
}

/** Compressed bytes of every script that a page's HTML asks for; what only old browsers load is left out. */
async function firstLoadScript(url: string, path: string, cookie: string): Promise<number> {
  const html = await (await fetch(`${url}${path}`, { headers: { cookie } })).text();
  const wanted = new Set(
    [...html.matchAll(/<script(?![^>]*nomodule)[^>]*src="([^"]+\.js)"/gi)].map((match) => match[1] as string),
  );
  let bytes = 0;
  for (const script of wanted) bytes += await compressedSize(url, script);
  return bytes;
}

const sizes = new Map<string, number>();
async function compressedSize(url: string, path: string): Promise<number> {
  const known = sizes.get(path);
  if (known !== undefined) return known;
  const { request } = await import('node:http');
  const size = await new Promise<number>((settle, fail) => {
    request(`${url}${path}`, { headers: { 'accept-encoding': 'gzip' } }, (response) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () => {
        const body = Buffer.concat(chunks);
        // What is very small is sent as it is. Fails here when anything else was, rather than print a size that is none.
        if (response.headers['content-encoding'] !== undefined || body.length > 1500) gunzipSync(body);
        settle(body.length);
      });
    })
      .on('error', fail)
      .end();
  });
  sizes.set(path, size);
  return size;
}

const ms = (value: number) => value.toFixed(1);
const kB = (bytes: number) => (bytes / 1000).toFixed(0);
/** Compressed bytes of script that a screen may ask for before it is drawn. */
const mostFirstLoad = 240_000;

/** The checker on sound models of several sizes; the first runs, in which the code is still cold, are left out. */
function checkerTimes(): readonly string[] {
  return [20, 40, 80, 150, 300].map((count) => {
    const model = largeModel(count);
    const values = Array.from({ length: 40 }, () => {
      const since = performance.now();
      checkModel(model);
      return performance.now() - since;
    }).slice(10);
    const { median, p95 } = spreadOf(values);
    return `| ${count} | ${ms(median)} | ${ms(p95)} |`;
  });
}

const librarySize = 500;

/** Searches of a library of many models, as they are typed, one letter more each time. */
async function searchTimes(url: string, cookie: string): Promise<Spread> {
  const values: number[] = [];
  for (const typed of ['lantern five', 'quay', 'part 17', 'large 12', 'pulse sensor', 'handheld pull', 'zzz']) {
    for (let letters = 1; letters <= typed.length; letters += 1) {
      const since = performance.now();
      const text = encodeURIComponent(typed.slice(0, letters));
      await (await fetch(`${url}/api/models/find?text=${text}`, { headers: { cookie } })).text();
      values.push(performance.now() - since);
    }
  }
  return spreadOf(values);
}

/** From the address to the first thing drawn, of a model’s page. */
async function firstPaint(page: Page, url: string): Promise<Spread> {
  const values: number[] = [];
  for (let round = 0; round < 15; round += 1) {
    await page.goto(`${url}/models/brinewell-pontoon-12`, { waitUntil: 'load' });
    // The page can be loaded before its first frame is drawn.
    const paint = await page.waitForFunction(
      () => performance.getEntriesByName('first-contentful-paint')[0]?.startTime,
    );
    if (round > 1) values.push((await paint.jsonValue()) as number);
  }
  return spreadOf(values);
}

/** Types a model of thirty operations into the editor, and reads from the editor what that took. */
async function keystrokes(page: Page, url: string): Promise<number> {
  await page.goto(`${url}/models`, { waitUntil: 'load' });
  await settled(page);
  await page.keyboard.press('n');
  await page.waitForSelector('dialog input');
  await page.keyboard.type(entryHead.maker);
  await page.keyboard.press('Tab');
  await page.keyboard.type(entryHead.name);
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => location.pathname.startsWith('/models/drafts/'));
  await page.waitForSelector('input[aria-label="Verb and thing"]');
  await typeEntry(page);
  return Number(await page.$eval('[data-pressed]', (element) => (element as HTMLElement).dataset.pressed));
}

async function main(): Promise<void> {
  // The planner alone needs neither database nor browser.
  if (process.argv.includes('planner')) return say(planFigures().join('\n'));
  if (process.argv.includes('grade')) return say(gradeFigures().join('\n'));
  if (process.argv.includes('match')) say((await matchFigures()).join('\n'));
  if (process.argv.includes('triage')) return say(triageFigures().join('\n'));
  await needPackage('mariadb-server');
  await needPackage('chromium-headless-shell');
  const home = openHome(join(projectRoot, '.plucky', 'bench'));
  const server = await startDatabase(home);
  try {
    if (process.argv.includes('shelf')) {
      await dropDatabase(home, shelfName);
      await demoCopy(home, shelfName);
      return say((await withDatabase(home, shelfName, shelfFigures)).join('\n'));
    }
    await buildApplication();
    if (process.argv.includes('match')) return say((await matchServed(home)).join('\n'));
    if (process.argv.includes('grown')) return say((await grownBench(home)).join('\n'));
    await dropDatabase(home, demoName);
    await withDatabase(home, demoName, (db) => loadDemo(db, new Date()));
    const application = await startApplication(home, demoName);
    const { browser, close } = await openBrowser();
    try {
      const page = await signedInPage(browser, application.url, 'Sunniva T.', '1357');
      const gradedByKeys = () =>
        withDatabase(home, demoName, (db) => keyFigures(db, page, application.url, gradedParts));
      if (process.argv.includes('keys')) return say((await gradedByKeys()).join('\n'));
      const cookie = (await page.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ');
      const done = await acknowledged(page, application.url, acknowledgements);
      const bench = new URL(page.url()).pathname;
      const hands = await benchFigures(page, bench, { url: application.url, cookie });
      const times = await serverTimes(application.url, cookie);
      const rows: string[] = [];
      const loads = new Map<string, number>();
      for (const path of screens) {
        const { median, p95 } = times.get(path) as Spread;
        const script = await firstLoadScript(application.url, path, cookie);
        rows.push(`| ${path} | ${ms(median)} | ${ms(p95)} | ${kB(script)} |`);
        loads.set(path, script);
      }
      const benchScript = await firstLoadScript(application.url, bench, cookie);
      loads.set('/bench/…', benchScript);
      const paint = await firstPaint(page, application.url);
      const keys = await keystrokes(page, application.url);
      await withDatabase(home, demoName, async (db) => {
        const published = { at: new Date(), note: 'for measuring', by: '' };
        for (let at = 0; at < librarySize; at += 1) {
          await insertModel(db, { ...largeModel(20 + (at % 40), `large-${at}`), name: `Large ${at}` }, published);
        }
      });
      const search = await searchTimes(application.url, cookie);
      await withDatabase(home, demoName, async (db) => {
        const { id, name, role } = (await db('people').where({ role: 'lead' }).first()) as Omit<Person, 'bench'>;
        const person: Person = { id, name, role, bench: 'goods-in' };
        await receiveSixty(db, person);
      });
      const sixty = await triageSixty(page, application.url);
      const graded = await gradedByKeys();
      const report = [
        `“Done” at the bench, key press to acknowledged: median ${ms(done.median)} ms, p95 ${ms(done.p95)} ms (${acknowledgements} steps).`,
        '',
        ...hands,
        '',
        '| screen | server, median ms | server, p95 ms | first-load script, kB gzip |',
        '| --- | ---: | ---: | ---: |',
        ...rows,
        `| /bench/… | – | – | ${kB(benchScript)} |`,
        '',
        `${sixty.units} units triaged by keys alone at 45 ms a key: ${sixty.meanKeys.toFixed(1)} keys a unit, ${sixty.mostKeys} at most, ${sixty.seconds.toFixed(0)} s in all.`,
        '',
        ...graded,
        '',
        '| operations | checker, median ms | checker, p95 ms |',
        '| ---: | ---: | ---: |',
        ...checkerTimes(),
        '',
        `Library of ${librarySize} models and more, search: median ${ms(search.median)} ms, p95 ${ms(search.p95)} ms.`,
        `A model’s page of 38 operations, first paint: median ${ms(paint.median)} ms, p95 ${ms(paint.p95)} ms.`,
        `A model of ${entryLineCount} operations typed into the editor: ${keys} keys, ${(keys / entryLineCount).toFixed(0)} a line.`,
        '',
        ...planFigures(),
        '',
        ...triageFigures(),
        ...gradeFigures(),
        '',
        `Machine: ${cpus().length} × ${cpus()[0]?.model ?? 'unknown'}, ${Math.round(totalmem() / 1e9)} GB, Node.js ${process.version}; everything on loopback, MariaDB with a flush at every commit, Chromium and server on the same cores.`,
      ].join('\n');
      say(report);
      const over = [...loads].filter(([, bytes]) => bytes > mostFirstLoad);
      if (over.length === 0) return say(`First load: at most ${kB(mostFirstLoad)} kB of script on every screen.`);
      say(
        `FAILED: first load over ${kB(mostFirstLoad)} kB: ${over.map(([path, bytes]) => `${path} ${kB(bytes)}`).join(', ')}`,
      );
      process.exitCode = 1;
    } finally {
      await close();
      await endChild(application.child);
    }
  } finally {
    if (server.child) await stopDatabase(home, server.child);
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exitCode = 1;
});
