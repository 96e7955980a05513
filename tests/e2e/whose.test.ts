import type { Page } from 'puppeteer-core';
import { demoPeople } from '../../scripts/demo/people';
import { signInOn } from '../../scripts/support/browser';
import { Bench, go, pause, press, says, settled, text } from '../support/e2e';

/** One browser, several people after each other: what each did is booked on them, whenever it arrives. */
let bench: Bench;
let page: Page;
let lead: Page;
beforeAll(async () => {
  bench = await Bench.open();
  page = await bench.signIn('Oskar V.', undefined, 'bench-1');
  lead = await bench.signIn('Sunniva T.');
});
afterAll(() => bench.close());

const enter = (on: Page, name: string, at: string) =>
  signInOn(on, bench.url, name, demoPeople.find((person) => person.name === name)?.pin ?? '', at);
/** Away with the session, and nobody said so to the server: as when it ran out. */
const forget = async () => page.deleteCookie(...(await page.cookies()));

/** The newest line of the log. */
async function newest(): Promise<string> {
  await go(lead, bench.url, '/history');
  return lead.$eval('main li, main tbody tr', (row) => (row as HTMLElement).innerText.replace(/\s+/g, ' '));
}

test('a fact that waits is not booked on who signs in next; it goes under its own name and bench', async () => {
  await go(page, bench.url, '/dock');
  const before = await newest();
  await forget();
  await press(page, 'x');
  await says(page, /1 fact to send.*You are signed out/, 15_000);
  await enter(page, 'Imke R.', 'bench-3');
  await go(page, bench.url, '/dock');
  await says(page, /1 fact of Oskar V\. waits? in this browser/, 15_000);
  await settled(page);
  expect(await newest()).toBe(before);

  await forget();
  await enter(page, 'Oskar V.', 'bench-2');
  await go(page, bench.url, '/dock');
  await settled(page);
  expect(await text(page)).not.toContain('in this browser');
  const after = await newest();
  expect(after).not.toBe(before);
  expect(after).toContain('Oskar V.');
  const csv = await lead.evaluate(async () => (await fetch('/api/facts/export')).text());
  expect(csv.trim().split('\n').at(-1)).toContain('bench-1');
});

test('a page that is still open takes nothing under the name of who signed in beside it', async () => {
  await go(page, bench.url, '/dock');
  const before = await newest();
  const beside = await page.browserContext().newPage();
  await forget();
  await enter(beside, 'Imke R.', 'bench-3');
  await press(page, 'x');
  await says(page, /1 fact to send.*not done by who is signed in now/, 15_000);
  expect(await newest()).toBe(before);
  await beside.close();
  await forget();
  await enter(page, 'Oskar V.', 'bench-1');
  await settled(page);
  expect(await newest()).toContain('Oskar V.');
});

test('who only looks on gets a file without money and serials', async () => {
  const viewer = await bench.signIn('Tova B.');
  const read = (on: Page) => on.evaluate(async () => (await fetch('/api/facts/export')).text());
  const [theirs, whole] = [await read(viewer), await read(lead)];
  expect(theirs.split('\n').length).toBeGreaterThan(200);
  expect(whole).toMatch(/pricePaidCents/);
  expect(theirs).not.toMatch(/cents|price|""serial/i);
});

test('signed out is signed out: what the browser held opens nothing any more; a lead signs others out', async () => {
  const other = await bench.signIn('Petra L.', undefined, 'bench-3');
  const held = await other.cookies();
  await other.evaluate(() => fetch('/sign-out', { method: 'POST', redirect: 'manual' }).then(() => undefined));
  await other.setCookie(...held);
  await other.goto(`${bench.url}/dock`, { waitUntil: 'load' });
  expect(new URL(other.url()).pathname).toBe('/sign-in');

  await enter(other, 'Petra L.', 'bench-3');
  await go(lead, bench.url, '/people');
  await says(lead, /Petra L\. at Bench/);
  // One after the other: while one is being ended the others wait.
  const open = () => lead.$$('button[aria-label="Sign out Petra L."]:not([disabled])');
  const left = () => lead.$$('button[aria-label="Sign out Petra L."]');
  for (let tries = 0; tries < 60 && (await left()).length > 0; tries += 1) {
    await (await open())[0]?.click();
    await pause(300);
  }
  expect(await left()).toHaveLength(0);
  await other.goto(`${bench.url}/dock`, { waitUntil: 'load' });
  expect(new URL(other.url()).pathname).toBe('/sign-in');
});
