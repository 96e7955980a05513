import type { Page } from 'puppeteer-core';
import type { Model } from '@/core/procedure/model';
import { typeLines } from '../../scripts/support/entryScript';
import { Bench, demoUrl, go, pause, press, says, text, watchTrouble } from '../support/e2e';
import { fillFields } from '../support/fieldsForm';
import { beginDraft, publish, saved } from '../support/ownModel';
import { deck, scanner, writtenModel, type UnknownDevice } from '../support/unknownDevices';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open(demoUrl());
});
afterEach(() => bench.leave());
afterAll(() => bench.close());

/** Lines typed, then every field that the device needs filled in by its name: no JSON. */
async function writeDevice(page: Page, { maker, name, lines, fields }: UnknownDevice): Promise<void> {
  await beginDraft(page, bench.url, maker, name);
  await page.waitForSelector('input[aria-label="Verb and thing"]');
  await typeLines(page, lines);
  await press(page, 'Escape');
  await says(page, `${lines.length} lines`);
  await press(page, '4');
  for (const [of, entries] of fields) await fillFields(page, of, entries);
  await saved(page);
  // What the checker can mend by one key is mended.
  await press(page, '1');
  for (let mends = 0; mends < 20 && (await canMend(page)); mends += 1) {
    await press(page, 'm');
    await pause(250);
  }
  await saved(page);
}

const canMend = (page: Page) =>
  page.evaluate(() => [...document.querySelectorAll('button')].some(({ textContent }) => textContent === 'Fix it'));

test.each([scanner, deck])(
  '$name, a device nobody has written down, with the lines and the fields alone',
  async (device) => {
    const page = await bench.signIn('Mirel A.');
    const troubles = watchTrouble(page);
    let last = '';
    page.on('request', (request) => {
      if (request.method() === 'PUT' && request.url().includes('/api/drafts/')) last = request.postData() ?? last;
    });
    await writeDevice(page, device);
    expect((await text(page)).match(/· [a-z-]+ Show/g) ?? []).toEqual(device.warnings.map((rule) => `· ${rule} Show`));
    const { document } = JSON.parse(last) as { document: Model };
    if (process.env.KEEP_WRITTEN) writtenModel.keep(device, document);
    expect(document).toEqual(writtenModel.read(device));
    await publish(page, 'Written by the page and the editor.');
    await page.waitForFunction(() => /^\/models\/[a-z0-9-]+$/.test(location.pathname));
    for (const [at, { title }] of document.operations.entries()) if (at % 6 === 0) await says(page, title);
    await go(page, bench.url, `/models/${document.id}/plan`);
    await says(page, 'after labour');
    expect(troubles).toEqual([]);
  },
);
