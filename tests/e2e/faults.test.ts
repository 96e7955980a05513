import { writeFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { Bench, go, pause, press, says, settled } from '../support/e2e';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const waiting = (page: Page) => page.$eval('[data-waiting]', (element) => Number(element.getAttribute('data-waiting')));

test('the server goes away: facts outlive even a closed page', async () => {
  const page = await bench.signIn('Oskar V.');
  await go(page, bench.url, '/dock');
  await page.setOfflineMode(true);
  await press(page, 'x');
  await says(page, /1 fact to send.*The server does not answer/, 15_000);
  expect(await waiting(page)).toBe(1);
  await page.setOfflineMode(false);
  await page.goto(`${bench.url}/dock`, { waitUntil: 'load' });
  await page.waitForFunction(() => document.querySelector('[data-waiting="0"]') !== null, { timeout: 15_000 });
  await settled(page);
});

test('signed out meanwhile: said, kept, and sent after signing in again', async () => {
  const page = await bench.signIn('Petra L.');
  await go(page, bench.url, '/dock');
  const cookies = await page.cookies();
  await page.deleteCookie(...cookies);
  await press(page, 'x');
  await says(page, /1 fact to send.*You are signed out/, 10_000);
  await page.setCookie(...cookies);
  await page.waitForFunction(() => document.querySelector('[data-waiting="0"]') !== null, { timeout: 15_000 });
});

describe('a manifest that is not right', () => {
  let page: Page;
  beforeAll(async () => {
    page = await bench.signIn('Imke R.');
  });
  const folder = mkdtempSync(join(tmpdir(), 'plucky-csv-'));
  const file = (name: string, content: string | Buffer) => {
    const path = join(folder, name);
    writeFileSync(path, content);
    return path;
  };

  test.each<[string, string | Buffer, RegExp]>([
    ['no.csv', '', /the file has no rows/],
    ['columns.csv', 'serial,colour\n1,red', /no column for maker and model among serial and colour/],
    ['picture.csv', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1]), /cannot be read as a table \(it is not text/],
    ['quote.csv', 'maker,model\n"Oddkin,Lantern', /a quotation mark is opened and not closed/],
    [
      'semicolons.csv',
      Buffer.from('maker;model;note\nOddkin;Lantern 5;F\xe4hre', 'latin1'),
      /1 good row, no problem.*Windows-1252, separated by semicolons/,
    ],
    [
      'doubles.csv',
      'maker,model,serial\nOddkin,Lantern 5,Z1\nOddkin,Lantern 5,Z1',
      /1 good row, 1 with a problem.*Line 3: Serial Z1 is also on line 2 of the file/,
    ],
    [
      'large.csv',
      `maker,model,serial\n${Array.from({ length: 10_000 }, (_, at) => `Oddkin,Lantern 5,M${at}`).join('\n')}`,
      /10,000 good rows, no problem/,
    ],
  ])('%s', async (name, content, words) => {
    await go(page, bench.url, '/dock');
    await press(page, 'i');
    const input = (await page.waitForSelector('dialog input[type=file]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(file(name, content));
    await says(page, words, 15_000);
    await press(page, 'Escape');
  });
});

describe('requests that no page of ours would make', () => {
  const post = (page: Page, path: string, body: unknown, headers: Record<string, string> = {}) =>
    page.evaluate(
      async (to, text, extra) => {
        const response = await fetch(to, {
          method: 'POST',
          headers: { 'content-type': 'application/json', ...extra },
          body: text,
        });
        return { status: response.status, text: await response.text() };
      },
      path,
      typeof body === 'string' ? body : JSON.stringify(body),
      headers,
    );

  test('are refused with a reason, and none is a fault of the server', async () => {
    const page = await bench.signIn('Imke R.');
    for (const body of ['', 'null', '[]', '{"facts":{}}', { facts: Array.from({ length: 101 }, () => ({})) }]) {
      expect(await post(page, '/api/facts', body)).toMatchObject({ status: 400 });
    }
    const wrong = await post(page, '/api/facts', {
      facts: [
        null,
        7,
        {},
        { id: 'x' },
        {
          id: crypto.randomUUID(),
          type: 'lines-expected',
          subjectId: crypto.randomUUID(),
          expects: 1,
          at: new Date().toISOString(),
          payload: {},
        },
      ],
    });
    expect(wrong.status).toBe(200);
    expect(wrong.text.match(/"bad-input"/g)).toHaveLength(5);
    expect(await post(page, '/api/models/import', '{}')).toMatchObject({ status: 403 });
  });

  test('a viewer reads and does not write; nobody reads without signing in', async () => {
    const page = await bench.signIn('Tova B.');
    expect(await post(page, '/api/facts', { facts: [] })).toMatchObject({ status: 403 });
    for (const path of ['/api/live', '/api/facts/export', '/api/labels/U-0701.svg', '/api/models/oddkin-lantern-5']) {
      expect((await fetch(`${bench.url}${path}`)).status).toBe(401);
    }
    const response = await fetch(`${bench.url}/yield`, { redirect: 'manual' });
    expect([response.status, response.headers.get('location')]).toEqual([307, '/sign-in']);
    const foreign = await fetch(`${bench.url}/api/facts`, {
      method: 'POST',
      headers: { 'sec-fetch-site': 'cross-site' },
      body: '{}',
    });
    expect(foreign.status).toBe(403);
  });

  test('wrong PINs slow this place down, then lock it, and the screen says for how long', async () => {
    const page = await (await bench.browser.createBrowserContext()).newPage();
    await page.goto(`${bench.url}/sign-in`, { waitUntil: 'load' });
    await page.waitForSelector('main[data-ready]');
    const names = await page.$$eval('main button[aria-pressed]', (all) =>
      all.map(({ textContent }) => textContent ?? ''),
    );
    await press(page, String(names.findIndex((name) => name.includes('Joris')) + 1));
    await page.waitForSelector('input[type=password]:not([disabled])');
    const type = async (words: RegExp) => {
      await page.focus('input[type=password]');
      await page.keyboard.type('0000');
      await press(page, 'Enter');
      await says(page, words);
    };
    for (const [seconds, words] of [
      [0, /4 tries left/],
      [0, /3 tries/],
      [2, /2 tries/],
      [5, /1 try left/],
      [10, /Too many wrong PINs\. Wait 5 min/],
    ] as const) {
      if (seconds > 2) await type(/there is a short pause\. Try again in \d+ s/);
      await pause(seconds * 1000 + 300);
      await type(words);
    }
  });
});
