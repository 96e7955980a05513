import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import type { Page } from 'puppeteer-core';
import { takeApartAll } from '../demo/takeApartAll';
import { settled } from './browser';
import { gradeByKeys, type Handled, type Panels } from './gradeByKeys';
import { spreadOf } from './spread';

/** What instruments read off parts that are fairly good: value and unit, `good` or by the name of the reading. */
const reads: Readonly<Record<string, Readonly<Record<string, readonly [value: number, unit: string]>>>> = {
  analyser: { share: [91, '%'], resistance: [82, 'mOhm'] },
  calliper: { good: [0.06, 'mm'] },
  'flatness-gauge': { good: [0.12, 'mm'] },
  'surface-probe': { good: [1.6, 'um'] },
  'torque-driver': { good: [40, 'N.cm'] },
  'sound-level': { good: [75, 'dB'] },
  'leak-tester': { good: [1.2, 'mbar'] },
};

/** Instruments that answer at once, with a key of the bench that the page stands at. */
async function wired(page: Page, url: string): Promise<Panels> {
  const key = await page.evaluate(async () => {
    const made = await fetch('/api/instruments/keys', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'bench' }),
    });
    return ((await made.json()) as { key: string }).key;
  });
  const panel = (instrument: string) => (reading: string) => {
    const [value, unit] = reads[instrument]?.[reading] ?? [0, ''];
    return fetch(`${url}/api/readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${key}` },
      body: JSON.stringify({ id: randomUUID(), instrument, at: new Date().toISOString(), value, unit }),
    });
  };
  return Object.fromEntries(Object.keys(reads).map((instrument) => [instrument, panel(instrument)]));
}

/**
 * Grades so many parts of the demo by keys and instruments, as fast as a hand presses keys.
 *
 * @param page  signed in to a demo that nobody else uses
 */
export async function keyFigures(db: Knex, page: Page, url: string, parts: number): Promise<readonly string[]> {
  await takeApartAll(db, new Date());
  const panels = await wired(page, url);
  const tags = (await db('parts').where({ place: 'grade' }).orderBy('tag_no').limit(parts).pluck('tag')) as string[];
  await page.goto(`${url}/grade`, { waitUntil: 'load' });
  const handled: Handled[] = [];
  for (const tag of tags) handled.push(await gradeByKeys(page, tag, panels));
  // The rest are second looks, which are read as any part is.
  while (handled.length < parts) {
    await page.goto(`${url}/grade`, { waitUntil: 'load' });
    await settled(page);
    await page.$eval('section[aria-label="Look again, blind"] li button', (button) => (button as HTMLElement).click());
    handled.push(await gradeByKeys(page, null, panels));
  }
  const of = (figure: keyof Handled) => spreadOf(handled.map((own) => own[figure]));
  const [keys, seconds] = [of('keys'), of('seconds')];
  const readings = handled.reduce((sum, own) => sum + own.readings, 0);
  return [
    `${handled.length} parts graded by keys: ${keys.median} keys a part (p95 ${keys.p95}), ${readings} readings by instruments, ` +
      `${seconds.median.toFixed(1)} s a part (p95 ${seconds.p95.toFixed(1)} s) at 22 keys a second.`,
  ];
}
