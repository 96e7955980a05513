import { randomUUID } from 'node:crypto';
import type { Browser, KeyInput, Page } from 'puppeteer-core';
import type { Unit } from '@/core/bench/entities';
import type { Model } from '@/core/procedure/model';
import type { Acknowledged } from '@/services/events/recordEvent';
import type { Answer } from '@/ui/facts/eventQueue';
import { demoPeople } from '../../scripts/demo/people';
import { openBrowser, settled, signedInPage } from '../../scripts/support/browser';

/** Where `./plucky test` serves the demo. */
export function demoUrl(): string {
  const url = process.env.PLUCKY_TEST_URL;
  if (!url) throw new Error('End-to-end tests are run by ./plucky test, which starts the application first.');
  return url;
}

/** Trouble that a page had by itself: console errors and uncaught faults. */
export function watchTrouble(page: Page): string[] {
  const troubles: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error') troubles.push(`console: ${message.text()} ${message.location().url ?? ''}`);
  });
  page.on('pageerror', (error) => troubles.push(`uncaught: ${String(error)}`));
  return troubles;
}

/** One browser for a test file. */
export class Bench {
  private constructor(
    readonly browser: Browser,
    readonly close: () => Promise<void>,
    readonly url: string,
  ) {}

  static async open(url = demoUrl()): Promise<Bench> {
    const { browser, close } = await openBrowser();
    return new Bench(browser, close, url);
  }

  signIn(
    name: string,
    pin = demoPeople.find((person) => person.name === name)?.pin ?? '',
    bench = 'bench-2',
  ): Promise<Page> {
    return signedInPage(this.browser, this.url, name, pin, bench);
  }

  /** Closes the pages of everybody who signed in. */
  async leave(): Promise<void> {
    for (const context of this.browser.browserContexts()) if (context.id !== undefined) await context.close();
  }
}

/** What a page says, as a person reads it. */
export const text = (page: Page) => page.evaluate(() => document.body.innerText.replace(/\s+/g, ' '));

export const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** Presses keys as a hand does, one after the other. `space` is the pedal. */
export async function press(page: Page, ...keys: string[]): Promise<void> {
  for (const key of keys) {
    await page.keyboard.press((key === 'space' ? ' ' : key) as KeyInput);
    await pause(45);
  }
}

/**
 * Types a tag as a scanner does: a few milliseconds a key, whatever the load of the machine. Sent from inside the page,
 * since a key sent from outside waits for the one before to be answered.
 */
export async function scan(page: Page, tag: string): Promise<void> {
  await page.evaluate(
    async (keys) => {
      for (const key of keys) {
        (document.activeElement ?? document.body).dispatchEvent(
          new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
        );
        await new Promise((done) => setTimeout(done, 3));
      }
    },
    [...tag, 'Enter'],
  );
}

export async function go(page: Page, url: string, path: string): Promise<void> {
  await page.goto(`${url}${path}`, { waitUntil: 'load' });
  await settled(page);
}

export const heading = (page: Page): Promise<string> =>
  page.$eval('h1', ({ textContent }) => (textContent ?? '').replace(/\s+/g, ' ').trim());

/** Waits until the page says something, and fails with what it says instead. */
export async function says(page: Page, words: string | RegExp, timeout = 8000): Promise<void> {
  const pattern = typeof words === 'string' ? words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&') : words.source;
  try {
    await page.waitForFunction(
      (source) => new RegExp(source, 'i').test(document.body.innerText.replace(/\s+/g, ' ')),
      { timeout },
      pattern,
    );
  } catch {
    const text = await page.evaluate(() => document.body.innerText.replace(/\s+/g, ' ').slice(0, 1500));
    throw new Error(`the page never said “${String(words)}”. It says: ${text}`);
  }
}

interface MadeUnit {
  readonly id: string;
  readonly tag: string;
}

/**
 * A unit of its own for a test, made by facts over the application's own door: tagged, identified, decided and wiped,
 * and so ready for the bench.
 */
export async function makeDonor(page: Page, model: Model): Promise<MadeUnit> {
  const parcelId = randomUUID();
  const id = randomUUID();
  const versions = new Map<string, number>();
  const act = async (type: string, subjectId: string, payload: object): Promise<Acknowledged> => {
    const event = {
      id: randomUUID(),
      type,
      subjectId,
      expects: versions.get(subjectId) ?? null,
      at: new Date().toISOString(),
      payload,
    };
    const { answers } = (await page.evaluate(
      async (body) => {
        const headers = { 'content-type': 'application/json' };
        return (await fetch('/api/events', { method: 'POST', headers, body })).json();
      },
      JSON.stringify({ events: [event] }),
    )) as { answers: readonly Answer[] };
    const [answer] = answers;
    if (!answer?.ok) throw new Error(`${type}: ${JSON.stringify(answer)}`);
    for (const { id: thing, after } of answer.value.results) if (after) versions.set(thing, after.version);
    return answer.value;
  };
  const about = { supplier: 'Test', pricePaidCents: 100, transportCents: 0, receivedOn: '2026-11-25' };
  await act('parcel-made', parcelId, { code: `Lot ${parcelId.slice(0, 8)}`, ...about });
  const tagged = await act('unit-tagged', id, { parcelId, lineNo: null });
  await act('unit-identified', id, {
    modelId: model.id,
    modelVersion: model.version,
    revision: model.revisions[0]?.id ?? '',
    configuration: model.configurations[0]?.id ?? '',
    variant: model.variants[0]?.id ?? '',
    serial: '',
  });
  await act('unit-decided', id, { disposition: 'donor', proposed: 'donor', apartPlace: null });
  await act('wipe-recorded', id, { method: 'device-erase' });
  const unit = tagged.results.find((result) => result.id === id)?.after as Unit;
  return { id, tag: unit.tag };
}

export { settled };
