import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Bench, demoUrl, go, press, says, settled, text, watchTrouble } from '../support/e2e';
import { cameraOf, filmOf } from '../support/fakeCamera';

const folder = mkdtempSync(join(tmpdir(), 'plucky-film-'));
const benches: Bench[] = [];
afterAll(async () => {
  for (const bench of benches) await bench.close();
  rmSync(folder, { recursive: true });
});

/** A browser whose camera looks at a code. */
async function looking(code: string, bcid?: string): Promise<Bench> {
  const film = filmOf(join(folder, `${benches.length}.y4m`), code, bcid);
  const bench = await Bench.open(demoUrl(), cameraOf(film));
  benches.push(bench);
  return bench;
}
const openCamera = 'button[aria-label="Scan with the camera"]';

test('on a phone the camera reads a label and opens its unit; the camera is let go', async () => {
  const plain = await Bench.open();
  benches.push(plain);
  const clerk = await plain.signIn('Imke R.');
  await go(clerk, plain.url, '/triage');
  const tag = /U-\d{4,}/.exec(await text(clerk))?.[0] as string;

  const bench = await looking(tag);
  const page = await bench.signIn('Imke R.');
  const troubles = watchTrouble(page);
  await page.setViewport({ width: 390, height: 844 });
  await go(page, bench.url, '/');
  await page.click(openCamera);
  await page.waitForFunction((path) => location.pathname === path, { timeout: 20_000 }, `/t/${tag}`);
  await settled(page);
  expect(await text(page)).toContain(tag);
  expect(await page.$('dialog video')).toBeNull();
  expect(troubles).toEqual([]);
});

test('a serial is taken at the Dock as if a scanner had typed it; elsewhere it is said that nothing takes it', async () => {
  const bench = await looking('ZX-CAMERA-4711', 'qrcode');
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/match');
  await page.click(openCamera);
  await says(page, 'ZX-CAMERA-4711 is no tag', 20_000);
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
  await go(page, bench.url, '/dock');
  await page.click(openCamera);
  await says(page, 'Read ZX-CAMERA-4711', 20_000);
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
  await says(page, 'ZX-CAMERA-4711');
  await press(page, 'u');
  await settled(page);
});

test('without a camera the reason is said, and nothing else stops', async () => {
  const bench = await Bench.open();
  benches.push(bench);
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/');
  await page.click(openCamera);
  await says(page, /No picture.*(No camera was found|may not use the camera)/);
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
  await press(page, '2');
  expect(await text(page)).toContain('Gullwharf');
});
