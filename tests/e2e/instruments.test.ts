import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { run } from '../../scripts/support/processes';
import { openOwnDemo } from '../support/ownDemo';
import { act, endStandIns, makeKey, standIn } from '../support/standIns';
import { type Bench, go, heading, pause, press, says, scan, settled, text, watchTrouble } from '../support/e2e';

let bench: Bench;
const folder = mkdtempSync(join(tmpdir(), 'plucky-instruments-'));
let close: () => Promise<void>;
beforeAll(async () => {
  ({ bench, close } = await openOwnDemo('plucky_instruments_test'));
});
afterEach(async () => {
  await endStandIns();
  await bench.leave();
});
afterAll(async () => {
  await close();
  rmSync(folder, { recursive: true });
});

/** Written from docs/formats/readings.md alone: it shares nothing with the application. */
const sender = `
const [url, key, ...messages] = process.argv.slice(2);
const fill = (message) => ({ id: crypto.randomUUID(), at: new Date().toISOString(), ...JSON.parse(message) });
const [type, body] = messages.length === 1
  ? ['application/json', JSON.stringify(fill(messages[0]))]
  : ['application/x-ndjson', messages.map((message) => message === 'not json' ? message : JSON.stringify(fill(message))).join('\\n')];
const response = await fetch(url + '/api/readings', {
  method: 'POST', body, headers: { authorization: 'Bearer ' + key, 'content-type': type } });
console.log(response.status);
console.log(await response.text());
`;
const senderFile = join(folder, 'sender.mjs');
writeFileSync(senderFile, sender);
async function send(key: string, ...messages: readonly (object | string)[]) {
  const ran = await run(process.execPath, [
    ...[senderFile, bench.url, key],
    ...messages.map((message) => (typeof message === 'string' ? message : JSON.stringify(message))),
  ]);
  const [status, ...lines] = ran.stdout.trim().split('\n');
  const answers = lines.map((line) => JSON.parse(line) as { ok?: boolean; refusal?: { reason: string } });
  return { status: Number(status), answers, reasons: answers.map(({ ok, refusal }) => (ok ? 'ok' : refusal?.reason)) };
}

/** Opens a part at Grade by scanning its label, and waits until the bench waits for its readings. */
async function inHand(page: Page, name: RegExp): Promise<string> {
  const waitedFor: string[] = [];
  page.on('response', (response) => {
    if (response.url().includes('/api/instruments/wait')) waitedFor.push(response.request().postData() ?? '');
  });
  await go(page, bench.url, '/grade');
  const entries = await page.$$eval('nav button', (all) => all.map(({ textContent }) => textContent ?? ''));
  const tag = /P-\d+/.exec(entries.find((entry) => name.test(entry)) ?? '')?.[0] ?? '';
  await scan(page, tag);
  while (!waitedFor.some((body) => body.includes(tag))) await pause(50);
  await settled(page);
  return tag;
}

const measured = (page: Page) =>
  page.$$eval('main ul li', (rows) => rows.map((row) => (row as HTMLElement).innerText.replace(/\s+/g, ' ')));

test('a sender that knows the document alone: readings land in their fields; what cannot be is refused and said', async () => {
  const page = await bench.signIn('Imke R.', undefined, 'bench-1');
  const troubles = watchTrouble(page);
  const name = `everything ${Date.now()}`;
  const key = await makeKey(page, bench.url, name);
  await inHand(page, /P-\d+display/);
  const id = randomUUID();
  expect(
    await send(key, { id, instrument: 'surface-probe', value: 0.012, unit: 'mm', plusMinus: 0.002 }),
  ).toMatchObject({
    status: 200,
    reasons: ['ok'],
  });
  await says(page, 'surface probe: 12');
  const answers = await send(
    key,
    { id, instrument: 'surface-probe', value: 4, unit: 'um' },
    { instrument: 'surface-probe', value: 12, unit: 'mm' },
    { instrument: 'surface-probe', value: 2, unit: 'um', at: '2026-01-01T00:00:00.000Z' },
    'not json',
    { instrument: 'surface-probe', value: 2, unit: 'um', part: 'P-99999' },
    { instrument: 'surface-probe', value: 2, unit: 'kg' },
    { instrument: 'analyser', value: 91, unit: '%' },
    { instrument: 'kettle', value: 91, unit: 'C' },
  );
  expect(answers.status).toBe(200);
  expect([...answers.reasons].sort()).toEqual([
    'bad-input',
    'bad-input',
    'reading-doubled',
    'reading-out-of-range',
    'reading-stale',
    'reading-unit',
    'reading-unwanted',
    'reading-wrong-part',
  ]);
  await says(page, 'Not taken from the');
  expect((await measured(page)).filter((row) => row.startsWith('Deepest'))).toEqual([expect.stringMatching(/12.*µm/)]);
  expect((await send('nobody', { instrument: 'scale', value: 1, unit: 'g' })).status).toBe(401);
  // The key is taken away again: the instrument speaks to nobody.
  await go(page, bench.url, '/instruments');
  await says(page, 'reading is');
  await page.click(`button[aria-label="Remove ${name}"]`);
  await page.waitForFunction((gone) => !document.body.innerText.includes(gone), { timeout: 25_000 }, name);
  expect((await send(key, { instrument: 'scanner', code: 'x' })).status).toBe(401);
  expect(troubles).toEqual([]);
});

test('the analyser’s stand-in streams a discharge: it is counted as its log would be, and graded', async () => {
  const page = await bench.signIn('Oskar V.', undefined, 'bench-1');
  const key = await makeKey(page, bench.url, 'analyser');
  const panel = await standIn('analyser', bench.url, key);
  expect(await (await fetch(panel)).text()).toContain('Simulated');
  await inHand(page, /P-\d+battery/);
  // One cell is not the pack of three that lies there.
  await act(panel, 'good');
  await says(page, /Running now: [\d,]+ samples/, 20_000);
  await says(page, 'It is one cell of a pack', 20_000);
  await act(panel, 'worn-pack');
  await says(page, /Running now: [\d,]+ samples/, 20_000);
  await says(page, /Capacity against rated (6|7)\d/, 30_000);
  await says(page, /Internal resistance \d/);
  await settled(page);
  expect(await text(page)).not.toMatch(/Running now/);
});

test('a gauge’s stand-in is good, in another unit, broken and late: only what can be is taken', async () => {
  const page = await bench.signIn('Imke R.', undefined, 'bench-1');
  const key = await makeKey(page, bench.url, 'probe');
  const panel = await standIn('surface-probe', bench.url, key);
  await inHand(page, /P-\d+display/);
  await act(panel, 'thousandfold');
  await says(page, 'cannot be');
  await act(panel, 'late');
  await says(page, 'behind the clock');
  await act(panel, 'other-part');
  await says(page, 'Nothing was written to either');
  await act(panel, 'flood');
  await says(page, /surface probe: \d/);
  // What was too much is refused, and said on its panel; a moment later it is heard again.
  while (!(await (await fetch(panel)).text()).includes('reading-flood')) await pause(100);
  await pause(1500);
  await act(panel, 'other-unit');
  await says(page, /surface probe: \d/);
  expect(await heading(page)).toMatch(/read|limited/);
});

test('a printer that knows its document alone takes what waits, and says what came out; without its key nothing is told', async () => {
  const page = await bench.signIn('Imke R.', undefined, 'bench-2');
  const troubles = watchTrouble(page);
  await go(page, bench.url, '/labels');
  const shown = () => page.$$eval('main img', (images) => images.map(({ alt }) => /[UP]-\d+/.exec(alt)?.[0]));
  const waiting = await shown();
  expect(waiting.length).toBeGreaterThan(3);
  await says(page, 'No printer asks for work');
  const key = await makeKey(page, bench.url, 'printer by the door');
  const ask = async (body: object, bearer = key) => {
    const response = await fetch(`${bench.url}/api/print-jobs`, {
      method: 'POST',
      headers: { authorization: `Bearer ${bearer}`, 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    return { status: response.status, ...((await response.json()) as Printing) };
  };
  expect((await ask({ printed: [], room: 2 }, 'nobody')).status).toBe(401);
  expect((await ask({ printed: 'all', room: 2 })).status).toBe(422);
  expect((await ask({ printed: [], room: 500 })).status).toBe(422);
  const first = await ask({ printed: [], room: 2 });
  expect(first.jobs?.map(({ tag }) => tag)).toEqual(waiting.slice(0, 2));
  for (const { svg } of first.jobs ?? []) expect(svg).toMatch(/^<svg[^]*<\/svg>\s*$/);
  await go(page, bench.url, '/labels');
  await says(page, 'printer by the door asked at');
  const ids = (first.jobs ?? []).map(({ id }) => id);
  expect((await ask({ printed: ids, room: 0, trouble: 'no-paper' })).jobs).toEqual([]);
  await page.waitForFunction((left) => document.querySelectorAll('main img').length === left, {}, waiting.length - 2);
  await says(page, 'load a roll');

  // The stand-in prints the rest by itself; what it printed and lost its power over it prints again.
  const panel = await standIn('label-printer', bench.url, key);
  await act(panel, 'forget');
  await page.waitForFunction(() => document.querySelectorAll('main img').length === 0);
  await says(page, 'All labels are printed');
  const out = await (await fetch(panel)).text();
  const printed = [...out.matchAll(/data-tag="([^"]+)"/g)].map(([, tag]) => tag).reverse();
  expect(new Set(printed)).toEqual(new Set(waiting.slice(2)));
  expect(printed.length).toBe(waiting.length - 2 + 1);
  expect(troubles).toEqual([]);
});

test('a cell is put on its charger: it waits last in its queue, whoever looks, until somebody takes it off', async () => {
  const page = await bench.signIn('Imke R.', undefined, 'bench-1');
  const troubles = watchTrouble(page);
  const tag = await inHand(page, /P-\d+battery/);
  await says(page, 'fire-safe place');
  await press(page, 'o');
  await says(page, 'Charging until');
  const queue = () => page.$$eval('main nav > ul button', (all) => all.map(({ textContent }) => textContent ?? ''));
  await page.waitForFunction(
    (wanted) => [...document.querySelectorAll('main nav > ul button')].at(-1)?.textContent?.includes(wanted),
    {},
    tag,
  );
  expect((await queue()).at(-1)).toMatch(/done at \d\d:\d\d/);
  await settled(page);
  // Somebody else, elsewhere, after a reload: it runs on the server.
  const other = await bench.signIn('Oskar V.', undefined, 'bench-2');
  await go(other, bench.url, '/grade');
  await says(other, 'done at');
  await go(page, bench.url, `/grade?part=${tag}`);
  await says(page, 'Charging until');
  await press(page, 'o');
  await says(page, 'Put it on its charger');
  await settled(page);
  await go(other, bench.url, '/grade');
  expect(await text(other)).not.toContain('done at');
  await go(page, bench.url, `/t/${tag}`);
  await says(page, 'Cell taken off its charger');
  await says(page, 'Cell put on its charger: a full cycle of');
  expect(troubles).toEqual([]);
});

interface Printing {
  readonly jobs?: readonly { readonly id: number; readonly tag: string; readonly svg: string }[];
  readonly waiting?: number;
}
