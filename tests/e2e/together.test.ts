import type { Page } from 'puppeteer-core';
import { Bench, go, heading, pause, press, says, scan, settled } from '../support/e2e';
import { readCode } from '../support/readCode';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const stage = (page: Page, name: string) =>
  page.$eval(`nav[aria-label="The line"] a[data-stage="${name}"] span`, ({ textContent }) => Number(textContent));

test('what one bench does shows on another screen by itself, without reloading', async () => {
  const [imke, oskar] = [await bench.signIn('Imke R.', undefined, 'bench-1'), await bench.signIn('Oskar V.')];
  await go(oskar, bench.url, '/');
  await go(imke, bench.url, '/dock');
  const before = await stage(oskar, 'triage');
  const isSame = await oskar.evaluate(() => ((window as { marker?: string }).marker = 'not reloaded'));
  await press(imke, 'x');
  await oskar.waitForFunction(
    (count) => Number(document.querySelector('a[data-stage="triage"] span')?.textContent) === count,
    { polling: 50 },
    before + 1,
  );
  expect(await oskar.evaluate(() => (window as { marker?: string }).marker)).toBe(isSame);
  await press(imke, 'u');
  await oskar.waitForFunction(
    (count) => Number(document.querySelector('a[data-stage="triage"] span')?.textContent) === count,
    { polling: 50 },
    before,
  );
});

test('a bench is read again when its own unit changes, and not for what others do elsewhere', async () => {
  const [imke, oskar] = [await bench.signIn('Imke R.', undefined, 'bench-1'), await bench.signIn('Oskar V.')];
  await go(imke, bench.url, '/teardown');
  await press(imke, 'space');
  await imke.waitForFunction(() => location.pathname.startsWith('/bench/'));
  await settled(imke);
  const path = await imke.evaluate(() => location.pathname);
  let reads = 0;
  imke.on('request', (request) => {
    if (new URL(request.url()).pathname === path && request.headers().rsc === '1') reads += 1;
  });
  await go(oskar, bench.url, '/dock');
  await press(oskar, 'x');
  await settled(oskar);
  await pause(2500);
  expect(reads).toBe(0);
  // What was not read again is, as soon as the screen is another one: the line counts the new unit.
  const waiting = await stage(oskar, 'triage');
  await imke.goBack();
  await imke.waitForFunction(() => location.pathname === '/teardown');
  await imke.waitForFunction(
    (count) => Number(document.querySelector('a[data-stage="triage"] span')?.textContent) === count,
    {},
    waiting,
  );
  await imke.goForward();
  await imke.waitForFunction((shown) => location.pathname === shown, {}, path);
  await settled(imke);
  reads = 0;

  // A note on the very unit, said by the other one.
  const status = await oskar.evaluate(async (shown) => {
    const page = await (await fetch(shown, { headers: { rsc: '1' } })).text();
    const tag = shown.slice('/bench/'.length);
    const [, subjectId] = new RegExp(`"id":"([^"]+)","tag":"${tag}"`).exec(page) ?? [];
    const [, version] = /"version":(\d+),"lastFactId"/.exec(page.slice(page.indexOf(`"tag":"${tag}"`))) ?? [];
    const note = {
      id: crypto.randomUUID(),
      type: 'note-written',
      subjectId,
      expects: Number(version),
      at: new Date().toISOString(),
      payload: { stepId: null, text: 'seen by both' },
    };
    const answer = await fetch('/api/facts', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ facts: [note] }),
    });
    return `${answer.status} ${await answer.text()}`;
  }, path);
  expect(status).toMatch(/^200 .*"ok":true/);
  for (let tries = 0; tries < 40 && reads === 0; tries += 1) await pause(150);
  expect(reads).toBeGreaterThan(0);
  await press(oskar, 'u');
  await settled(oskar);
});

test('two people on one unit, one with a stale page: told who was quicker, and shown how it is now', async () => {
  const [imke, oskar] = [await bench.signIn('Imke R.', undefined, 'bench-1'), await bench.signIn('Oskar V.')];
  await go(imke, bench.url, '/prove');
  // Oskar's page hears no news, so it still shows what Imke is about to change.
  await oskar.setRequestInterception(true);
  oskar.on('request', (request) => void (request.url().endsWith('/api/live') ? request.abort() : request.continue()));
  await oskar.goto(`${bench.url}/prove`, { waitUntil: 'load' });
  const noted = (page: Page) =>
    page.$eval('button[aria-keyshortcuts="1"] svg', (symbol) => symbol.getAttribute('aria-label') ?? '');
  const before = await noted(oskar);
  await press(imke, '2');
  await settled(imke);
  await press(oskar, '1');
  await says(oskar, 'was changed by Imke R. (bench-1) in the meantime');
  await settled(oskar);
  expect(await noted(oskar)).toBe(before);

  // Kept until it is settled, over a reload too; said again, it is taken as things stand now.
  await says(oskar, '1 fact from this bench rejected');
  await oskar.reload();
  await settled(oskar);
  await press(oskar, 'F2');
  await says(oskar, 'One fact was rejected');
  await press(oskar, 'space');
  await oskar.waitForFunction(() => !document.body.innerText.includes('rejected'));
  await oskar.waitForFunction(
    (was) => document.querySelector('button[aria-keyshortcuts="1"] svg')?.getAttribute('aria-label') !== was,
    {},
    before,
  );
});

test('a tag scanned on any screen opens its thing; one that nobody gave out is said to be unknown', async () => {
  const page = await bench.signIn('Imke R.');
  for (const path of ['/', '/triage', '/yield', '/shelf']) {
    await go(page, bench.url, path);
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await scan(page, 'U-0701');
    await page.waitForFunction(() => location.pathname === '/t/U-0701');
    await says(page, 'U-0701 is');
  }
  await scan(page, 'P-20401');
  await page.waitForFunction(() => location.pathname === '/t/P-20401');
  await scan(page, 'U-9999');
  await says(page, 'There is no U-9999 in this shop');
  // The same by hand, in the box.
  await press(page, '/');
  await page.keyboard.type('u701', { delay: 60 });
  await press(page, 'Enter');
  await page.waitForFunction(() => location.pathname === '/t/U-0701');
});

test('the label of a unit, as the browser draws it, is read by a scanner as its tag', async () => {
  const page = await bench.signIn('Imke R.');
  await page.goto(`${bench.url}/api/labels/U-0750.svg`);
  expect(await readCode(await page.screenshot())).toEqual(['U-0750']);
});

test('scanning at the bench presses none of its keys', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/teardown');
  await press(page, 'space');
  await page.waitForFunction(() => location.pathname.startsWith('/bench/'));
  await settled(page);
  const tag = (await page.evaluate(() => location.pathname)).slice(7);
  await scan(page, tag);
  await page.waitForFunction((path) => location.pathname === path, {}, `/t/${tag}`);
  await settled(page);
  expect(await page.$eval('[data-waiting]', (element) => element.getAttribute('data-waiting'))).toBe('0');
  expect(await heading(page)).toContain(tag);
});

test('a double click and a held key are one fact', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/dock');
  const before = await stage(page, 'triage');
  const button = await page.$('button[aria-keyshortcuts="x"]');
  await button?.click({ count: 2, delay: 10 });
  // Two clicks on “tag one” are two units by right; a held key is one.
  const after = before + 2;
  await stageIs(page, after);
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.down('x');
  await page.keyboard.down('x');
  await page.keyboard.down('x');
  await page.keyboard.up('x');
  await stageIs(page, after + 1);
  // And no more comes behind.
  await pause(700);
  expect(await stage(page, 'triage')).toBe(after + 1);
  // One after the other, each seen before the next.
  for (let left = after; left >= before; left -= 1) {
    await press(page, 'u');
    await stageIs(page, left);
  }

  async function stageIs(shown: Page, count: number): Promise<void> {
    for (let tries = 0; tries < 200 && (await stage(shown, 'triage')) !== count; tries += 1) await pause(150);
    expect(await stage(shown, 'triage')).toBe(count);
  }
});
