import type { Page } from 'puppeteer-core';
import type { Model } from '@/core/procedure/model';
import { screens } from '../../scripts/support/screens';
import { Bench, go, pause, press, says, settled, text, watchTrouble } from '../support/e2e';
import { shippedModels } from '../support/models';
import { makeDonor } from '../support/makeUnits';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterEach(() => bench.leave());
afterAll(() => bench.close());

const laptop = shippedModels.find(({ name }) => name === 'Slate Quay') as Model;

/** A run sheet was open here, so this browser keeps pages and files from now on. */
async function keeping(page: Page): Promise<void> {
  const { tag } = await makeDonor(page, laptop);
  await go(page, bench.url, `/bench/${tag}`);
  await press(page, 'space');
  await says(page, 'Done, next');
  await page.waitForFunction(
    async (path) => (await caches.match(path)) !== undefined,
    { polling: 100 },
    `/bench/${tag}`,
  );
}

test('after a run sheet was open, what is computed beside a page still is: in each order, and again from what is kept', async () => {
  const page = await bench.signIn('Sunniva T.');
  await keeping(page);
  const plan = async () => {
    await go(page, bench.url, `/models/${laptop.id}/plan`);
    await says(page, 'after labour');
  };
  const forecast = async () => {
    await go(page, bench.url, '/dock');
    await says(page, 'after parts and labour');
  };
  for (const open of [forecast, plan, plan, forecast, forecast]) await open();
});

test('what a parcel gives follows the box: said to be empty, what is missing is not expected any more', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/dock');
  await page.click('::-p-text(Ferry line, autumn lot)');
  await says(page, '2 units of 26 still in the box');
  const gives = () =>
    page.$$eval('section', (all) =>
      all.map(({ innerText }) => innerText).find((own) => own.includes('Expected result')),
    );
  const changedFrom = async (before: string | undefined) => {
    for (let tries = 0; tries < 100; tries += 1) {
      const now = await gives();
      if (now?.includes('after parts and labour') && now !== before) return now;
      await pause(200);
    }
    throw new Error(`still ${before}`);
  };
  /** The middle of what it is expected to bring: the safe price is below it. */
  const worthOf = (said: string) => Number(/more than €([\d.,]+)/.exec(said)?.[1]?.replace(/,/g, ''));
  const full = await changedFrom(undefined);
  await press(page, 'e');
  await says(page, 'Box is not empty');
  const empty = await changedFrom(full);
  expect(worthOf(empty)).toBeGreaterThan(0);
  expect(worthOf(empty)).toBeLessThan(worthOf(full));
  // Said by mistake: the same is expected as before, to the cent.
  await press(page, 'e');
  await says(page, 'Box is empty');
  expect(await changedFrom(empty)).toBe(full);
});

test('every screen after every other, kept pages on: nothing is in trouble, nothing cannot be shown', async () => {
  const page = await bench.signIn('Sunniva T.');
  await keeping(page);
  const troubles = watchTrouble(page);
  for (const round of [screens, [...screens].reverse()])
    for (const path of round) {
      await go(page, bench.url, path);
      await settled(page);
      expect([path, await text(page)]).not.toEqual([path, expect.stringMatching(/cannot be shown|does not answer/)]);
    }
  expect(troubles).toEqual([]);
});

test('what an older version kept is thrown away: no old script is served to a new page', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/');
  const script = await page.evaluate(async () => {
    const own = document.querySelector<HTMLScriptElement>('script[src^="/_next/static/"]')?.getAttribute('src') ?? '';
    // As an older version left it: another script under the name of one of today's, and a page of its own.
    const old = await caches.open('plucky-files-older');
    await old.put(own, new Response('window.isOld = true', { headers: { 'content-type': 'text/javascript' } }));
    await (await caches.open('plucky-pages-older')).put('/', new Response('old page'));
    return own;
  });
  expect(script).not.toBe('');
  await keeping(page);
  await go(page, bench.url, '/');
  expect(await page.evaluate(() => 'isOld' in window)).toBe(false);
  const served = await page.evaluate(async (path) => (await fetch(path)).text(), script);
  expect(served).not.toContain('isOld');
  expect(await page.evaluate(async () => (await caches.keys()).filter((name) => name.endsWith('older')))).toEqual([]);
});
