import type { Page } from 'puppeteer-core';
import { demoCopy } from '../../scripts/support/demoCopy';
import { startApplication, type RunningApplication } from '../../scripts/server/application';
import { dropDatabase } from '../../scripts/support/databases';
import { endChild } from '../../scripts/support/processes';
import { screens } from '../../scripts/support/screens';
import { Bench, go, press, settled } from '../support/e2e';
import { cutOffOn, plainWordsOn, textsOfData } from '../support/plainWords';
import { testHome } from '../support/scratch';

/*
 * The application speaks the pseudo-language: its own words carry accents and are two fifths longer. What is plain then
 * does not come from the catalogue; what does not fit then would not fit in a language of longer words.
 */
let application: RunningApplication;
let bench: Bench;
let page: Page;
const database = 'plucky_words';
const data = textsOfData();

beforeAll(async () => {
  const home = testHome();
  await dropDatabase(home, database);
  await demoCopy(home, database);
  process.env.PLUCKY_WORDS = 'pseudo';
  application = await startApplication(home, database);
  delete process.env.PLUCKY_WORDS;
  bench = await Bench.open(application.url);
  page = await bench.signIn('Sunniva T.');
});
afterAll(async () => {
  await bench.close();
  await endChild(application.child);
});

const found = async () => ({ plain: await plainWordsOn(page, data), cutOff: await cutOffOn(page) });
const nothing = { plain: [], cutOff: [] };

test('the application does speak it: otherwise nothing below could fail', async () => {
  await go(page, bench.url, '/dock');
  expect(await page.$eval('body', ({ innerText }) => innerText)).toMatch(/[áéíóú]/);
  await page.evaluate(() => document.querySelector('h1')?.append(' these words stand in no catalogue'));
  expect((await found()).plain).toEqual(['these words stand in no catalogue']);
});

test.each(screens)('%s: all of its words are in the catalogue, and longer ones fit', async (path) => {
  await go(page, bench.url, path);
  await settled(page);
  expect(await found()).toEqual(nothing);
});

test.each([
  ['the bench, and what its keys ask', 'o'],
  ['a break in a part', 'b'],
  ['something found', 'g'],
  ['trouble with a screw', 's'],
])('at the bench, %s', async (_, key) => {
  await go(page, bench.url, '/teardown');
  const path = await page.$eval('main li a', (link) => new URL((link as HTMLAnchorElement).href).pathname);
  const tag = path.split('/').at(-1);
  await go(page, bench.url, `/bench/${tag}`);
  await settled(page);
  expect(await found()).toEqual(nothing);
  await press(page, key);
  await page.waitForSelector('dialog');
  expect(await found()).toEqual(nothing);
});

test('the list of keys, and a tag that this shop never gave out', async () => {
  await go(page, bench.url, '/triage');
  await press(page, '?');
  await page.waitForSelector('dialog');
  expect(await found()).toEqual(nothing);
  await go(page, bench.url, '/t/U-9999');
  expect(await found()).toEqual(nothing);
});
