import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { KeyInput, Page } from 'puppeteer-core';
import type { Model } from '@/core/procedure/model';
import { acousticPath } from '../support/acousticPath';
import { Bench, demoUrl, go, pause, press, says, text, watchTrouble } from '../support/e2e';
import { cameraOf, filmOf } from '../support/fakeCamera';
import { makeIdentified } from '../support/makeUnits';
import { shippedModels } from '../support/models';

const folder = mkdtempSync(join(tmpdir(), 'plucky-self-test-'));
let bench: Bench;
beforeAll(async () => {
  // Chromium plays and records nothing without a device; its camera looks at a film.
  bench = await Bench.open(demoUrl(), cameraOf(filmOf(join(folder, 'film.y4m'), 'FINE DETAIL')));
});
afterEach(() => bench.leave());
afterAll(async () => {
  await bench.close();
  rmSync(folder, { recursive: true });
});

const phone = shippedModels.find(({ name }) => name === 'Lantern 5') as Model;

/** A unit at Triage whose page is open, and the page on the unit itself: another browser session, of nobody. */
async function unitUnderTest(person = 'Sunniva T.') {
  const page = await bench.signIn(person);
  const { id, tag } = await makeIdentified(page, phone);
  await go(page, bench.url, `/triage?unit=${tag}`);
  await says(page, 'Test in the unit’s own browser');
  await press(page, 'v');
  await page.waitForSelector('[data-code]');
  const code = await page.$eval('[data-code]', (own) => (own as HTMLElement).dataset.code ?? '');
  await says(page, 'Not opened yet');
  const unit = await (await bench.browser.createBrowserContext()).newPage();
  await unit.setViewport({ width: 360, height: 720, hasTouch: true, isMobile: true });
  return { page, unit, id, tag, code };
}

async function enter(unit: Page, code: string): Promise<void> {
  await unit.goto(`${bench.url}/test`, { waitUntil: 'load' });
  await unit.waitForSelector('input');
  // Before React has taken over, what is typed is thrown away.
  await pause(500);
  await unit.type('input', `${code.slice(0, 3)} ${code.slice(3).toLowerCase()}`);
  await unit.tap('button[type=submit]');
}

const tap = (unit: Page, words: string) => unit.locator(`::-p-xpath(//button[contains(., '${words}')])`).click();

test('a unit tests its own screen: dots touched on two patterns are one, and the bench sees them at once', async () => {
  const { page, unit, tag, code } = await unitUnderTest();
  const troubles = watchTrouble(unit);
  await enter(unit, code);
  await says(unit, `${tag}: `);
  await says(page, 'Opened on the unit at');
  await tap(unit, 'Start: Display');
  for (const pattern of ['white', 'black', 'red', 'green', 'blue', 'grey', 'ramp']) {
    await unit.waitForSelector(`[data-pattern=${pattern}]`);
    if (pattern === 'white' || pattern === 'green') await unit.touchscreen.tap(100, 200);
    if (pattern === 'black') await unit.touchscreen.tap(250, 300);
    if (pattern === 'grey') {
      await tap(unit, 'Burn-in');
      await unit.touchscreen.tap(180, 100);
      // Touched by mistake, and touched away again.
      await unit.touchscreen.tap(60, 400);
      await unit.touchscreen.tap(62, 402);
    }
    await tap(unit, pattern === 'ramp' ? 'Finish' : 'Next');
  }
  await says(unit, 'Picture: OK');
  await says(page, '2 dead dots; burn-in. 7 of 7 patterns looked at');
  expect(troubles).toEqual([]);
});

/** Wipes a finger along a way, in one stroke. */
async function wipe(unit: Page, way: readonly (readonly [number, number])[]): Promise<void> {
  const [first, ...rest] = way;
  if (!first) return;
  await unit.touchscreen.touchStart(...first);
  for (const at of rest) await unit.touchscreen.touchMove(...at);
  await unit.touchscreen.touchEnd();
}

test('a strip that feels no finger fails the unit, by the limit of the house; a mouse fills nothing', async () => {
  const { page, unit, code } = await unitUnderTest();
  await enter(unit, code);
  await tap(unit, 'Touch');
  await unit.waitForSelector('[data-left]');
  const leftOf = () => unit.$eval('[data-left]', (own) => Number((own as SVGElement).dataset.left));
  const cells = await leftOf();
  await unit.mouse.click(200, 30);
  await says(unit, 'That was a mouse');
  expect(await leftOf()).toBe(cells);
  // 360 by 720 is a grid of 8 by 16: every row but the fourth.
  expect(cells).toBe(8 * 16);
  for (let row = 0; row < 16; row += 1)
    if (row !== 3)
      await wipe(
        unit,
        Array.from({ length: 8 }, (_, column) => [22 + column * 45, 22 + row * 45] as const),
      );
  expect(await leftOf()).toBe(8);
  await says(unit, '8 fields not reached');
  await tap(unit, 'Finish with 8 fields missed');
  // 120 of 128 fields.
  await says(page, '93.7 % of the screen feels a finger; 1 finger at once');
  await says(unit, 'Touch: failed');
});

test('speaker and microphone: both heard, and a dead microphone told from a dead speaker by an ear', async () => {
  const { page, unit, code } = await unitUnderTest();
  await acousticPath(unit, { speaker: true, microphone: true });
  await enter(unit, code);
  await tap(unit, 'Speaker and microphone');
  await tap(unit, 'Play the tones');
  await says(unit, 'The microphone heard 12 of 12 tones', 40_000);
  await tap(unit, 'Clear');
  await says(page, '12 of 12 tones heard; clear by ear');

  await acousticPath(unit, { speaker: true, microphone: false });
  await enter(unit, code);
  await tap(unit, 'Speaker and microphone');
  await tap(unit, 'Play the tones');
  await says(unit, 'The microphone heard 0 of 12 tones', 40_000);
  await tap(unit, 'Clear');
  await says(page, '0 of 12 tones heard; clear by ear');
  await says(unit, 'Sound: OK · Microphone: failed');
});

test('a camera takes a picture, measured and kept with the unit', async () => {
  const { page, unit, id, code } = await unitUnderTest();
  await enter(unit, code);
  await tap(unit, 'Cameras');
  await unit.waitForFunction(() => (document.querySelector('video')?.videoWidth ?? 0) > 0);
  await tap(unit, 'Take picture');
  await says(unit, /Sharpness [\d,]{2,}/);
  await tap(unit, 'Clean and sharp');
  await says(page, '1 picture: 1 clean');
  const photos = await page.evaluate(async (unitId) => {
    const { reads } = (await (await fetch(`/api/units/${unitId}/self-tests`)).json()) as {
      reads: { read: { shots: { photo: string }[] } }[];
    };
    const answer = await fetch(`/api/units/${unitId}/photos/${reads[0]?.read.shots[0]?.photo}`);
    return [answer.status, answer.headers.get('content-type')];
  }, id);
  expect(photos).toEqual([200, 'image/jpeg']);
});

test('keys: those that this keyboard does not have are touched away; the rest is dead', async () => {
  const laptop = shippedModels.find(({ kind, tests }) => kind === 'laptop' && tests.includes('keys')) as Model;
  const page = await bench.signIn('Sunniva T.');
  const { tag } = await makeIdentified(page, laptop);
  await go(page, bench.url, `/triage?unit=${tag}`);
  await press(page, 'v');
  await page.waitForSelector('[data-code]');
  const code = await page.$eval('[data-code]', (own) => (own as HTMLElement).dataset.code ?? '');
  const unit = await (await bench.browser.createBrowserContext()).newPage();
  await enter(unit, code);
  await tap(unit, 'Keys');
  await says(unit, 'Press every key once. 0 pressed');
  const names = await unit.$$eval('button[aria-label$="not pressed"]', (all) =>
    all.map(({ textContent }) => textContent),
  );
  expect(names.length).toBeGreaterThan(60);
  const codes = [...'QWERTYUIOPASDFGHJKLZXCVBNM'].map((letter) => `Key${letter}`);
  // Escape belongs to the keyboard too, and leads nowhere from here.
  for (const key of ['Escape', 'Tab', 'Space', ...codes])
    if (key !== 'KeyQ') await unit.keyboard.press(key as KeyInput);
  await says(unit, '28 pressed');
  for (const button of await unit.$$('button[aria-label$="not pressed"]')) {
    const name = await button.evaluate(({ textContent }) => textContent);
    if (name !== 'Q') await button.click();
  }
  await tap(unit, 'Finish: 1 dead key');
  await says(page, '28 keys pressed, 1 dead');
});

test('a display in a test frame: what the page reads lands in the fields that wait at Grade', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/grade');
  const tag = await page.$$eval(
    'main nav li button',
    (all) => all.find(({ textContent }) => textContent?.includes('display'))?.textContent?.match(/P-\d+/)?.[0] ?? '',
  );
  await go(page, bench.url, `/grade?part=${tag}`);
  await press(page, 'v');
  await page.waitForSelector('[data-code]');
  const code = await page.$eval('[data-code]', (own) => (own as HTMLElement).dataset.code ?? '');
  const frame = await (await bench.browser.createBrowserContext()).newPage();
  await frame.setViewport({ width: 360, height: 720, hasTouch: true, isMobile: true });
  await enter(frame, code);
  await says(frame, `${tag}: 2 tests to go`);
  await tap(frame, 'Start: Display');
  for (const pattern of ['white', 'black', 'red', 'green', 'blue', 'grey', 'ramp']) {
    await frame.waitForSelector(`[data-pattern=${pattern}]`);
    if (pattern === 'red') for (const x of [60, 160, 260]) await frame.touchscreen.tap(x, 150);
    await tap(frame, pattern === 'ramp' ? 'Finish' : 'Next');
  }
  await says(page, 'test page: 3');
  // The unit that it came out of said nothing of itself: there is nothing to take over.
  expect(await text(page)).not.toContain('Use for this part');
  // Nobody is at Grade any more: what comes then is refused, on both, and lands nowhere.
  await go(page, bench.url, '/dock');
  await page.evaluate(async () => {
    await fetch('/api/instruments/wait', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ part: null, wants: ['torque'] }),
    });
  });
  await tap(frame, 'Touch');
  await frame.waitForSelector('[data-left]');
  for (let row = 0; row < 16; row += 1)
    await wipe(
      frame,
      Array.from({ length: 8 }, (_, column) => [22 + column * 45, 22 + row * 45] as const),
    );
  await says(frame, 'Not taken from the test page');
});

describe('a code is worth one unit for a while, and no more', () => {
  const ask = (page: Page, method: string, path: string, body?: unknown) =>
    page.evaluate(
      async (given) => {
        const answer = await fetch(given.path, {
          method: given.method,
          ...(given.body !== undefined && {
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify(given.body),
          }),
        });
        return { status: answer.status, said: (await answer.json()) as { refusal?: { reason: string } } };
      },
      { method, path, body },
    );
  const touch = { is: 'touch', columns: 8, rows: 16, missed: [], fingers: 2 };

  test('what is sent twice counts once; what is none of ours is refused and changes nothing', async () => {
    const { page, unit, id, tag, code } = await unitUnderTest();
    await unit.goto(`${bench.url}/test`, { waitUntil: 'load' });
    const path = `/api/self-tests/${code}`;
    const given = { id: randomUUID(), read: touch };
    for (let sent = 0; sent < 2; sent += 1)
      expect(await ask(unit, 'POST', path, given)).toEqual({ status: 200, said: { tests: { touch: 'sound' } } });
    await go(page, bench.url, `/t/${tag}`);
    expect((await text(page)).match(/Touch test: OK/g)).toHaveLength(1);
    for (const read of [
      null,
      {},
      { is: 'toString' },
      { ...touch, missed: [-1] },
      { ...touch, columns: 1e9 },
      { is: 'picture', width: 1, height: 1, shown: [], marks: [{ pattern: 'white', kind: 'dot', x: 'a', y: 0 }] },
      { is: 'sound', tones: Array.from({ length: 500 }, () => ({ hertz: 300, quietDb: 0, heardDb: 0 })), byEar: null },
    ])
      expect((await ask(unit, 'POST', path, { id: randomUUID(), read })).status).toBe(400);
    expect((await ask(unit, 'POST', '/api/self-tests/ZZZZZZ', given)).said.refusal?.reason).toBe('self-test-over');
    // Who only looks is not told the code, which records under another name.
    const viewer = await bench.signIn('Tova B.');
    const told = await ask(viewer, 'GET', `/api/units/${id}/self-tests`);
    expect([told.status, JSON.stringify(told.said).includes(code)]).toEqual([200, false]);
    // A code opens nothing else of the shop.
    expect((await ask(unit, 'GET', `/api/units/${id}/self-tests`)).status).toBe(401);
    expect((await ask(unit, 'POST', '/api/self-tests', { unitId: id })).status).toBe(401);
  });

  test('an ended page takes nothing any more, and says what to do', async () => {
    const { page, unit, code } = await unitUnderTest();
    await enter(unit, code);
    await says(unit, 'tests to go');
    await press(page, 'v');
    await says(page, 'Test in the unit’s own browser');
    await tap(unit, 'Touch');
    await unit.waitForSelector('[data-left]');
    for (let row = 0; row < 16; row += 1)
      await wipe(
        unit,
        Array.from({ length: 8 }, (_, column) => [22 + column * 45, 22 + row * 45] as const),
      );
    await says(unit, `the code ${code} is not in use`);
    await says(unit, 'Send again');
  });

  test('who guesses codes is slowed down', async () => {
    const unit = await (await bench.browser.createBrowserContext()).newPage();
    await unit.goto(`${bench.url}/test`, { waitUntil: 'load' });
    const statuses = new Set<number>();
    for (let tries = 0; tries < 80; tries += 1) {
      const { status } = await ask(
        unit,
        'GET',
        `/api/self-tests/ZZZZ${'23456789'[tries % 8]}${'23456789'[(tries >> 3) % 8]}`,
      );
      statuses.add(status);
      if (status === 429) break;
    }
    expect([...statuses].sort()).toEqual([404, 429]);
  });
});
