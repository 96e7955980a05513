import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { Bench, go, press, says, settled, text, valueOf, write } from '../support/e2e';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterEach(() => bench.leave());
afterAll(() => bench.close());

const version = async (page: Page) => Number(/Version (\d+), since/.exec(await text(page))?.[1]);

test('a lead changes a rule: what would change is said first, then it is saved, and it can be taken back', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/');
  await page.click('button[aria-haspopup=dialog]');
  await page.waitForSelector('dialog a[href="/rules"]');
  await page.evaluate(() => document.querySelector<HTMLElement>('a[href="/rules"]')?.click());
  await says(page, 'A minute of work');
  const before = await version(page);
  const labour = await valueOf(page, 'A minute of work');
  await write(page, 'A minute of work', '9,50');
  await says(page, /1 change.*A minute of work: €0\.\d\d → €9\.50/);
  await says(page, /proposals? changes?; the units at Triage are worth €[\d,.]+ less/);
  expect(await version(page)).toBe(before);
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await press(page, 'space');
  await page.waitForFunction((was) => document.body.innerText.includes(`Version ${was + 1}, since`), {}, before);
  await says(page, 'Nothing is changed yet');
  expect(await valueOf(page, 'A minute of work')).toBe('9.50');

  // Triage reckons with it now.
  await go(page, bench.url, '/rules');
  await page.click(`button[aria-label="Take again: version ${before}"]`);
  await says(page, /A minute of work: €9\.50 → €0\.\d\d/);
  await says(page, /worth €[\d,.]+ more/);
  await press(page, 'space');
  await page.waitForFunction((was) => document.body.innerText.includes(`Version ${was + 2}, since`), {}, before);
  expect(await valueOf(page, 'A minute of work')).toBe(labour);
});

test('what cannot be read stays in its field and changes nothing; what contradicts itself is not saved', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/rules');
  await write(page, 'Cups of the tray', 'many');
  await says(page, 'Enter a number');
  expect(await text(page)).toContain('Nothing is changed yet');
  expect(await valueOf(page, 'Cups of the tray')).toBe('many');
  await write(page, 'OK parts graded A', '90');
  await says(page, /rejected at “gradeMix”/);
  const save = await page.$('[aria-keyshortcuts="Space"]');
  expect(await save?.evaluate((button) => (button as HTMLButtonElement).disabled)).toBe(true);
});

test('a stricter limit: which parts on the shelf would fall is said, and what was graded stays', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/rules/grading');
  await write(page, 'Capacity against rated, grade B', '96');
  await says(page, 'A must be the strictest');
  await write(page, 'Capacity against rated, grade A', '99');
  await page.waitForFunction(() => !document.body.innerText.includes('A must be the strictest'));
  await says(page, /parts? on the shelf changes? (its|their) grades?; the shelf is worth €[\d,.]+ less/);
  await says(page, 'A part keeps the grade it was given');
});

test('how we work is chosen with one press, and the choice stands in what would change', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/rules');
  const choose = (rule: string, choice: string) =>
    page.$$eval(
      `[role=group][aria-label="${rule}"] button`,
      (buttons, name) => buttons.find(({ textContent }) => textContent === name)?.click(),
      choice,
    );
  await choose('Gluing down', 'liquid glue');
  await says(page, 'Gluing down: as the model says → liquid glue');
  await choose('How far to tear down', 'everything of value');
  await says(page, /2 changes/);
  expect(await page.$$eval('nav a[href="#rules-schools"] b', ([count]) => count?.textContent)).toBe('2 changes');
});

test('a document goes out and comes in; one that is none changes nothing', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/rules');
  const document = (await page.evaluate(async () => (await fetch('/api/rules')).json())) as object;
  expect(document).toMatchObject({ format: 'plucky-parcel/house-rules@1', trayCups: 24 });
  const input = (await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>;
  const give = async (content: string) => {
    const file = join(tmpdir(), `plucky-rules-${process.pid}.json`);
    writeFileSync(file, content);
    await input.uploadFile(file);
  };
  await give('{"format":');
  await says(page, 'house rules were rejected');
  await give(JSON.stringify({ ...document, trayCups: -4 }));
  await says(page, /rejected at “trayCups”/);
  expect(await text(page)).toContain('Nothing is changed yet');
  await give(JSON.stringify({ ...document, trayCups: 31 }));
  await says(page, /Cups of the tray: 24 → 31/);
  expect(await valueOf(page, 'Cups of the tray')).toBe('31');
});

test('two leads at once: the second is told, and keeps what was entered', async () => {
  const [first, second] = [await bench.signIn('Sunniva T.'), await bench.signIn('Mirel A.')];
  for (const page of [first, second]) await go(page, bench.url, '/rules');
  await write(second, 'Room temperature', '19');
  await says(second, 'Room temperature: 22 °C → 19 °C');
  await write(first, 'Room temperature', '24');
  await says(first, 'Room temperature: 22 °C → 24 °C');
  const save = async (page: Page) => {
    await page.waitForSelector('[aria-keyshortcuts="Space"]:not([disabled])');
    await page.click('[aria-keyshortcuts="Space"]');
  };
  await save(first);
  await says(first, 'Nothing is changed yet');
  await save(second);
  await says(second, /changed to version \d+ in the meantime/);
  expect(await valueOf(second, 'Room temperature')).toBe('19');
});

test('nobody but a lead gets there, by the screen or by the door behind it', async () => {
  const page = await bench.signIn('Imke R.');
  await page.goto(`${bench.url}/rules`, { waitUntil: 'load' });
  await settled(page);
  expect(new URL(page.url()).pathname).toBe('/');
  const statuses = await page.evaluate(async () => {
    const headers = { 'content-type': 'application/json' };
    const ask = async (path: string, method: string) =>
      (await fetch(path, { method, headers, ...(method !== 'GET' && { body: '{}' }) })).status;
    return [await ask('/api/rules', 'GET'), await ask('/api/rules', 'PUT'), await ask('/api/rules/preview', 'POST')];
  });
  expect(statuses).toEqual([403, 403, 403]);
});
