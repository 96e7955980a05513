import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { projectRoot } from '../../scripts/support/home';
import { Bench, go, heading, press, says, settled, untilStep } from '../support/e2e';
import { makeDonor } from '../support/makeUnits';
import { shippedModels } from '../support/models';
import { beginDraft, fill, saved } from '../support/ownModel';
import type { Model } from '@/core/procedure/model';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

const named = (name: string) => shippedModels.find((model) => model.name === name) as Model;

/** Pixels for a millimetre in the drawings of the step: the face beside, and the place of work. */
const scales = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<SVGSVGElement>('main svg[role=img]')].map(
      (svg) => svg.getBoundingClientRect().width / svg.viewBox.baseVal.width,
    ),
  );

test('what the author wrote is at the hands: the place of work close up, cues, tethers, and a photo by one key', async () => {
  const page = await bench.signIn('Imke R.');
  const { tag } = await makeDonor(page, named('Lantern 5'));
  await go(page, bench.url, `/bench/${tag}`);
  await press(page, 'a', 'space');
  await untilStep(page, /Lift the battery plug/);
  await settled(page);
  await page.waitForSelector('[data-testid="close-up"]');
  const [whole, close] = await scales(page);
  expect((close as number) / (whole as number)).toBeGreaterThanOrEqual(2.99);
  await says(page, 'lift, 3 mm');

  const input = (await page.$('aside input[type=file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(join(projectRoot, 'docs', 'screenshots', 'bench.png'));
  await page.waitForSelector('aside img[alt="How it lay before it was taken apart"]');
  // What is no picture is said, and the sheet goes on.
  const file = join(tmpdir(), 'no-picture.jpg');
  writeFileSync(file, 'not a picture');
  await input.uploadFile(file);
  await says(page, 'not a picture: choose another');
  await untilStep(page, /Lift the board out/);
  await says(page, 'As it comes free');
  await says(page, 'Antistatic bag');
});

test('a gate names its tests; one that fails says what to check, leads back to it, and comes again', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/rebuild');
  const path = await page.$$eval('a[href^="/bench/"]', (links) => links.map((link) => link.getAttribute('href')));
  await go(page, bench.url, path[0] ?? '/bench/U-0747');
  if (!/\S/.test(await heading(page))) throw new Error('no sheet');
  await untilStep(page, /^Gate: test/);
  await says(page, 'Prove each');
  await press(page, 'n');
  await says(page, 'Not passed: what to check');
  await press(page, '1');
  await page.waitForFunction(() => !document.querySelector('h1')?.textContent?.startsWith('Gate'));
  await untilStep(page, /^Gate: test/);
  await press(page, 'n', 'n');
  // Only noted: it stays at the gate.
  expect(await heading(page)).toMatch(/^Gate: test/);
});

test('a field for all of the format: a seam, an end with its own step, a mark, a wait with its moment, without JSON', async () => {
  const page = await bench.signIn('Mirel A.');
  await beginDraft(page, bench.url, 'Fennick', 'Fielded');
  await page.waitForSelector('input[aria-label="Verb and thing"]');
  await page.keyboard.type('Take the lid off');
  await press(page, 'Tab', 'Tab', 'Tab');
  await page.keyboard.type('2 XZ9, 21 PH00');
  await press(page, 'Enter', 'Escape');
  await press(page, 'ArrowUp', '4');
  await says(page, 'Fields of');
  const add = async (name: string, at = 0) => {
    const buttons = await page.$$('button');
    let seen = 0;
    for (const button of buttons) {
      const label = await button.evaluate(({ textContent }) => textContent?.trim());
      if (label === name && seen++ === at) return button.click();
    }
    throw new Error(`no button says ${name}`);
  };
  await add('Add Seam');
  await add('Add Waits');
  await page.waitForSelector('fieldset[aria-label="Waits"]');
  await fill(page, 'Fixture', 'clamp');
  await add('Add Ways it can end');
  await page.waitForSelector('fieldset[aria-label="Ways it can end"]');
  await add('Add Parts in its way');
  await says(page, 'There is none yet.');
  await add('Add Opens if shut');
  await page.waitForSelector('select[aria-label="Add to Opens if shut"]');
  await page.select('select[aria-label="Add to Opens if shut"]', 's3');
  await page.waitForSelector('[aria-label="Opens if shut"] button[aria-label="Remove s3, PH00"]');
  await saved(page);
  // Its screws: lengths nobody measured stay unknown, and an unknown drive is taken with a note.
  await press(page, '1');
  await says(page, 'is in none of the standard families');
});

test('a stripped head asks about the bit: what it has turned, and a new one is counted from nothing', async () => {
  const page = await bench.signIn('Imke R.');
  const { tag } = await makeDonor(page, named('Slate Quay'));
  await go(page, bench.url, `/bench/${tag}`);
  await press(page, 'a', 'space');
  await untilStep(page, /Take the base screws out/);
  await says(page, /PH0 bit here: \d+ screws/);
  await press(page, 's', '2');
  await says(page, 'PH0 bit at this bench');
  await says(page, /since it was new, \d+ heads? stripped/);
  // Space where the bit is clearly worn, y where it is not.
  await page.click('dialog ::-p-text(New PH0 bit fitted)');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
  await says(page, 'PH0 bit here: 0 screws');
  // Told by mistake: the old bit has its count again.
  await press(page, 'u');
  await says(page, /PH0 bit here: [1-9]\d* screws/);
});
