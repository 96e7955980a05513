import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import type { Model } from '@/core/procedure/model';
import { projectRoot } from '../../scripts/support/home';
import { breakableWay, type BreakableWay } from '../support/breakableWay';
import { Bench, demoUrl, go, heading, pause, press, says, settled, text } from '../support/e2e';
import { shippedModels } from '../support/models';
import { makeDonor } from '../support/makeUnits';

let way: BreakableWay;
let bench: Bench;
/** Another browser, whose cable is never out. */
let elsewhere: Bench;
beforeAll(async () => {
  way = await breakableWay(demoUrl());
  bench = await Bench.open(way.url);
  elsewhere = await Bench.open();
});
afterEach(async () => {
  way.mend();
  await bench.leave();
  await elsewhere.leave();
});
afterAll(async () => {
  await bench.close();
  await elsewhere.close();
  await way.close();
});

const laptop = shippedModels.find(({ name }) => name === 'Slate Quay') as Model;
/** Waits for the step the sheet stands at: a page whose refresh was cut off is loaded again from what is kept. */
const standsAt = (page: Page, step: number) =>
  page.waitForFunction(
    (wanted) => document.querySelector('header span strong')?.textContent === String(wanted),
    {},
    step,
  );
const waiting = (page: Page, count: number) =>
  page.waitForFunction(
    (wanted) => document.querySelector('[data-waiting]')?.getAttribute('data-waiting') === String(wanted),
    { timeout: 30_000 },
    count,
  );

async function onSheet(page: Page): Promise<string> {
  const { tag } = await makeDonor(page, laptop);
  await go(page, bench.url, `/bench/${tag}`);
  await press(page, 'space');
  await says(page, 'Done, next');
  await settled(page);
  // The browser has taken the page and its files in keeping.
  await page.waitForFunction(
    async (path) => (await caches.match(path)) !== undefined,
    { polling: 100 },
    `/bench/${tag}`,
  );
  return tag;
}

test('the server goes in the middle of a teardown: the sheet goes on over a reload, and all arrives once, in order', async () => {
  const page = await bench.signIn('Imke R.');
  const tag = await onSheet(page);
  // Done and acknowledged after the page was kept: a reload must not ask for them again.
  for (let step = 2; step <= 3; step += 1) await press(page, 'space');
  await settled(page);
  await standsAt(page, 3);
  // The browser's own copies of what was acknowledged are dropped a moment later.
  await pause(500);

  way.cut();
  await press(page, 'space');
  await says(page, /1 fact to send/);
  await standsAt(page, 4);
  await page.reload();
  await says(page, 'The server does not answer');
  await standsAt(page, 4);
  await waiting(page, 1);
  for (let step = 5; step <= 7; step += 1) await press(page, 'space');
  await press(page, 'o', 'n');
  await page.waitForSelector('dialog input[aria-label=Note]');
  await page.keyboard.type('Written with the cable out.');
  await press(page, 'Enter');
  await waiting(page, 5);
  await page.reload();
  await standsAt(page, 7);
  const asked = await heading(page);

  way.mend();
  await waiting(page, 0);
  await settled(page);
  await page.waitForFunction(() => !document.body.innerText.includes('The server does not answer'));
  expect(await heading(page)).toBe(asked);
  await page.reload();
  await settled(page);
  expect(await heading(page)).toBe(asked);
  await go(page, bench.url, `/t/${tag}`);
  const told = await text(page);
  expect(await page.$$('li[data-fact=step-done]')).toHaveLength(6);
  expect(told).toContain('Written with the cable out.');
  expect(told).not.toContain('Rejected');
});

test('the server goes while the screen is being refreshed: the screen stays, half a note and all', async () => {
  const page = await bench.signIn('Imke R.');
  const tag = await onSheet(page);
  await press(page, 'o', 'n');
  await page.waitForSelector('dialog input[aria-label=Note]');
  await page.keyboard.type('Half a no');
  way.hold();
  const asked = page.waitForRequest((request) => request.headers().rsc === '1');
  // Somebody else does something, so that the screen asks for what is new and is not answered.
  const other = await elsewhere.signIn('Oskar V.');
  await makeDonor(other, laptop);
  await asked;
  const tries: string[] = [];
  page.on('requestfailed', (request) => void (request.headers().rsc === '1' && tries.push(request.url())));
  await page.evaluate(() => void (document.body.dataset.same = 'page'));
  way.cut();
  while (tries.length < 2) await pause(100);
  await page.keyboard.type('te.');
  way.mend();
  const came = await page.waitForResponse((response) => response.request().headers().rsc === '1');
  expect(came.ok()).toBe(true);
  await settled(page);
  expect(await page.evaluate(() => document.body.dataset.same)).toBe('page');
  await page.keyboard.press('Enter');
  await waiting(page, 0);
  await go(page, bench.url, `/t/${tag}`);
  expect(await text(page)).toContain('Half a note.');
});

test('what somebody else did and was seen here is still seen after a reload without the server', async () => {
  const page = await bench.signIn('Imke R.');
  const tag = await onSheet(page);
  await standsAt(page, 1);
  const other = await elsewhere.signIn('Oskar V.');
  await go(other, elsewhere.url, `/bench/${tag}`);
  await press(other, 'space');
  await standsAt(other, 2);
  await standsAt(page, 2);
  // Cut and loaded again at once: what is on the screen is kept before it is drawn.
  way.cut();
  await page.reload();
  await standsAt(page, 2);
});

test('a page that was not open before says that the server is gone, and what was kept', async () => {
  const page = await bench.signIn('Oskar V.');
  await onSheet(page);
  way.cut();
  await page.goto(`${bench.url}/yield`);
  await says(page, 'This page was not open here before');
  await says(page, 'What you entered is kept');
  way.mend();
  await page.reload();
  await settled(page);
  expect(await text(page)).not.toContain('was not open here');
});

test('whoever signs in next finds nothing of what was kept for the person before', async () => {
  const page = await bench.signIn('Oskar V.');
  const tag = await onSheet(page);
  await page.deleteCookie(...(await page.cookies()));
  await page.goto(`${bench.url}/sign-in`, { waitUntil: 'load' });
  await page.waitForFunction(
    async (path) => (await caches.match(path)) === undefined,
    { polling: 100 },
    `/bench/${tag}`,
  );
  way.cut();
  await page.goto(`${bench.url}/bench/${tag}`);
  await says(page, 'This page was not open here before');
});

test('a photo taken while the server is gone stays with its step, over the next steps and a reload, and arrives', async () => {
  const page = await bench.signIn('Imke R.');
  const tag = await onSheet(page);
  const file = join(projectRoot, 'docs', 'screenshots', 'bench.png');
  await page.waitForSelector('aside input[type=file]');
  way.cut();
  const input = (await page.$('aside input[type=file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(file);
  await says(page, 'kept here until the server is back');
  // It is seen at once, from the browser's own copy.
  await page.waitForFunction(
    () => (document.querySelector<HTMLImageElement>('aside img[src^="blob:"]')?.naturalWidth ?? 0) > 0,
  );
  const first = await heading(page);
  await press(page, 'space');
  await page.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, {}, first);
  expect(await page.$('aside img')).toBeNull();
  await page.reload({ waitUntil: 'load' });
  await says(page, 'kept here until the server is back');
  way.mend();
  await waiting(page, 0).catch(() => undefined);
  const there = await elsewhere.signIn('Mirel A.');
  for (let tries = 0; tries < 40; tries += 1) {
    await go(there, elsewhere.url, `/t/${tag}`);
    const width = await there
      .$eval('ul[aria-label^="Photos of"] img', (img) => (img as HTMLImageElement).naturalWidth)
      .catch(() => 0);
    if (width === 1280) break;
    await pause(500);
  }
  await there.waitForFunction(
    () => document.querySelector<HTMLImageElement>('ul[aria-label^="Photos of"] img')?.naturalWidth === 1280,
  );
});
