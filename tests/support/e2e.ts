import type { Browser, KeyInput, Page } from 'puppeteer-core';
import { demoPeople } from '../../scripts/demo/people';
import { openBrowser, scan, settled, signedInPage } from '../../scripts/support/browser';

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
  private readonly sessions = new Map<string, Awaited<ReturnType<Page['cookies']>>>();

  private constructor(
    readonly browser: Browser,
    readonly close: () => Promise<void>,
    readonly url: string,
  ) {}

  static async open(url = demoUrl(), alsoWith: readonly string[] = []): Promise<Bench> {
    const { browser, close } = await openBrowser(alsoWith);
    return new Bench(browser, close, url);
  }

  /** A page of its own for somebody: signed in by hand the first time, with the same session after that. */
  async signIn(
    name: string,
    pin = demoPeople.find((person) => person.name === name)?.pin ?? '',
    bench = 'bench-2',
  ): Promise<Page> {
    const key = `${name} ${bench}`;
    const session = this.sessions.get(key);
    if (!session) {
      const page = await signedInPage(this.browser, this.url, name, pin, bench);
      this.sessions.set(key, await page.cookies());
      return page;
    }
    const page = await (await this.browser.createBrowserContext()).newPage();
    await page.setViewport({ width: 1280, height: 800 });
    // Something small of the application, so that the page is at home there.
    await page.goto(`${this.url}/api/health`);
    await page.setCookie(...session);
    return page;
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

export async function go(page: Page, url: string, path: string): Promise<void> {
  await page.goto(`${url}${path}`, { waitUntil: 'load' });
  await settled(page);
}

export async function heading(page: Page): Promise<string> {
  await page.waitForSelector('h1');
  return page.$eval('h1', ({ textContent }) => (textContent ?? '').replace(/\s+/g, ' ').trim());
}

/** Waits until the page says something, and fails with what it says instead. */
export async function says(page: Page, words: string | RegExp, timeout = 25_000): Promise<void> {
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

export { scan, settled };

/** A field by its name. */
const fieldOf = (name: string) => `input[aria-label="${name}"]`;

/** Writes into a field what stands in it from now on. */
export async function write(page: Page, name: string, value: string): Promise<void> {
  await page.$eval(fieldOf(name), (input) => (input as HTMLInputElement).select());
  await page.type(fieldOf(name), value);
}

export const valueOf = (page: Page, name: string): Promise<string> =>
  page.$eval(fieldOf(name), (input) => (input as HTMLInputElement).value);

/** Does one step after the other until the sheet asks for this one; waits are not timed. */
export async function untilStep(page: Page, words: RegExp): Promise<void> {
  for (let steps = 0; steps < 50; steps += 1) {
    const now = await heading(page);
    if (words.test(now)) return;
    const key = (await page.$('nav[aria-label="Actions"] [aria-keyshortcuts="d"]')) ? 'd' : 'space';
    await press(page, key);
    await page.waitForFunction((before) => document.querySelector('h1')?.textContent?.trim() !== before, {}, now);
  }
  throw new Error(`the sheet never came to ${String(words)}`);
}
