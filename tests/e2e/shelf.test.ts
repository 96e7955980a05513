import type { Page } from 'puppeteer-core';
import { openOwnDemo } from '../support/ownDemo';
import { type Bench, go, heading, press, says, scan, settled, text, watchTrouble } from '../support/e2e';

let bench: Bench;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ bench, close } = await openOwnDemo('plucky_shelf_test'));
});
afterEach(() => bench.leave());
afterAll(() => close());

const tagsIn = (page: Page, place: string) =>
  page.$$eval(place, (rows) => rows.map(({ textContent }) => /P-\d+/.exec(textContent ?? '')?.[0] ?? ''));
const rows = '[role=row][aria-rowindex]';
/** Tags of the parts that wait at Grade; those that are looked at again are not among them. */
async function waitingAtGrade(page: Page): Promise<readonly string[]> {
  await go(page, bench.url, '/grade');
  return tagsIn(page, 'main nav > ul button');
}
const address = (page: Page) => page.evaluate(() => location.pathname + location.search);

test('put away by scanning: the part, then the bin; a label that is no bin, and a bin that is none, are said', async () => {
  const page = await bench.signIn('Oskar V.');
  const troubles = watchTrouble(page);
  await go(page, bench.url, '/shelf');
  const waiting = await tagsIn(page, 'main li');
  expect(waiting.length).toBeGreaterThan(1);
  const tag = waiting.at(-1) as string;
  await scan(page, tag);
  await page.waitForFunction(
    (wanted) =>
      /Into [A-D]\d\d/.test(
        [...document.querySelectorAll('main li')].find((row) => row.textContent?.includes(wanted))?.textContent ?? '',
      ),
    {},
    tag,
  );
  await scan(page, 'GLOVES7');
  await says(page, 'is no label of a bin');
  await scan(page, 'BIN-Z01');
  await says(page, 'There is no bin of that name in use');
  expect(await tagsIn(page, 'main li')).toEqual(waiting);
  await scan(page, 'BIN-D05');
  await page.waitForFunction((wanted) => !document.querySelector('main')?.textContent?.includes(wanted), {}, tag);
  await settled(page);
  // The bin’s label shows what lies in it, from any screen.
  await go(page, bench.url, '/grade');
  await scan(page, 'BIN-D05');
  await page.waitForFunction(() => location.search === '?bin=D05');
  await says(page, 'One part like this');
  expect(await tagsIn(page, rows)).toEqual([tag]);
  expect(troubles).toEqual([]);
});

test('a view is sorted and narrowed, stands in its address, and comes back with it; its rows go out as CSV', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/shelf?show=shelf');
  await page.select('select[aria-label="Kind of part"]', 'battery');
  await page.waitForFunction(() => location.search.includes('kind=battery'));
  await page.$$eval('[role=columnheader] button', (all) =>
    (all.find(({ textContent }) => textContent?.startsWith('Grade')) as HTMLElement).click(),
  );
  await page.waitForFunction(() => location.search.includes('by=grade'));
  await settled(page);
  const grades = (all: Element[]) =>
    all.map((row) => /\b[A-D](?= ?[●○]|$)/.exec(row.querySelector('[role=cell]:nth-child(5)')?.textContent ?? '')?.[0]);
  const shown = await page.$$eval(rows, grades);
  expect(shown).toEqual([...shown].sort());
  const [before, tags] = [await address(page), await tagsIn(page, rows)];
  await page.reload({ waitUntil: 'load' });
  await settled(page);
  expect([await address(page), await tagsIn(page, rows)]).toEqual([before, tags]);
  const csv = await page.evaluate(
    async (query) => (await fetch(`/api/shelf/export?${query}`)).text(),
    before.split('?')[1] ?? '',
  );
  expect(
    csv
      .trim()
      .split('\n')
      .slice(1)
      .map((line) => line.split(',')[0]),
  ).toEqual(tags);
  // Words and the way back.
  await press(page, 's');
  await page.keyboard.type('nothing like it');
  await says(page, 'No part like this');
  await page.$$eval('main button', (all) =>
    (all.find(({ textContent }) => textContent === 'Show all') as HTMLElement).click(),
  );
  await says(page, /parts lie on the shelf/);
});

test('a part is kept for somebody, and let go again; a cell is topped up and is due much later', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/shelf?kind=battery');
  await press(page, 'End', 'Home', 'ArrowDown');
  await says(page, 'Its story');
  const tag = (await tagsIn(page, `${rows}[aria-selected=true]`))[0] as string;
  await press(page, 'v');
  await page.waitForSelector('dialog input');
  await page.focus('dialog input');
  await page.keyboard.type('Order 7');
  await press(page, 'Enter');
  await says(page, 'Kept for Order 7');
  await settled(page);
  await go(page, bench.url, `/shelf?show=reserved&q=${tag}`);
  expect(await tagsIn(page, rows)).toEqual([tag]);
  await press(page, 'ArrowDown');
  await says(page, 'Top up by');
  await press(page, 'o');
  await page.waitForSelector('dialog input');
  await page.keyboard.type('3.2');
  await says(page, 'no voltage to keep it at');
  await page.$eval('dialog input', (input) => (input as HTMLInputElement).select());
  await page.keyboard.type('3,82');
  await says(page, 'Right for keeping');
  await press(page, 'Enter');
  await says(page, 'Cell looked after');
  await press(page, 'v');
  await settled(page);
  await go(page, bench.url, `/t/${tag}`);
  await says(page, 'No longer reserved');
});

test('what is to be fetched is scanned off the list; it is not there for the next', async () => {
  const page = await bench.signIn('Oskar V.');
  await go(page, bench.url, '/shelf/fetch');
  const [tag = ''] = await tagsIn(page, 'main li');
  await says(page, /Next: bin/);
  await scan(page, 'P-99999');
  await says(page, /No unit or part|P-99999/);
  await go(page, bench.url, '/shelf/fetch');
  await scan(page, tag);
  await page.waitForFunction((wanted) => !document.querySelector('main')?.textContent?.includes(wanted), {}, tag);
  await settled(page);
  await press(page, 'u');
  await says(page, tag);
  await settled(page);
});

test('a bin is counted: what is missing and what lies elsewhere is found, put right, and found again', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/shelf?bin=A03');
  const lying = await tagsIn(page, rows);
  await go(page, bench.url, '/shelf?bin=A01');
  const [stranger = ''] = await tagsIn(page, rows);
  const [missing = '', ...seen] = lying;
  await go(page, bench.url, '/shelf/count');
  await scan(page, lying[0] as string);
  await says(page, 'Open a bin first');
  await scan(page, 'BIN-A03');
  for (const tag of [...seen, stranger, 'P-99999']) await scan(page, tag);
  await says(page, `Bin A03: ${seen.length + 2} seen`);
  await press(page, 'space');
  await says(page, `2 differences, ${seen.length} right`);
  await says(page, 'Unknown tags');
  await press(page, 'Enter');
  await page.waitForFunction(() => !/Missing/.test(document.querySelector('main')?.textContent ?? ''));
  await settled(page);
  await go(page, bench.url, '/shelf?show=lost');
  expect(await tagsIn(page, rows)).toEqual([missing]);
  await press(page, 'ArrowDown', 'b');
  await page.waitForSelector('dialog input');
  await page.keyboard.type('A03');
  await press(page, 'Enter');
  await says(page, 'A03');
  await settled(page);
  await go(page, bench.url, `/t/${stranger}`);
  await says(page, /bin A03/i);
});

test('a supply is counted with its reason, more comes, and the line says when to order', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/shelf/supplies');
  await says(page, 'order now');
  const name = await page.$eval('main li', ({ textContent }) => textContent ?? '');
  await press(page, 'i');
  await page.waitForSelector('dialog input');
  await page.keyboard.type('40');
  await press(page, 'Enter');
  await page.waitForFunction(
    (first) => document.querySelector('main li')?.textContent !== first && document.querySelector('dialog') === null,
    { timeout: 25_000 },
    name,
  );
  await page.$$eval('main li', (all) =>
    (all.find(({ textContent }) => textContent?.includes('Speaker tape')) as HTMLElement).click(),
  );
  await says(page, '40 came');
  await press(page, 'c');
  await page.waitForSelector('dialog input');
  await page.keyboard.type('12');
  await says(page, 'less than there should be');
  expect(await page.$eval('dialog button[type=submit]', (button) => (button as HTMLButtonElement).disabled)).toBe(true);
  await press(page, 'Tab');
  await page.keyboard.type('some dried out');
  await press(page, 'Enter');
  await says(page, '12 counted');
});

test('what nobody can use again is handed over by its way out, and is off the list', async () => {
  const page = await bench.signIn('Oskar V.');
  await go(page, bench.url, '/shelf/leaving');
  const before = Number(/^\d+/.exec(await heading(page))?.[0]);
  await says(page, 'Local rules first');
  await press(page, '1');
  await page.waitForSelector('dialog input');
  await page.keyboard.type('Harbour Recycling');
  await press(page, 'Enter');
  await page.waitForFunction(
    (count) => !document.querySelector('h1')?.textContent?.startsWith(String(count)),
    {},
    before,
  );
  await settled(page);
  await page.reload({ waitUntil: 'load' });
  await settled(page);
  expect(Number(/^\d+/.exec(await heading(page))?.[0])).toBeLessThan(before);
  expect(await text(page)).not.toContain('Fire-safe place');
});

test('bought parts are booked in with price and warranty, wait at Grade, and tell where they came from', async () => {
  const page = await bench.signIn('Oskar V.');
  const troubles = watchTrouble(page);
  const before = await waitingAtGrade(page);
  await go(page, bench.url, '/shelf/stock');
  await press(page, 'b');
  await page.waitForSelector('select[name=part] option');
  await page.select('select[name=part]', 'oddkin-lantern-5/display');
  await page.type('input[name=count]', '00');
  await page.type('input[name=price]', 'much');
  await press(page, 'Enter');
  await says(page, 'an amount like');
  const fill = (name: string, value: string) =>
    page.$eval(
      `input[name=${name}]`,
      (field, given) => {
        (field as HTMLInputElement).value = given;
      },
      value,
    );
  await fill('price', '41,50');
  await press(page, 'Enter');
  await says(page, 'from 1 to 40');
  await fill('count', '2');
  await press(page, 'Enter');
  await says(page, 'from whom');
  await fill('supplier', 'Quayside Parts');
  await fill('warranty', '2027-11-29');
  await press(page, 'Enter');
  await says(page, '2 parts are booked in');
  const [bought = '', other] = (await waitingAtGrade(page)).filter((tag) => !before.includes(tag));
  expect(other).toBeDefined();
  await go(page, bench.url, `/t/${bought}`);
  await says(page, 'warranty until');
  expect(await text(page)).toContain('41.50');
  await go(page, bench.url, `/grade?part=${bought}`);
  await says(page, 'bought new from Quayside Parts');
  expect(troubles).toEqual([]);
});

test('a lead notes where a class can be bought, and ends it; others see it and cannot', async () => {
  const page = await bench.signIn('Sunniva T.');
  const troubles = watchTrouble(page);
  await go(page, bench.url, '/shelf/stock');
  await press(page, 'q');
  await page.waitForSelector('input[name=supplier]');
  await page.type('input[name=supplier]', 'Quayside Parts');
  await press(page, 'Enter');
  await says(page, 'an amount like');
  await page.type('input[name=price]', '18,40');
  await page.type('input[name=warranty]', '365');
  await press(page, 'Enter');
  await says(page, 'in 4 days, 365 days of warranty');
  expect(await text(page)).toContain('18.40');
  const other = await bench.signIn('Oskar V.');
  await go(other, bench.url, '/shelf/stock');
  await says(other, 'Quayside Parts');
  expect(await other.$('button[aria-label="The offer of Quayside Parts is over"]')).toBeNull();
  await page.click('button[aria-label="The offer of Quayside Parts is over"]');
  await says(page, 'offer is noted');
  expect(troubles).toEqual([]);
});
