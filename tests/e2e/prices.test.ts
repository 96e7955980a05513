import type { Page } from 'puppeteer-core';
import { Bench, go, press, says, settled, text, valueOf, write } from '../support/e2e';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterEach(() => bench.leave());
afterAll(() => bench.close());

const lantern = '/prices?model=oddkin-lantern-5';
const unitAt = (grade: string) => `Lantern 5, price at grade ${grade}`;

test('a price: what it would change is said, it is saved, Triage reckons with it, and the earlier one is set again', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, lantern);
  const before = ['A', 'B', 'C', 'D'].map((grade) => valueOf(page, unitAt(grade)));
  const was = await Promise.all(before);
  await write(page, unitAt('A'), '999');
  await write(page, unitAt('B'), '999,00');
  await says(page, /Lantern 5: A €999\.00 · B €999\.00/);
  await says(page, /the units at Triage are worth €[\d,.]+ more/);
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await press(page, 'space');
  await says(page, 'Set before');
  expect(await valueOf(page, unitAt('B'))).toBe('999.00');
  expect(await text(page)).toMatch(/since \d+ \w+ \d{4}/);

  // The author's document is not touched: the library still says what was written.
  await go(page, bench.url, '/models/oddkin-lantern-5');
  expect(await text(page)).not.toContain('999');

  await go(page, bench.url, lantern);
  for (const [at, grade] of ['A', 'B'].entries()) await write(page, unitAt(grade), was[at] as string);
  await says(page, /worth €[\d,.]+ less/);
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await press(page, 'space');
  await page.waitForFunction(() => document.querySelectorAll('button[aria-label^="Set again"]').length === 2);
  // The last line is the first that was set; pressed, it is a change like any other.
  await page.$$eval('button[aria-label^="Set again: Lantern 5"]', (buttons) => buttons.at(-1)?.click());
  await says(page, /Lantern 5: A €999\.00 · B €999\.00/);
});

test('what cannot be read stays in its field; a worse grade that is dearer is said where it stands, and not saved', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, lantern);
  await write(page, unitAt('A'), 'much');
  await says(page, 'Enter an amount');
  expect(await valueOf(page, unitAt('A'))).toBe('much');
  expect(await text(page)).toContain('Nothing is changed yet');
  await write(page, unitAt('D'), '5000');
  await says(page, 'D would be dearer than a better grade');
  await says(page, 'Not saved: Lantern 5 would cost more at D');
  expect(await page.$eval('[aria-keyshortcuts="Space"]', (key) => (key as HTMLButtonElement).disabled)).toBe(true);
});

test('nobody but a lead gets there, and what is hostile is refused', async () => {
  const page = await bench.signIn('Imke R.');
  await page.goto(`${bench.url}/prices`, { waitUntil: 'load' });
  await settled(page);
  expect(new URL(page.url()).pathname).toBe('/');
  const ask = (of: Page, body: unknown) =>
    of.evaluate(async (given) => {
      const headers = { 'content-type': 'application/json' };
      return (await fetch('/api/prices', { method: 'POST', headers, body: JSON.stringify(given) })).status;
    }, body);
  expect(await ask(page, {})).toBe(403);
  const lead = await bench.signIn('Sunniva T.');
  await go(lead, bench.url, lantern);
  const cents = { A: 4, B: 3, C: 2, D: 1 };
  const good = { modelId: 'oddkin-lantern-5', fromDay: '2099-01-01', prices: [{ partRef: null, cents }] };
  for (const wrong of [
    { ...good, fromDay: 'tomorrow' },
    { ...good, prices: [] },
    { ...good, prices: [{ partRef: null, cents: { ...cents, A: -1 } }] },
    { ...good, prices: [{ partRef: null, cents: { ...cents, A: 0.5 } }] },
    { ...good, prices: [{ partRef: null, cents: { A: 4 } }] },
    { ...good, modelId: { $ne: '' } },
    { ...good, setBy: 'somebody else' },
    null,
  ])
    expect([wrong, await ask(lead, wrong)]).toEqual([wrong, 400]);
});
