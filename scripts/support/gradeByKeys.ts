import { setTimeout as pause } from 'node:timers/promises';
import type { KeyInput, Page } from 'puppeteer-core';
import { measuredAttributes, type GradingInstrument, type MeasuredAttribute } from '@/core/shared/gradingRules';
import { scan, settled } from './browser';

/** What makes an instrument read: `good`, or one of its readings by name. */
export type Panels = Partial<Readonly<Record<GradingInstrument, (reading: string) => Promise<unknown>>>>;

export interface Handled {
  /** Keys that were pressed, and what a scanner typed as one. */
  readonly keys: number;
  /** Readings that instruments sent. */
  readonly readings: number;
  readonly seconds: number;
}

/** What a hand counts or reads off a screen, on a part that is fairly good. */
const byHand: Partial<Readonly<Record<MeasuredAttribute, string>>> = {
  cycles: '140',
  deadPixels: '0',
  touchCoverage: '100',
  deadKeys: '0',
  lifeShare: '97',
  badBlocks: '0',
  memoryErrors: '0',
  restVolt: '3.05',
};
/** What a panel is asked for where it has more than one reading. */
const asked: Partial<Readonly<Record<MeasuredAttribute, string>>> = {
  capacityShare: 'share',
  resistanceMilliOhm: 'resistance',
};

/** As fast as a hand: a scanner is faster. */
const handMs = 45;

async function press(page: Page, key: string): Promise<void> {
  await page.keyboard.press(key as KeyInput);
  await pause(handMs);
}

const currentOf = (page: Page) =>
  page.evaluate(() => {
    const row = document.querySelector('[data-current]') as HTMLElement | null;
    return row && { id: row.dataset.attribute as string, isNumber: row.querySelector('input') !== null };
  });

/**
 * Reads the part in hand from end to end, by keys and by the panels of instruments alone, and records it.
 *
 * @param tag  its label, scanned; null for the part that is in hand already
 */
export async function gradeByKeys(page: Page, tag: string | null, panels: Panels): Promise<Handled> {
  const since = performance.now();
  let [keys, readings] = [0, 0];
  if (tag !== null) {
    await scan(page, tag);
    keys += 1;
    await page.waitForFunction(
      (own) => document.querySelector('h1')?.closest('header')?.textContent?.includes(own),
      {},
      tag,
    );
  }
  await settled(page);
  for (let now = await currentOf(page); now; now = await currentOf(page)) {
    const id = now.id as MeasuredAttribute;
    const instrument = now.isNumber ? measuredAttributes[id].instrument : undefined;
    const panel = instrument && panels[instrument];
    if (panel) {
      // The bench has been told what is waited for as soon as the field is there; the server a moment later.
      for (let tries = 0; (await currentOf(page))?.id === id; tries += 1) {
        if (tries % 20 === 0) {
          await panel(asked[id] ?? 'good');
          readings += 1;
        }
        if (tries > 400) throw new Error(`gradeByKeys: nothing was read for ${id}`);
        await pause(50);
      }
      continue;
    }
    const typed = now.isNumber ? [...(byHand[id] ?? ''), 'Enter'] : ['1'];
    if (typed.join('') === 'Enter') throw new Error(`gradeByKeys: nobody reads ${id}`);
    for (const key of typed) await press(page, key);
    keys += typed.length;
    await page.waitForFunction(
      (before) => (document.querySelector('[data-current]') as HTMLElement | null)?.dataset.attribute !== before,
      {},
      id,
    );
  }
  // A field that has the focus takes the pedal for a space.
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await press(page, ' ');
  keys += 1;
  await settled(page);
  return { keys, readings, seconds: (performance.now() - since) / 1000 };
}
