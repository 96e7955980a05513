import type { Page } from 'puppeteer-core';
import { Bench, heading, pause, press, says, scan, settled, watchTrouble, text } from '../support/e2e';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

/** Goes to a stage by the bar: Tab reaches it, Enter opens it. No mouse, no address. */
async function follow(page: Page, stage: string): Promise<void> {
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  for (let tabs = 0; tabs < 40; tabs += 1) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => document.activeElement?.getAttribute('data-stage') ?? '');
    if (label === stage.toLowerCase()) {
      await page.keyboard.press('Enter');
      await page.waitForFunction((path) => location.pathname === path, {}, `/${stage.toLowerCase()}`);
      await settled(page);
      await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
      return;
    }
  }
  throw new Error(`follow: Tab never reached ${stage}`);
}

async function until(page: Page, key: string, isThere: () => Promise<boolean>, most = 60): Promise<void> {
  for (let pressed = 0; pressed < most; pressed += 1) {
    if (await isThere()) return;
    await press(page, key);
    await pause(60);
  }
  throw new Error(`until: ${key} did not get there; the page says ${await heading(page)}`);
}

test('a newcomer takes one unit of the demo parcel from triage to sent with the keyboard alone', async () => {
  const page = await bench.signIn('Imke R.');
  const troubles = watchTrouble(page);

  // Triage: the last unit in the queue is the one nobody has looked at.
  await follow(page, 'Triage');
  await until(page, 'ArrowDown', async () => /which model is it/.test(await heading(page)), 8);
  const tag = (await heading(page)).slice(0, 6);
  await press(page, 'i');
  await page.waitForSelector('dialog input');
  await page.keyboard.type('la');
  await press(page, 'Enter', '1', '1', '1');
  await page.waitForSelector('dialog input');
  await press(page, 'Enter');
  await says(page, 'Oddkin Lantern 5 Revision a');
  // A crack on field 5 of the back, then: starts, charges; the picture fails; the rest is sound.
  await press(page, 'f', 'c', '5', '1', '2', '3', '3', 'y');
  await says(page, 'Needs display, on the shelf');
  await settled(page);
  await press(page, 'b');
  await page.waitForFunction(
    (gone) => !document.querySelector('nav[aria-label="Units to triage"]')?.textContent?.includes(gone),
    {},
    tag,
  );
  await settled(page);

  // Match: the unit wants a display; the first offered is the best.
  await follow(page, 'Match');
  await until(page, 'ArrowDown', async () => (await text(page)).includes(`${tag} needs a display`), 10);
  await press(page, '1');
  await says(page, `${tag} gets the display`);
  await settled(page);
  await press(page, 'space');
  await settled(page);

  // Rebuild: out, the other display in, the gate, sealed.
  await follow(page, 'Rebuild');
  const chosen = () => page.$eval('main li:has(button)', ({ textContent }) => textContent ?? '');
  await until(page, 'ArrowDown', async () => (await chosen()).includes(tag), 10);
  await press(page, 'space');
  await page.waitForFunction((path) => location.pathname === path, {}, `/bench/${tag}`);
  await says(page, 'Start the sheet');
  await press(page, 'space');
  await says(page, 'Switch it off and prove it');
  let sawGate = false;
  await until(page, 'space', async () => {
    const now = await heading(page);
    sawGate ||= now.startsWith('Gate:');
    return now === 'Rebuilt';
  });
  expect(sawGate).toBe(true);
  await settled(page);
  await press(page, 'space');

  // Prove: every test, the wipe, the look; then it may be sold.
  await page.waitForFunction(() => location.pathname === '/prove');
  await says(page, `${tag}:`);
  await press(page, 'y', 'w', 'b');
  await says(page, `${tag} may be sold at`);
  await settled(page);
  await press(page, 'space');
  await settled(page);

  // Send: everything that is ready leaves in one shipment.
  await follow(page, 'Send');
  await says(page, tag);
  await press(page, 'space');
  await says(page, 'Nothing ready to send');
  await settled(page);

  // The tag, scanned, tells its whole story.
  await scan(page, tag);
  await says(page, `${tag} is sent`);
  for (const words of [
    'Tagged',
    'Identified',
    'Crack marked',
    'Decided',
    'reserved for',
    ': passed',
    'Wiped',
    'Released for sale',
    'Sent to',
  ]) {
    expect(await text(page)).toContain(words);
  }
  expect(troubles).toEqual([]);
});
