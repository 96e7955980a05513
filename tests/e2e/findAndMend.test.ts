import type { Page } from 'puppeteer-core';
import { Bench, go, heading, press, says, scan, settled, text, watchTrouble } from '../support/e2e';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterEach(() => bench.leave());
afterAll(() => bench.close());

const at = (page: Page, path: string) =>
  page.waitForFunction((wanted) => location.pathname + location.search === wanted, { timeout: 25_000 }, path);
/** The first tag that some text of the page shows. */
const firstTag = async (page: Page, letter: 'U' | 'P', place = 'main') =>
  page.$eval(place, ({ textContent }, kind) => new RegExp(`${kind}-\\d+`).exec(textContent ?? '')?.[0] ?? '', letter);
async function write(page: Page, selector: string, value: string): Promise<void> {
  await page.$eval(selector, (input) => (input as HTMLInputElement).select());
  await page.type(selector, value);
}

test('one key and one more go anywhere; Tab’s first stop skips the line', async () => {
  const page = await bench.signIn('Imke R.');
  const troubles = watchTrouble(page);
  await go(page, bench.url, '/');
  await press(page, '.', '5');
  await at(page, '/shelf');
  await settled(page);
  await press(page, '.', 'h');
  await at(page, '/history');
  await settled(page);
  await press(page, '.');
  await says(page, 'Signed in as Imke R.');
  // What only leads have is not offered.
  expect(await text(page)).not.toContain('House rules');
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
  await go(page, bench.url, '/history');
  await page.keyboard.press('Tab');
  expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('To the content');
  await page.keyboard.press('Enter');
  expect(await page.evaluate(() => document.activeElement?.id)).toBe('content');
  expect(troubles).toEqual([]);
});

test('what answers is shown while one types; arrows and Enter open it, Enter alone shows everything', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/');
  await press(page, '/');
  await page.keyboard.type('lantern disp');
  await says(page, /Parts: \d+/);
  await says(page, 'Steps:');
  await press(page, 'ArrowDown');
  const tag = await firstTag(page, 'P', '[aria-selected="true"]');
  await press(page, 'Enter');
  await at(page, `/t/${tag}`);
  await says(page, 'Lantern 5 display');
  await settled(page);

  await press(page, '/');
  await page.keyboard.type('northreach');
  await press(page, 'Enter');
  await at(page, '/find?q=northreach');
  await says(page, 'Ferry line, autumn lot');
  await settled(page);

  // Escape leaves the box empty and the screen as it is; a tag goes straight to its thing.
  await press(page, '/');
  await page.keyboard.type('imke');
  await says(page, 'what they did');
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('[role=listbox]') === null);
  await press(page, '/');
  await page.keyboard.type(tag.toLowerCase().replace('-', ''));
  await press(page, 'Enter');
  await at(page, `/t/${tag}`);
});

test('the history of one person on one day, each line with its way to the thing', async () => {
  const page = await bench.signIn('Tova B.');
  await go(page, bench.url, '/history');
  await says(page, 'What happened');
  const imke = await page.$$eval('select:first-of-type option', (options) =>
    options.find(({ textContent }) => textContent === 'Imke R.')?.getAttribute('value'),
  );
  await page.select('select', imke ?? '');
  await page.waitForFunction(() => location.search.startsWith('?person='));
  await settled(page);
  const people = await page.$$eval('li[data-fact] > span:last-child', (spans) =>
    spans.map(({ textContent }) => textContent?.split(',')[0]),
  );
  expect(people.length).toBeGreaterThan(5);
  expect(new Set(people)).toEqual(new Set(['Imke R.']));
  const first = await firstTag(page, 'U', 'ul');
  await page.click(`a[href="/t/${first}"]`);
  await at(page, `/t/${first}`);
});

test('a serial is typed by hand where it can be scanned, and no letter of it is a command', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/dock');
  await page.evaluate(() => document.querySelector<HTMLElement>('a[href*="/dock?parcel="]')?.click());
  await settled(page);
  await press(page, 's');
  await page.waitForSelector('dialog input');
  // Each of these letters is a key of the dock.
  await page.keyboard.type('nxiuemcgs', { delay: 60 });
  await press(page, 'Enter');
  await says(page, /NXIUEMCGS|nxiuemcgs/);
  expect(await page.$$eval('dialog', (all) => all.length)).toBe(1);
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
  // The first digit opens the field with itself in it.
  await press(page, '7');
  await page.waitForSelector('dialog input');
  expect(await page.$eval('dialog input', (input) => (input as HTMLInputElement).value)).toBe('7');
});

test('a parcel’s papers are corrected; one of which nothing was tagged is deleted, with its name free again', async () => {
  const page = await bench.signIn('Sunniva T.');
  const troubles = watchTrouble(page);
  await go(page, bench.url, '/dock');
  for (let round = 0; round < 2; round += 1) {
    await press(page, 'n');
    await page.waitForSelector('dialog input[name=code]');
    await page.keyboard.type('Mistyped lot');
    await press(page, 'Tab');
    await page.keyboard.type('Saltreach School Boat');
    await press(page, 'Tab');
    await page.keyboard.type('12 00');
    await press(page, 'Enter');
    await says(page, 'Mistyped lot: no list yet');
    await settled(page);
    await press(page, 'm');
    await page.waitForSelector('dialog input[name=price]');
    await write(page, 'dialog input[name=price]', '450,50');
    await press(page, 'Enter');
    await page.waitForFunction(() => document.querySelector('dialog') === null);
    await says(page, 'Paid €450.50');
    await settled(page);
    await press(page, 'm');
    await (await page.waitForSelector('xpath/.//dialog//button[contains(., "Delete this parcel")]'))?.click();
    await page.waitForFunction(() => !document.body.innerText.includes('Mistyped lot'), { timeout: 25_000 });
    await settled(page);
  }
  // What cannot be read is marked in its field, a name that is taken is told at once; what was typed stays.
  await press(page, 'n');
  await page.waitForSelector('dialog input[name=code]');
  await page.keyboard.type('Ferry line, autumn lot');
  await press(page, 'Tab');
  await page.keyboard.type('Saltreach School Boat');
  await press(page, 'Tab');
  await page.keyboard.type('much');
  await press(page, 'Enter');
  const marked = () =>
    page.$$eval('dialog [aria-invalid=true]', (all) => all.map((field) => field.getAttribute('name')));
  await page.waitForSelector('dialog [aria-invalid=true]');
  expect(await marked()).toEqual(['price']);
  await write(page, 'dialog input[name=price]', '1.450,50');
  await press(page, 'Enter');
  await page.waitForSelector('dialog input[name=code][aria-invalid=true]');
  expect(await marked()).toEqual(['code']);
  expect(await page.$eval('dialog input[name=price]', (field) => (field as HTMLInputElement).value)).toBe('1.450,50');
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
  // One with units in it says why not.
  await page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('a[href*="/dock?parcel="]')]
      .find(({ textContent }) => textContent?.includes('Ferry line, autumn lot'))
      ?.click(),
  );
  await settled(page);
  await press(page, 'm');
  await says(page, 'Units were tagged: it cannot be deleted');
  expect(troubles).toEqual([]);
});

test('a decision made by mistake is opened again at Triage, with the unit in hand; undone, it is as it was', async () => {
  const page = await bench.signIn('Mirel A.');
  await go(page, bench.url, '/teardown');
  const tag = await page.$$eval('main li', (rows) => {
    // One of which something came out stays where it is: others that share this demo may have begun some.
    const untouched = rows.findLast(({ textContent }) => /(?<!\d)0 of \d+ steps/.test(textContent ?? ''));
    return /U-\d+/.exec(untouched?.textContent ?? '')?.[0] ?? '';
  });
  await scan(page, tag);
  await at(page, `/t/${tag}`);
  await settled(page);
  await press(page, 'b');
  await page.waitForSelector('dialog input');
  await page.keyboard.type('Wrong box');
  await press(page, 'Enter');
  await page.waitForFunction((wanted) => location.search === `?unit=${wanted}`, { timeout: 25_000 }, tag);
  // It comes to hand as soon as the server has it there.
  await page.waitForFunction(
    (wanted) => document.querySelector('nav [aria-pressed="true"]')?.textContent?.includes(wanted),
    { timeout: 15_000 },
    tag,
  );
  await settled(page);
  await press(page, 'u');
  await settled(page);
  await go(page, bench.url, `/t/${tag}`);
  await says(page, 'is at Teardown');
  await says(page, 'Back to Triage: Wrong box');
});

test('a part on the shelf is graded again where it lies: one reading mended, the others kept', async () => {
  const page = await bench.signIn('Petra L.');
  await go(page, bench.url, '/find?q=battery%20A');
  const tag = await firstTag(page, 'P');
  await go(page, bench.url, `/t/${tag}`);
  const before = (await text(page)).match(/Graded/g)?.length ?? 0;
  await press(page, 'g');
  await at(page, `/grade?part=${tag}`);
  await settled(page);
  expect(await heading(page)).toMatch(/A, limited by|: A/);
  // Back to the first attribute of a battery, its shape: bent is scrap.
  const toShape = Array.from({ length: 6 }, () => 'Backspace');
  await press(page, ...toShape, '2');
  await says(page, /scrap/i);
  await press(page, '.', '5');
  await at(page, '/shelf');
  await settled(page);
  // Left in the middle: it is still half mended. Mended back, nothing is lost.
  await page.goBack();
  await at(page, `/grade?part=${tag}`);
  await says(page, /scrap/i);
  await press(page, ...toShape, '1');
  await settled(page);
  await press(page, 'space');
  await settled(page);
  await go(page, bench.url, `/t/${tag}`);
  await says(page, /bin [A-D]\d\d/i);
  expect((await text(page)).match(/Graded/g)?.length).toBe(before + 1);
});

test('what cannot be undone says what stands on it, with the way there', async () => {
  const [first, second] = [await bench.signIn('Oskar V.'), await bench.signIn('Imke R.')];
  await go(first, bench.url, '/prove');
  const tag = await firstTag(first, 'U', 'nav [aria-pressed="true"]');
  await press(first, '1');
  await settled(first);
  await go(second, bench.url, `/prove?unit=${tag}`);
  await press(second, '2');
  await settled(second);
  // The news has come to the first one's screen.
  await first.waitForFunction(
    (wanted) => fetch(`/t/${wanted}`).then(async (answer) => (await answer.text()).includes('Imke R.')),
    {},
    tag,
  );
  await press(first, 'u');
  await says(first, `something newer stands on ${tag}`);
  await first.click(`[role=status] a[href="/t/${tag}"]`);
  await at(first, `/t/${tag}`);
  await settled(second);
  await press(second, 'u');
  await settled(second);
});

test('recorded under another’s sign-in: a lead says who it was, the line keeps both', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/history');
  const line = 'li[data-fact] button[aria-label^="Correct who did it: Imke R."]';
  await page.waitForSelector(line);
  await page.click(line);
  await says(page, 'The log keeps whose sign-in it was');
  await page.$$eval('dialog button', (buttons) =>
    buttons.find(({ textContent }) => textContent?.includes('Oskar V.'))?.click(),
  );
  await says(page, 'signed in as Imke R.');
  const technician = await bench.signIn('Imke R.');
  await go(technician, bench.url, '/history');
  expect(await text(technician)).toContain('signed in as Imke R.');
  expect(await technician.$('button[aria-label^="Correct who did it"]')).toBeNull();
});
