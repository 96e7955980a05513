import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Knex } from 'knex';
import type { Page } from 'puppeteer-core';
import { wordedFact } from '@/core/shop/makeFact';
import type { FactType, Payloads } from '@/core/shop/facts';
import type { Person } from '@/core/people/roles';
import { previewManifest } from '@/services/dock/previewManifest';
import { recordFact } from '@/services/facts/recordFact';
import { settled } from './browser';
import { projectRoot } from './home';

/** Receives the shipped parcel of sixty and tags every unit of it, as Dock would. */
export async function receiveSixty(db: Knex, person: Person): Promise<void> {
  const now = new Date();
  const act = async <T extends FactType>(type: T, subjectId: string, expects: number | null, payload: Payloads[T]) => {
    const fact = wordedFact<FactType>(
      { type, subjectId, payload },
      { id: randomUUID(), expects, at: now.toISOString() },
    );
    const outcome = await recordFact(db, person, fact, now);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.refusal));
  };
  const preview = await previewManifest(db, readFileSync(join(projectRoot, 'data', 'demo', 'winter-lot.csv')));
  if (!preview.ok || !preview.value.read.ok) throw new Error('the list of sixty cannot be read');
  const { lines } = preview.value.read.value;
  const parcelId = randomUUID();
  const about = { supplier: 'Saltreach School Boat', pricePaidCents: 120_000, transportCents: 0 };
  await act('parcel-made', parcelId, null, { code: 'Sixty', receivedOn: now.toISOString().slice(0, 10), ...about });
  await act('lines-expected', parcelId, 1, { fileName: 'winter-lot.csv', lines });
  for (const { lineNo } of lines) await act('unit-tagged', randomUUID(), null, { parcelId, lineNo });
}

const SERIAL = 'the serial';

export interface SixtyTriaged {
  readonly units: number;
  readonly mostKeys: number;
  readonly meanKeys: number;
  readonly seconds: number;
}

/** Triages what waits by keys alone, so many at most: identified, a crack on every third, a fault on every fourth, the rest sound. */
export async function triageSixty(page: Page, url: string, most = 60): Promise<SixtyTriaged> {
  await page.goto(`${url}/triage`, { waitUntil: 'load' });
  await settled(page);
  const counts: number[] = [];
  const since = performance.now();
  const title = () => page.$eval('h1', ({ textContent }) => textContent ?? '');
  const asks = () =>
    page.$eval(
      'dialog',
      (dialog, serial) => (dialog.querySelector('input') ? serial : (dialog.textContent ?? '')),
      SERIAL,
    );
  const skips = 8;
  for (let skipped = 0; counts.length < most && skipped < skips;) {
    const heading = await title();
    if (!/which model is it/.test(heading)) {
      await page.keyboard.press('ArrowDown');
      skipped += 1;
      continue;
    }
    skipped = 0;
    let keys = 0;
    const press = async (...names: readonly string[]) => {
      for (const name of names) {
        await page.keyboard.press(name as never);
        // A hand's pace: a scanner would be faster.
        await new Promise((done) => setTimeout(done, 45));
        keys += 1;
      }
    };
    await press('i');
    await page.waitForSelector('dialog input');
    await press('Enter');
    // Each answer is waited for, so that a slow machine's next question does not get the key of the one before.
    for (let asked = await asks(); asked !== SERIAL; asked = await asks()) {
      await press('1');
      await page.waitForFunction(
        (before) => (document.querySelector('dialog')?.textContent ?? '') !== before,
        { polling: 20 },
        asked,
      );
    }
    await press('Enter');
    await page.waitForFunction(() => document.querySelector('dialog') === null);
    await page.waitForFunction((old) => document.querySelector('h1')?.textContent !== old, {}, heading);
    if (counts.length % 3 === 0) await press('c', '5');
    if (counts.length % 4 === 0) await press('2', '2');
    await press('y', ' ');
    const tag = heading.slice(0, 6);
    await page
      .waitForFunction(
        (gone) => !document.querySelector('nav[aria-label="Units to look at"]')?.textContent?.includes(gone),
        {},
        tag,
      )
      .catch(async () => {
        const says = await page.evaluate(() => document.body.innerText.replace(/\s+/g, ' '));
        throw new Error(`${tag} was not decided, unit ${counts.length + 1}. The page says: ${says}`);
      });
    counts.push(keys);
  }
  return {
    units: counts.length,
    mostKeys: Math.max(...counts),
    meanKeys: counts.reduce((sum, count) => sum + count, 0) / counts.length,
    seconds: (performance.now() - since) / 1000,
  };
}
