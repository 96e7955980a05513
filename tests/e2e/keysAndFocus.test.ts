import type { Page } from 'puppeteer-core';
import { makeUnknown } from '../support/makeUnits';
import { Bench, go, heading, press, says, settled, text } from '../support/e2e';

let bench: Bench;
let page: Page;
beforeAll(async () => {
  bench = await Bench.open();
  page = await bench.signIn('Sunniva T.');
});
afterAll(() => bench.close());

const focused = () => page.evaluate(() => document.activeElement?.textContent ?? '');

/** As many readings as the chosen part has: the first choice, or none of what is counted. */
async function readAll(): Promise<void> {
  for (let reading = 0; reading < 12 && !(await text(page)).includes('Grade A, next'); reading += 1) {
    const counted = await page.$('main li input');
    await counted?.focus();
    await press(page, ...(counted ? ['0', 'Enter'] : ['1']));
  }
}

test('space does the one next thing after a click on a line of the list, too', async () => {
  await go(page, bench.url, '/grade');
  const parts = () =>
    page.$$eval('main nav > ul > li button', (all) => all.map(({ textContent }) => textContent?.trim() ?? ''));
  const before = await parts();
  const last = before.at(-1) ?? '';
  await page.click('main nav > ul > li:last-of-type button');
  await readAll();
  await page.click('main nav > ul > li:last-of-type button');
  expect(await focused()).toContain(last.slice(0, 7));
  await press(page, 'space');
  await settled(page);
  const after = await parts();
  expect(after).toHaveLength(before.length - 1);
  expect(after).not.toContain(last);
});

test('Enter presses what was tabbed to, and space still does the next thing', async () => {
  await go(page, bench.url, '/teardown');
  await page.focus('header form input');
  // Past the camera.
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  expect(await focused()).toContain('Sunniva T.');
  await press(page, 'Enter');
  await page.waitForSelector('dialog[open]');
  await press(page, 'Escape');
  await page.waitForFunction(() => !document.querySelector('dialog[open]'));
  await press(page, 'space');
  await page.waitForFunction(() => location.pathname.startsWith('/bench/'));
});

test.each(['/apart', '/labels', '/triage/score', '/bench'])(
  '%s: Escape closes the list of keys and nothing else',
  async (path) => {
    await go(page, bench.url, path === '/bench' ? '/teardown' : path);
    if (path === '/bench') {
      await press(page, 'space');
      await page.waitForFunction(() => location.pathname.startsWith('/bench/'));
      await settled(page);
    }
    const [at, says] = [page.url(), await heading(page)];
    await press(page, '?');
    await page.waitForSelector('dialog[open]');
    await press(page, 'Escape');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await settled(page);
    expect([page.url(), await heading(page)]).toEqual([at, says]);
    await press(page, 'Escape');
    await page.waitForFunction((was) => location.href !== was, {}, at);
  },
);

test('no letter, no digit and not the pedal decides about a unit that nobody has identified', async () => {
  const { tag } = await makeUnknown(page);
  await go(page, bench.url, `/triage?unit=${tag}`);
  await says(page, 'The model is unknown');
  for (const key of [...'abcdefghlmnopqrstvwxy0123456789']) {
    await press(page, key);
    if (await page.$('dialog[open]')) await press(page, 'Escape');
  }
  await settled(page);
  expect(new URL(page.url()).pathname).toBe('/triage');
  await says(page, new RegExp(`Identify it, ${tag.replace('-', '.')}`));
  await press(page, 'space');
  await page.waitForSelector('dialog[open]');
  await says(page, 'Which model');
});

test('the main action is in view, however much is said above it', async () => {
  const page = await bench.signIn('Sunniva T.');
  await page.setViewport({ width: 1280, height: 800 });
  for (const [path, keys] of [
    ['/triage', ['e']],
    ['/match', []],
  ] as const) {
    await go(page, bench.url, path);
    await press(page, ...keys);
    await settled(page);
    const [top = 0, bottom = 0] = await page.$eval('[data-main] [aria-keyshortcuts="Space"]', (button) => {
      const box = button.getBoundingClientRect();
      return [box.top, box.bottom];
    });
    expect([path, top > 0 && bottom <= 800]).toEqual([path, true]);
  }
});

test('to somebody who only looks nothing is shown that records: whatever is pressed, no fact is sent and nothing is refused', async () => {
  const viewer = await bench.signIn('Tova B.');
  const sent: string[] = [];
  viewer.on('request', (request) => {
    if (request.method() !== 'GET') sent.push(`${request.method()} ${new URL(request.url()).pathname}`);
  });
  await go(viewer, bench.url, '/teardown');
  const tag = await viewer.$eval('main li', ({ textContent }) => /U-\d+/.exec(textContent ?? '')?.[0] ?? '');
  const places = ['/dock', '/triage', '/grade', '/shelf', '/match', '/prove', '/send', '/apart', `/bench/${tag}`];
  for (const path of places) {
    await go(viewer, bench.url, path);
    const keys = await viewer.$$eval('button[aria-keyshortcuts]', (buttons) =>
      buttons.map((button) => button.getAttribute('aria-keyshortcuts') ?? ''),
    );
    for (const key of keys.filter((name) => /^([a-z0-9]|Space)$/.test(name))) {
      await go(viewer, bench.url, path);
      await press(viewer, key === 'Space' ? 'space' : key);
      await settled(viewer);
    }
    expect([path, await text(viewer)]).not.toEqual([path, expect.stringContaining('Not done')]);
  }
  // Who has a unit in hand at triage is no fact; it is not asked of somebody who only looks either.
  expect(sent.filter((request) => request !== 'POST /api/live')).toEqual([]);
});

test('a key that is pressed before what it does is there is kept, and pressed then', async () => {
  const early = await (await bench.browser.createBrowserContext()).newPage();
  await early.setCookie(...(await page.cookies(bench.url)));
  await early.setRequestInterception(true);
  const held: (() => void)[] = [];
  let isHolding = true;
  early.on('request', (request) => {
    const go = () => void request.continue().catch(() => undefined);
    // What a script asks for comes late; what the page itself names does not.
    if (isHolding && request.resourceType() === 'script' && request.initiator()?.type === 'script') held.push(go);
    else go();
  });
  await early.goto(`${bench.url}/teardown`, { waitUntil: 'domcontentloaded' });
  const keys = () => early.evaluate(() => document.documentElement.dataset.keys);
  // One after the other, until the page listens and something is still on its way.
  for (let tries = 0; tries < 200 && (await keys()) === undefined; tries += 1) {
    held.shift()?.();
    await new Promise((done) => setTimeout(done, 60));
  }
  expect([await keys(), held.length > 0]).toEqual(['kept', true]);
  await early.keyboard.press('.');
  await new Promise((done) => setTimeout(done, 300));
  expect(await early.$('dialog[open]')).toBeNull();
  isHolding = false;
  for (const go of held) go();
  await early.waitForSelector('dialog[open]');
  expect(await early.$eval('dialog[open]', ({ textContent }) => textContent)).toContain('Go to');
  await early.browserContext().close();
});
