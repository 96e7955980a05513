import type { Page } from 'puppeteer-core';
import type { Model } from '@/core/procedure/model';
import { Bench, go, press, says, settled, text, watchTrouble } from '../support/e2e';
import { shippedModels } from '../support/models';
import { makeDonor } from '../support/makeUnits';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const steps = (page: Page) =>
  page.$$eval('nav[aria-label="Steps"] li[aria-current], nav[aria-label="Steps"] li li', (all) =>
    all.map(({ textContent }) => textContent ?? ''),
  );

test('a joint resists, less is wanted, something is found: the rest is planned anew and nothing done is asked again', async () => {
  const page = await bench.signIn('Sunniva T.');
  const troubles = watchTrouble(page);
  // The donor that stands before the seal of its back, with three steps done.
  await go(page, bench.url, '/teardown');
  const tag = await page.$$eval('main li', (rows) => {
    const row = rows.find(({ textContent }) => textContent?.includes('Cut the seal of the back'));
    return row?.textContent?.match(/U-\d+/)?.[0] ?? '';
  });
  await go(page, bench.url, `/bench/${tag}`);
  await says(page, 'Cut the seal of the back');
  await says(page, 'Still to come');
  const before = await steps(page);

  // Fresh at it: going on is the advice, and changes nothing.
  await press(page, 'r');
  await says(page, 'Keep trying');
  await press(page, 'space');
  await press(page, 'r', '1');
  await says(page, 'Warm the edge again.');
  await says(page, 'No more than 4 min');
  await settled(page);
  await page.reload();
  await settled(page);
  await says(page, 'Warm the edge again.');

  // The display is no longer wanted.
  await press(page, 'w');
  await says(page, 'Which parts do you still want?');
  const key = await page.$$eval('dialog button', (buttons) =>
    buttons.find(({ textContent }) => textContent?.includes('display'))?.getAttribute('aria-keyshortcuts'),
  );
  await press(page, key as string, 'space');
  await says(page, 'the display stays in');
  const after = await steps(page);
  expect(after.slice(0, 3)).toEqual(before.slice(0, 3));
  expect(after).not.toContain('Free the display');
  expect(before).toContain('Free the display');

  // A crack in the glass; what is done stays done.
  await press(page, 'g', '1');
  await settled(page);
  expect((await steps(page)).slice(0, 3)).toEqual(before.slice(0, 3));

  // The seal does not come: all that lies behind it is left, and the sheet is at its end.
  await press(page, 'r');
  await says(page, 'It won’t come loose');
  const leave = await page.$$eval('dialog button', (buttons) =>
    buttons.find(({ textContent }) => textContent?.includes('Leave it'))?.getAttribute('aria-keyshortcuts'),
  );
  await press(page, leave as string);
  await says(page, 'Stopped: nothing came out');
  await settled(page);

  // All of it can be taken back, one after the other, to where the page was loaded.
  for (let at = 0; at < 3; at += 1) {
    await press(page, 'u');
    await settled(page);
  }
  await says(page, 'Warm the edge again.');
  expect(await steps(page)).toEqual(before);
  expect(troubles).toEqual([]);
});

test('screws go to the tray, to a mat or to piles, as the sheet was started', async () => {
  const page = await bench.signIn('Sunniva T.');
  const { tag } = await makeDonor(page, shippedModels.find(({ name }) => name === 'Slate Quay') as Model);
  await go(page, bench.url, `/bench/${tag}`);
  await says(page, 'tray with cups');
  await press(page, 'k', 'k');
  await says(page, 'piles by length');
  await press(page, 'space');
  await says(page, 'Piles');
  await settled(page);
  while (!(await text(page)).includes('to pile 1')) {
    await press(page, 'space');
    await settled(page);
  }
});
