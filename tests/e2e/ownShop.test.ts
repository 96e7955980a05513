import { parse } from 'csv-parse/sync';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { databaseOf } from '../../scripts/support/shops';
import { startApplication, type RunningApplication } from '../../scripts/server/application';
import { projectRoot } from '../../scripts/support/home';
import { endChild } from '../../scripts/support/processes';
import { Bench, go, heading, pause, press, says, settled, text, watchTrouble, write } from '../support/e2e';
import { publish, writeOwnModel } from '../support/ownModel';
import { plucky } from '../support/plucky';
import { testHome } from '../support/scratch';

let application: RunningApplication;
let bench: Bench;
let pin: string;
/** PINs of the people that the first lead added. */
const pins = new Map<string, string>();

beforeAll(async () => {
  const reset = await plucky('reset', '--yes');
  pin = /PIN (\d{6})/.exec(reset.stdout)?.[1] ?? '';
  application = await startApplication(testHome(), await databaseOf(testHome(), 'own'));
  bench = await Bench.open(application.url);
});
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

/** Identifies the telephone at hand by what is seen of it: its revision, how it was ordered, its colour. */
async function identifyLantern(page: Page): Promise<void> {
  await press(page, 'i');
  await page.waitForSelector('dialog input');
  await press(page, 'Enter', '2', '1', '1');
  await page.waitForSelector('dialog input');
  await press(page, 'Enter');
  await says(page, 'Oddkin Lantern 5 Revision b');
}

/** How the first hour stands: its steps that are done. */
const doneSteps = (page: Page) =>
  page.$$eval('[data-done="yes"]', (steps) => steps.map((step) => step.getAttribute('data-step')));
/** Goes to Today and presses for the next step of the first hour. */
async function nextStep(page: Page, path: string): Promise<void> {
  await go(page, bench.url, '/');
  await press(page, (await page.$('[data-step] [aria-keyshortcuts="Space"]')) ? 'space' : 'n');
  await page.waitForFunction((wanted) => location.pathname === wanted, {}, path);
  await settled(page);
}
const blur = (page: Page) => page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());

describe('the first hour of an own shop, with the screens alone', () => {
  test('named, three people, the shipped models and one of its own', async () => {
    expect(pin).toMatch(/^\d{6}$/);
    const page = await bench.signIn('First lead', pin);
    const troubles = watchTrouble(page);
    await says(page, 'Your first hour: 0 of 9 done');

    await nextStep(page, '/rules');
    const name = 'input[aria-label="Name of the shop"]';
    await page.$eval(name, (input) => (input as HTMLInputElement).select());
    await page.type(name, 'Kestrel Yard');
    await blur(page);
    await page.waitForSelector('[aria-keyshortcuts="Space"]:not([disabled])');
    await press(page, 'space');
    await says(page, 'Version 2, since');

    await nextStep(page, '/people');
    for (const [person, role] of [
      ['Aune B.', 'technician'],
      ['Ivo C.', 'lead'],
    ] as const) {
      await press(page, 'n');
      await says(page, 'Somebody new');
      await page.waitForFunction(() => document.activeElement instanceof HTMLInputElement);
      await page.keyboard.type(person);
      await press(page, 'Enter');
      await (await page.waitForSelector(`xpath/.//button[starts-with(., "${role}")]`))?.click();
      await press(page, 'space');
      await says(page, `PIN of ${person}`);
      pins.set(person, /PIN of [^\d]*(\d{6})/.exec(await text(page))?.[1] ?? '');
      await press(page, 'space');
      await page.waitForFunction(() => !document.body.innerText.includes('It is shown this once'));
    }
    await says(page, '3 people work here');

    await nextStep(page, '/models');
    await says(page, /\d+ shipped models are not in your library yet/);
    await press(page, 'space');
    await says(page, /models in the library/);
    await writeOwnModel(page, bench.url);
    await publish(page, 'Our own');
    await page.waitForFunction(() => location.pathname === '/models/fennick-plover');
    await go(page, bench.url, '/');
    expect(await doneSteps(page)).toEqual(['name-shop', 'add-people', 'take-models']);
    await says(page, 'Kestrel Yard');
    expect(troubles).toEqual([]);
  });

  test('a parcel through the shipped manifest to yields that a third party can check by hand', async () => {
    const page = await bench.signIn('Aune B.', pins.get('Aune B.'));

    // Dock: a parcel, its list with two bad rows, three units tagged.
    await nextStep(page, '/dock');
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
      await identifyLantern(page);
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
          const isMore = /^(Capacity|Touch|Loudness|Holding|Life)/.test(label);
          await page.keyboard.type(isMore ? '100' : label.startsWith('Rest') ? '3.2' : '0');
          await press(page, 'Enter');
        } else await press(page, /: (scrap|[A-D]),/.test(await heading(page)) ? 'space' : '1');
      },
      async () => /No parts to grade/.test(await heading(page)),
      400,
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
  });

  test('a full shelf asks for a rack and never for scrap; a person may name another bin', async () => {
    const lead = await bench.signIn('First lead', pin);
    const troubles = watchTrouble(lead);
    await go(lead, bench.url, '/shelf');
    await press(lead, 'r');
    await says(lead, 'Room for 720 more parts');
    await settled(lead);
    const use = async (rack: string, from: string, to: string) => {
      // While the last change is on its way nothing else can be pressed.
      const button = `button[aria-label="${from.replace('*', rack)}"]:not([disabled])`;
      await lead.waitForSelector(button);
      await lead.click(button);
      await lead.waitForSelector(`button[aria-label="${to.replace('*', rack)}"]`);
    };
    for (const rack of ['A', 'B', 'C', 'D']) await use(rack, 'Take out of use: rack *', 'Use again: rack *');
    await says(lead, 'No bin has room');

    const page = await bench.signIn('Aune B.', pins.get('Aune B.'));
    await go(page, bench.url, '/shelf');
    await says(page, /(One part has|parts have) no bin: .* A lead can add a rack/);
    const full = await text(page);
    expect(full).toContain('no bin has room');
    expect(full).not.toContain('Racks and bins');
    expect(full).not.toMatch(/Into [A-Z]+\d/);

    // What is no number says so, and saves nothing.
    await write(lead, 'Rows, rack E', 'many');
    await says(lead, 'Whole numbers');
    for (const [field, value] of [
      ['Rows', '1'],
      ['Boxes a row', '2'],
      ['Parts a box', '500'],
    ])
      await write(lead, `${field}, rack E`, value as string);
    await says(lead, 'would hold 1,000 parts');
    await lead.keyboard.press('Enter');
    await says(lead, 'Room for 1,000 more parts');

    await go(page, bench.url, '/shelf');
    await says(page, 'Into E01');
    const waiting = await heading(page);
    await press(page, 'b');
    await page.keyboard.type('z9');
    await page.keyboard.press('Enter');
    await says(page, 'no bin of that name');
    await page.$eval('dialog input', (input) => (input as HTMLInputElement).select());
    await page.keyboard.type('e02');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.querySelector('dialog') === null);
    await page.waitForFunction((was) => document.querySelector('h1')?.textContent !== was, {}, waiting);
    await settled(page);

    // A box in which something lies cannot be taken away.
    await go(lead, bench.url, '/shelf/racks');
    await write(lead, 'Boxes a row, rack E', '1');
    await lead.keyboard.press('Enter');
    await says(lead, /1 part lies in E02, which rack E would no longer have/);
    for (const rack of ['A', 'B', 'C', 'D']) await use(rack, 'Use again: rack *', 'Take out of use: rack *');
    expect(troubles.filter((trouble) => !trouble.includes('422'))).toEqual([]);
  });

  test('a unit is rebuilt with parts of the first two, proven and sent; then nothing is left of the first hour', async () => {
    const page = await bench.signIn('Aune B.', pins.get('Aune B.'));
    // Shelf: what may lie there is put away.
    await go(page, bench.url, '/shelf');
    for (let put = 0; put < 40 && /parts? to put away/.test(await heading(page)); put += 1) {
      const mayGo = await page.$('main [aria-keyshortcuts="Space"]:not([disabled])');
      await press(page, mayGo ? 'space' : 'ArrowDown');
      await settled(page);
    }
    // Boards that were never wiped may not lie there; the others do.
    await go(page, bench.url, '/shelf?show=shelf');
    await says(page, /display/);
    // Triage: another telephone of the list shows no picture.
    await go(page, bench.url, '/dock');
    await press(page, 'space');
    await settled(page);
    await go(page, bench.url, '/triage');
    await press(page, 'ArrowDown');
    await says(page, 'U-0704: which model is it');
    await identifyLantern(page);
    await press(page, '1', '2', '3', '3', 'y');
    await says(page, 'Needs display, on the shelf');
    await settled(page);
    await press(page, 'b');
    await settled(page);
    await go(page, bench.url, '/match');
    await says(page, 'needs a display');
    await press(page, '1');
    await says(page, 'gets the display');
    await settled(page);
    await press(page, 'space');
    await settled(page);
    await go(page, bench.url, '/rebuild');
    await press(page, 'space');
    await says(page, 'Start the sheet');
    await press(page, 'space');
    await until(
      page,
      () => press(page, 'space'),
      async () => (await heading(page)) === 'Rebuilt',
    );
    await settled(page);
    await press(page, 'space');
    await page.waitForFunction(() => location.pathname === '/prove');
    await press(page, 'y', 'w', 'b');
    await says(page, 'may be sold at');
    await settled(page);
    await press(page, 'space');
    await settled(page);
    await go(page, bench.url, '/');
    expect(await text(page)).not.toContain('first hour');
    await says(page, /Send 1 unit/);
  });

  test('who has left is out at once, and a new PIN opens what the old one does no more', async () => {
    const lead = await bench.signIn('First lead', pin);
    const gone = await bench.signIn('Aune B.', pins.get('Aune B.'));
    await go(gone, bench.url, '/');
    await go(lead, bench.url, '/people');
    await (await lead.waitForSelector('xpath/.//main//button[contains(., "Aune B.")]'))?.click();
    await press(lead, 'p');
    await says(lead, 'PIN of Aune B.');
    await gone.goto(`${bench.url}/grade`, { waitUntil: 'load' });
    expect(new URL(gone.url()).pathname).toBe('/sign-in');
    await press(lead, 'space');
    await lead.waitForSelector('[aria-keyshortcuts="x"]:not([disabled])');
    await press(lead, 'x');
    await says(lead, 'Have left');
    await says(lead, 'Aune B. was changed: has left no → yes');
    await gone.goto(`${bench.url}/sign-in`, { waitUntil: 'load' });
    expect(await text(gone)).not.toContain('Aune B.');
    // The only other lead may not be taken away by the one who is left, and nobody takes themselves out.
    await (await lead.waitForSelector('xpath/.//main//button[contains(., "First lead")]'))?.click();
    await lead.waitForSelector('[aria-keyshortcuts="x"][disabled]');
  });
});
