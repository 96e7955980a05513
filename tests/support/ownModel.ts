import type { Page } from 'puppeteer-core';
import { entryHead, entryLineCount, typeEntry } from '../../scripts/support/entryScript';
import { go, pause, press, says, settled, text } from './e2e';

/** Begins a draft from the library, by keys. */
export async function beginDraft(page: Page, url: string, maker: string, name: string): Promise<void> {
  await go(page, url, '/models');
  await press(page, 'n');
  await page.waitForSelector('dialog input');
  await page.keyboard.type(maker);
  await press(page, 'Tab');
  await page.keyboard.type(name);
  await press(page, 'Enter');
  await page.waitForFunction(() => location.pathname.startsWith('/models/drafts/'));
  await settled(page);
}

/** Writes into a field of the editor's sheets and leaves it. */
export async function fill(page: Page, label: string, value: string): Promise<void> {
  const field = await page.waitForSelector(`input[aria-label="${label}"]`);
  await field?.click({ count: 3 });
  await page.keyboard.type(value);
  await press(page, 'Enter');
}

export const saved = (page: Page) => page.waitForSelector('[data-save=saved]', { timeout: 10_000 });

/** Types the model of thirty lines into the editor and mends what the checker finds, until it may be published. */
export async function writeOwnModel(page: Page, url: string): Promise<void> {
  await beginDraft(page, url, entryHead.maker, entryHead.name);
  await page.waitForSelector('input[aria-label="Verb and thing"]');
  await typeEntry(page);
  await press(page, 'Escape');
  await says(page, `${entryLineCount} lines`);
  await press(page, '3');
  await fill(page, 'How to confirm it is off', entryHead.proofOfOff);
  await press(page, '1');
  for (let mends = 0; mends < 12 && !(await text(page)).includes('ready to publish'); mends += 1) {
    await press(page, 'm');
    await pause(250);
  }
  await says(page, 'ready to publish');
}

/** Publishes the draft that is open, with a note. */
export async function publish(page: Page, note: string): Promise<void> {
  await saved(page);
  await press(page, 'p');
  await page.waitForSelector('dialog input');
  await page.keyboard.type(note);
  await press(page, 'Enter');
}
