import type { Page } from 'puppeteer-core';
import { startDatabase, stopDatabase } from '../../scripts/server/mariadb';
import { Bench, go, pause, press, says, settled } from '../support/e2e';
import { testHome } from '../support/scratch';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

test('the database goes away for a while: the bench goes on, says so, and everything arrives once', async () => {
  const home = testHome();
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/teardown');
  await go(page, bench.url, `/bench/${await unitUnderWay(page)}`);
  const stepsDone = () => page.$$eval('nav[aria-label="Steps"] li[aria-current]', (now) => now[0]?.textContent ?? '');
  const first = await stepsDone();
  await stopDatabase(home);
  try {
    await press(page, 'space');
    await pause(300);
    await press(page, 'space');
    await says(page, /2 facts to send.*The database does not answer\. What you entered is kept/, 15_000);
    expect(await stepsDone()).not.toBe(first);
  } finally {
    await startDatabase(home, { isDurable: false, outlives: true });
  }
  await page.waitForFunction(() => document.querySelector('[data-waiting="0"]') !== null, { timeout: 20_000 });
  await settled(page);
  const after = await stepsDone();
  await page.reload({ waitUntil: 'load' });
  await settled(page);
  expect(await stepsDone()).toBe(after);
  await press(page, 'Escape');
  await page.waitForFunction(() => location.pathname === '/teardown');
});

/** A unit that somebody is at, with enough steps left that the test does not end its sheet. */
async function unitUnderWay(page: Page): Promise<string> {
  const rows = await page.$$eval('main li', (all) => all.map(({ textContent }) => textContent ?? ''));
  for (const row of rows) {
    const [, tag] = /(U-\d{4})/.exec(row) ?? [];
    const [, done, all] = /(\d+) of (\d+) steps/.exec(row) ?? [];
    if (tag !== undefined && Number(done) > 0 && Number(all) - Number(done) > 3) return tag;
  }
  throw new Error(`no unit is under way: ${rows.join(' | ')}`);
}
