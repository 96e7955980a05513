import { parse } from 'csv-parse/sync';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { startApplication, type RunningApplication } from '../../scripts/support/application';
import { projectRoot } from '../../scripts/support/home';
import { endChild } from '../../scripts/support/processes';
import { Bench, go, heading, pause, press, says, settled } from '../support/e2e';
import { plucky } from '../support/plucky';
import { testHome } from '../support/scratch';

let application: RunningApplication;
let bench: Bench;
let pin: string;

beforeAll(async () => {
  const reset = await plucky('reset', '--yes');
  pin = /PIN (\d{6})/.exec(reset.stdout)?.[1] ?? '';
  application = await startApplication(testHome(), 'plucky_own');
  bench = await Bench.open(application.url);
}, 60_000);
afterAll(async () => {
  await bench.close();
  await endChild(application.child);
});

async function until(page: Page, step: () => Promise<void>, isThere: () => Promise<boolean>, most = 80): Promise<void> {
  for (let done = 0; done < most; done += 1) {
    if (await isThere()) return;
    await step();
    await pause(60);
  }
  throw new Error(`until: never got there; the page says ${await heading(page)}`);
}

/** Counts yields from the exported facts, as anybody could in a spreadsheet. */
function countByHand(csv: string): Record<string, string> {
  const rows = parse(csv, { columns: true }) as { type: string; part: string; model: string; payload: string }[];
  const grade = new Map(
    rows
      .filter(({ type }) => type === 'part-graded')
      .map(({ part, payload }) => [part, (JSON.parse(payload) as { verdict: { grade: string } }).verdict.grade]),
  );
  const counts: Record<string, [number, number]> = {};
  for (const { type, model, payload } of rows) {
    if (type !== 'step-done') continue;
    for (const { partId, partRef, state } of (
      JSON.parse(payload) as { freed: { partId: string; partRef: string; state: string }[] }
    ).freed) {
      const isLost = state === 'missing' || state.startsWith('broken');
      if (!isLost && !grade.has(partId)) continue;
      const [good, sought] = counts[`${model}/${partRef}`] ?? [0, 0];
      counts[`${model}/${partRef}`] = [good + ('ABC'.includes(grade.get(partId) ?? 'X') ? 1 : 0), sought + 1];
    }
  }
  return Object.fromEntries(Object.entries(counts).map(([key, [good, sought]]) => [key, `${good} of ${sought}`]));
}

test('from an emptied shop through the shipped manifest to yields that a third party can check by hand', async () => {
  expect(pin).toMatch(/^\d{6}$/);
  const page = await bench.signIn('First lead', pin);

  // Dock: a parcel, its list with two bad rows, three units tagged.
  await go(page, bench.url, '/dock');
  await says(page, 'No parcels yet');
  await press(page, 'space');
  await page.waitForSelector('dialog input[name=code]');
  await page.keyboard.type('First lot');
  await press(page, 'Tab');
  await page.keyboard.type('Northreach Ferries');
  await press(page, 'Tab');
  await page.keyboard.type('860,50');
  await press(page, 'Enter');
  await says(page, 'First lot: no list yet');
  await press(page, 'i');
  const input = (await page.waitForSelector('dialog input[type=file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(join(projectRoot, 'data', 'demo', 'manifest.csv'));
  await says(page, '26 good rows, 2 with a problem');
  await says(page, 'Line 28: The model is empty.');
  await (await page.waitForSelector('dialog button:not([disabled])'))?.click();
  await says(page, '26 units of 26 still in the box');
  await says(page, '33.10 per unit (26 units)');
  await press(page, 'space', 'space', 'space');
  await settled(page);
  await says(page, '23 units of 26 still in the box');

  // Triage: two telephones, both donors; one starts, one does not.
  await go(page, bench.url, '/triage');
  for (const tests of [['a'], ['1', '1', 'a']]) {
    await says(page, 'which model is it');
    await press(page, 'i');
    await page.waitForSelector('dialog input');
    await press(page, 'Enter', '2', '1', '1');
    await page.waitForSelector('dialog input');
    await press(page, 'Enter');
    await says(page, 'Oddkin Lantern 5 Revision b');
    await press(page, ...tests);
    await settled(page);
    await press(page, 'd');
    await settled(page);
  }

  // Teardown: the one that starts is wiped first; its back breaks under our hands.
  for (let donor = 0; donor < 2; donor += 1) {
    await go(page, bench.url, '/teardown');
    await press(page, 'space');
    await says(page, 'parts wanted');
    await until(
      page,
      () => press(page, 'space'),
      async () => /Switch it off/.test(await heading(page)),
      4,
    );
    let hasBroken = donor > 0;
    await until(
      page,
      async () => {
        if (!hasBroken && /Lift the back off/.test(await heading(page))) {
          await press(page, 'b', '1', '1', '4');
          hasBroken = true;
        }
        await press(page, 'space');
      },
      async () => /Taken apart/.test(await heading(page)),
    );
    await settled(page);
  }

  // Grade: the best of everything, as quick as the keys go.
  await go(page, bench.url, '/grade');
  await until(
    page,
    async () => {
      const field = await page.$('main form input');
      if (field) {
        const label = await field.evaluate((element) => element.getAttribute('aria-label') ?? '');
        await page.keyboard.type(label.startsWith('Capacity') || label.startsWith('Touch') ? '100' : '0');
        await press(page, 'Enter');
      } else await press(page, /: (scrap|[A-D]),/.test(await heading(page)) ? 'space' : '1');
    },
    async () => /No parts to grade/.test(await heading(page)),
    160,
  );
  await settled(page);

  // Yield: what the screen says is what the exported facts give.
  await go(page, bench.url, '/yield');
  const shown = Object.fromEntries(
    await page.$$eval('tr[data-yield]', (rows) =>
      rows.map((row) => [
        row.getAttribute('data-yield') ?? '',
        `${row.children[1]?.textContent} of ${row.children[2]?.textContent}`,
      ]),
    ),
  ) as Record<string, string>;
  const csv = await page.evaluate(async () => (await fetch('/api/facts/export')).text());
  expect(shown).toEqual(countByHand(csv));
  expect(shown['oddkin-lantern-5/back-cover']).toBe('1 of 2');
  expect(shown['oddkin-lantern-5/battery']).toBe('2 of 2');
  await says(page, 'Most often: back cover, cover cracked (once)');

  // Shelf: the board of the one that was never wiped is refused.
  await go(page, bench.url, '/shelf');
  await says(page, 'not for the shelf');
}, 240_000);
