import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import type { Page } from 'puppeteer-core';
import type { Fact } from '@/core/shop/facts';
import { settled } from './browser';
import { spreadOf, type Spread } from './spread';

const presses = 60;
const benches = 20;
const queued = 5000;
const seen = 30;
const batch = 50;

/** Presses a key inside the page and answers with the milliseconds until the heading is another and drawn. */
const pressAndWatch = (key: string): string => `new Promise((done) => {
  const title = () => document.querySelector('h1')?.textContent;
  const before = title();
  const since = performance.now();
  const look = () => {
    if (title() !== before) requestAnimationFrame(() => done(performance.now() - since));
    else if (performance.now() - since > 5000) done(NaN);
    else requestAnimationFrame(look);
  };
  const press = { key: ${JSON.stringify(key)}, bubbles: true, cancelable: true };
  document.body.dispatchEvent(new KeyboardEvent('keydown', press));
  requestAnimationFrame(look);
})`;

/** Milliseconds from a key press to the frame in which the next operation stands. */
export async function painted(page: Page): Promise<readonly number[]> {
  const values: number[] = [];
  while (values.length < presses) {
    for (const key of [' ', 'u']) {
      // As text: what a tool adds to a function is not known inside the page.
      const ms = (await page.evaluate(pressAndWatch(key))) as number;
      if (key === ' ') values.push(ms);
      await new Promise((done) => setTimeout(done, 150));
    }
  }
  return values;
}

/** From the key press to the server's answer, over steps of a run sheet that are done and taken back in turn. */
export async function acknowledged(page: Page, url: string, steps: number): Promise<Spread> {
  await page.goto(`${url}/teardown`, { waitUntil: 'load' });
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => location.pathname.startsWith('/bench/'));
  await settled(page);
  const count = () => page.evaluate(() => window.pluckyAcknowledgedMs?.length ?? 0);
  const values: number[] = [];
  while (values.length < steps) {
    for (const key of [' ', 'u'] as const) {
      const before = await count();
      await page.keyboard.press(key);
      await page.waitForFunction((known) => (window.pluckyAcknowledgedMs?.length ?? 0) > known, { polling: 5 }, before);
      const ms = await page.evaluate(() => window.pluckyAcknowledgedMs?.at(-1) ?? Number.NaN);
      if (key === ' ') values.push(ms);
      await new Promise((done) => setTimeout(done, 60));
    }
  }
  return spreadOf(values);
}

export interface Door {
  readonly url: string;
  readonly cookie: string;
}

/** Benches keep their line open; and by the platform's plainest client, since what measures runs on the same cores. */
const agent = new Agent({ keepAlive: true });

/** @returns how many of the facts were taken in */
export async function post({ url, cookie }: Door, facts: readonly Fact[]): Promise<number> {
  const { answers } = JSON.parse(await sent(`${url}/api/facts`, cookie, JSON.stringify({ facts }))) as {
    answers: readonly { readonly ok: boolean }[];
  };
  return answers.filter(({ ok }) => ok).length;
}

const sent = (url: string, cookie: string, body: string): Promise<string> =>
  new Promise((done, fail) => {
    const headers = {
      cookie,
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
      'sec-fetch-site': 'same-origin',
    };
    const asked = request(url, { method: 'POST', agent, headers }, (response) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('end', () => done(Buffer.concat(chunks).toString()));
      response.on('error', fail);
    });
    asked.on('error', fail);
    asked.end(body);
  });

/** A unit that takes as many facts as one likes: a note is kept, and changes nothing. */
export async function makeUnit(door: Door): Promise<string> {
  const [parcelId, unitId] = [randomUUID(), randomUUID()];
  const at = new Date().toISOString();
  const about = { supplier: 'Load', pricePaidCents: 1, transportCents: 0, receivedOn: at.slice(0, 10) };
  await post(door, [
    {
      id: randomUUID(),
      type: 'parcel-made',
      subjectId: parcelId,
      expects: null,
      at,
      payload: { code: `Load ${parcelId.slice(0, 8)}`, ...about },
    } as Fact,
    {
      id: randomUUID(),
      type: 'unit-tagged',
      subjectId: unitId,
      expects: null,
      at,
      payload: { parcelId, lineNo: null },
    } as Fact,
  ]);
  return unitId;
}

export const note = (subjectId: string, expects: number): Fact => ({
  id: randomUUID(),
  type: 'note-written',
  subjectId,
  expects,
  at: new Date().toISOString(),
  payload: { stepId: null, text: 'load' },
});

/** Twenty benches, each with a step every three seconds and its screen read anew after it. */
function work(door: Door): { readonly stop: () => Promise<void> } {
  let isOver = false;
  const one = async (at: number) => {
    const unitId = await makeUnit(door);
    await new Promise((done) => setTimeout(done, at * 150));
    for (let version = 1; !isOver; version += 1) {
      await post(door, [note(unitId, version)]);
      await (await fetch(`${door.url}/teardown`, { headers: { cookie: door.cookie } })).text();
      await new Promise((done) => setTimeout(done, 3000));
    }
  };
  const all = Array.from({ length: benches }, (_, at) => one(at));
  return {
    stop: async () => {
      isOver = true;
      await Promise.all(all);
    },
  };
}

/** Milliseconds from a fact of somebody else to the screen that shows it, by the count of what waits for triage. */
async function seenElsewhere(page: Page, door: Door): Promise<readonly number[]> {
  await page.goto(`${door.url}/`, { waitUntil: 'load' });
  await settled(page);
  const stage = 'a[data-stage="triage"] span';
  const values: number[] = [];
  while (values.length < seen) {
    const before = await page.$eval(stage, ({ textContent }) => Number(textContent));
    const since = performance.now();
    await makeUnit(door);
    await page.waitForFunction(
      (place, count) => Number(document.querySelector(place)?.textContent) > count,
      {},
      stage,
      before,
    );
    values.push(performance.now() - since);
    await new Promise((done) => setTimeout(done, 1500));
  }
  return values;
}

const spread = (values: readonly number[]): string => {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number) => (sorted[Math.floor(share * (sorted.length - 1))] ?? Number.NaN).toFixed(1);
  return `median ${at(0.5)} ms, p95 ${at(0.95)} ms`;
};

/** How quickly the bench answers a hand, alone and among twenty, and how soon an outage is caught up with. */
export async function benchFigures(page: Page, path: string, door: Door): Promise<readonly string[]> {
  await page.goto(`${door.url}${path}`, { waitUntil: 'load' });
  await settled(page);
  const alone = await painted(page);
  const elsewhere = await seenElsewhere(page, door);
  await page.goto(`${door.url}${path}`, { waitUntil: 'load' });
  await settled(page);
  const load = work(door);
  await new Promise((done) => setTimeout(done, 4000));
  const among = await painted(page);
  await load.stop();
  const unitId = await makeUnit(door);
  const since = performance.now();
  let taken = 0;
  for (let sent = 0; sent < queued; sent += batch)
    taken += await post(
      door,
      Array.from({ length: batch }, (_, at) => note(unitId, sent + at + 1)),
    );
  const seconds = (performance.now() - since) / 1000;
  return [
    `Key press to the next operation painted: ${spread(alone)} alone, ${spread(among)} with ${benches} benches at work.`,
    `A fact of one bench is on another’s screen: ${spread(elsewhere)}, two requests of the one who makes it included.`,
    `${taken} facts that waited through an outage arrive in ${seconds.toFixed(0)} s, ${(taken / seconds).toFixed(0)} a second, in order.`,
  ];
}
