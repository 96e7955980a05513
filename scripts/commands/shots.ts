import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import type { Model } from '@/core/procedure/model';
import { loadDemo } from '../demo/loadDemo';
import { demoDraftId, demoOpeningId } from '../demo/unfinished';
import { startApplication } from '../server/application';
import { openBrowser, settled, signedInPage, switchTheme } from '../support/browser';
import { buildApplication } from '../support/build';
import { dropDatabase, withDatabase } from '../support/databases';
import { openHome, projectRoot } from '../support/home';
import { startDatabase, stopDatabase } from '../server/mariadb';
import { dischargeLog } from '../support/dischargeLog';
import { needPackage } from '../support/packages';
import { endChild } from '../support/processes';
import { say } from '../support/say';

interface Shot {
  readonly name: string;
  readonly path: (page: Page) => Promise<string> | string;
  readonly theme?: 'dark';
  readonly keys?: readonly string[];
  /** Text of a file that is chosen once the keys were pressed, made for what the page shows. */
  readonly file?: (shown: string) => string;
  readonly types?: { readonly field: string; readonly text: string };
  /** A page on a unit under test: of nobody, on a phone, with what somebody does on it. */
  readonly onUnit?: (page: Page) => Promise<void>;
  /** What the page says when all of it is computed. */
  readonly says?: string;
}

/** The bench of the unit whose sheet is the furthest on its way. */
const busiestBench = async (page: Page, list: string): Promise<string> => {
  await page.goto(new URL(list, page.url()).href, { waitUntil: 'load' });
  const tag = await page.$eval('main li a', (link) => link.textContent?.match(/U-\d+/)?.[0] ?? '');
  return `/bench/${tag}`;
};

/** Grade, with the first part of a kind that waits. */
const firstOf = async (page: Page, kind: string): Promise<string> => {
  await page.goto(new URL('/grade', page.url()).href, { waitUntil: 'load' });
  const tag = await page.$$eval(
    'main nav li button',
    (all, wanted) =>
      all.find(({ textContent }) => textContent?.includes(wanted))?.textContent?.match(/P-\d+/)?.[0] ?? '',
    kind,
  );
  return `/grade?part=${tag}`;
};

/** The page on a unit at Prove, whose code somebody made. */
const testPage = async (page: Page): Promise<string> => {
  await page.goto(new URL('/prove', page.url()).href, { waitUntil: 'load' });
  await settled(page);
  await page.keyboard.press('v');
  await page.waitForSelector('[data-code]');
  return `/test/${await page.$eval('[data-code]', (own) => (own as HTMLElement).dataset.code ?? '')}`;
};

/** A screen is looked at, and what is wrong on its green is touched. */
const markDefects = async (page: Page): Promise<void> => {
  const press = (words: string) => page.locator(`::-p-xpath(//button[contains(., '${words}')])`).click();
  await press('Start: Display');
  for (let at = 0; at < 3; at += 1) await press('Next');
  for (const [x, y] of [
    [120, 210],
    [262, 335],
  ] as const)
    await page.touchscreen.tap(x, y);
  await press('Patch');
  await page.touchscreen.tap(190, 470);
};

/** A log of a cell of whatever model the page is about, a little worn. */
function logOfCell(shown: string): string {
  const folder = join(projectRoot, 'data', 'models');
  const models = readdirSync(folder).map((file) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as Model);
  const battery = models
    .find(({ name }) => shown.includes(`${name} · `))
    ?.parts.find(({ category }) => category === 'battery');
  const cells = Math.round((battery?.cell?.volt ?? 3.7) / 3.7);
  return dischargeLog({ ampHours: 0.87 * (battery?.ratedAmpHours ?? 3), gapS: 41, isComma: true, cells });
}

const shots: readonly Shot[] = [
  { name: 'today', path: () => '/' },
  { name: 'dock', path: () => '/dock', says: 'after parts and labour' },
  { name: 'triage', path: () => '/triage' },
  { name: 'teardown', path: () => '/teardown' },
  { name: 'bench', path: (page) => busiestBench(page, '/rebuild') },
  {
    name: 'grade',
    path: (page) => firstOf(page, 'battery'),
    keys: ['1'],
    file: logOfCell,
    says: 'was bridged',
  },
  { name: 'grade-display', path: (page) => firstOf(page, 'display'), keys: ['2', '1', 'v'], says: 'Not opened yet' },
  { name: 'test-page', path: testPage, onUnit: markDefects },
  { name: 'shelf', path: () => '/shelf?kind=battery', keys: ['ArrowDown'], says: 'Its story' },
  { name: 'match', path: () => '/match', keys: ['ArrowDown'] },
  { name: 'match-plan', path: () => '/match/plan', says: 'a unit like' },
  { name: 'prove', path: () => '/prove' },
  { name: 'send', path: () => '/send' },
  { name: 'yield', path: () => '/yield' },
  {
    name: 'rules',
    path: () => '/rules/grading',
    types: { field: 'Cycles, grade A', text: '10' },
    says: 'the shelf is worth',
  },
  { name: 'model', path: () => '/models/marrowby-slate-quay', keys: Array.from({ length: 8 }, () => 'ArrowDown') },
  {
    name: 'editor',
    path: () => `/models/drafts/${demoDraftId}`,
    keys: ['ArrowDown', 'ArrowDown', 'ArrowDown', 'Enter'],
  },
  { name: 'planner', path: () => '/models/marrowby-slate-quay/plan', says: 'after labour' },
  { name: 'first-opening', path: () => `/models/opening/${demoOpeningId}` },
];

const databaseName = 'plucky_shots';

/** Retakes docs/screenshots from a fresh demo, so that no picture shows what is not there any more. */
export async function takeShots(): Promise<void> {
  await needPackage('mariadb-server');
  await needPackage('chromium-headless-shell');
  const home = openHome();
  const server = await startDatabase(home);
  const folder = join(projectRoot, 'docs', 'screenshots');
  mkdirSync(folder, { recursive: true });
  try {
    await buildApplication();
    await dropDatabase(home, databaseName);
    await withDatabase(home, databaseName, (db) => loadDemo(db, new Date()));
    const application = await startApplication(home, databaseName);
    const { browser, close } = await openBrowser();
    try {
      for (const old of readdirSync(folder)) if (old.endsWith('.png')) rmSync(join(folder, old));
      const page = await signedInPage(browser, application.url, 'Sunniva T.', '1357');
      for (const shot of shots) {
        await switchTheme(page, shot.theme ?? 'light');
        const path = await shot.path(page);
        if (shot.onUnit) await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
        await page.goto(new URL(path, application.url).href, { waitUntil: 'load' });
        await (shot.onUnit ? shot.onUnit(page) : settled(page));
        for (const key of shot.keys ?? []) {
          await page.keyboard.press(key as 'Enter');
          await new Promise((done) => setTimeout(done, 120));
        }
        if (shot.file !== undefined) {
          const file = join(mkdtempSync(join(tmpdir(), 'plucky-shots-')), 'analyser.csv');
          writeFileSync(file, shot.file(await page.evaluate(() => document.body.innerText)));
          const input = (await page.$('main input[type=file]')) as ElementHandle<HTMLInputElement> | null;
          await input?.uploadFile(file);
        }
        if (shot.types) {
          const field = `input[aria-label="${shot.types.field}"]`;
          await page.$eval(field, (input) => (input as HTMLInputElement).select());
          await page.type(field, shot.types.text);
        }
        if (shot.says) await page.waitForFunction((words) => document.body.innerText.includes(words), {}, shot.says);
        await page.waitForFunction(() =>
          [...document.querySelectorAll('[data-chart]')].every(
            (chart) => (chart as HTMLElement).dataset.drawn === 'yes',
          ),
        );
        await page.screenshot({ path: `${join(folder, shot.name)}.png` });
        if (shot.onUnit) await page.setViewport({ width: 1280, height: 800 });
        say(`docs/screenshots/${shot.name}.png`);
      }
    } finally {
      await close();
      await endChild(application.child);
    }
  } finally {
    await dropDatabase(home, databaseName).catch(() => undefined);
    if (server.child) await stopDatabase(home, server.child);
  }
}
