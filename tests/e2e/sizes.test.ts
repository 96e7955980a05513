import type { Page } from 'puppeteer-core';
import { screens } from '../../scripts/support/screens';
import { Bench, go, pause, settled } from '../support/e2e';
import { outOfReachOn, smallSizes } from '../support/reach';

let bench: Bench;
let page: Page;
beforeAll(async () => {
  bench = await Bench.open();
  page = await bench.signIn('Sunniva T.');
});
afterAll(() => bench.close());

describe.each(smallSizes)('$name', (size) => {
  beforeAll(() => page.setViewport(size));

  test.each(screens)('%s: everything on it is within reach', async (path) => {
    await go(page, bench.url, path);
    expect(await outOfReachOn(page)).toEqual([]);
  });

  test('a run sheet under way, and the page of a unit', async () => {
    await go(page, bench.url, '/teardown');
    const tag = await page.$eval('main li a', (link) => link.textContent?.match(/U-\d+/)?.[0] ?? '');
    for (const path of [`/bench/${tag}`, `/t/${tag}`]) {
      await go(page, bench.url, path);
      await settled(page);
      // What moves in as it arrives is waited for; what stays out of reach is a fault.
      let found = await outOfReachOn(page);
      for (let tries = 0; tries < 10 && found.length > 0; tries += 1) {
        await pause(200);
        found = await outOfReachOn(page);
      }
      expect([path, found]).toEqual([path, []]);
    }
  });

  test('who signs in', async () => {
    const fresh = await (await bench.browser.createBrowserContext()).newPage();
    await fresh.setViewport(size);
    await fresh.goto(`${bench.url}/sign-in`);
    await fresh.waitForSelector('main[data-ready]');
    expect(await outOfReachOn(fresh)).toEqual([]);
  });
});
