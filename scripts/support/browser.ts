import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import puppeteer, { type Browser, type Page } from 'puppeteer-core';

export interface OpenBrowser {
  readonly browser: Browser;
  readonly close: () => Promise<void>;
}

/** Debian's Chromium without a window, with a fresh profile and no talk to the outside. @param alsoWith  arguments of its own */
export async function openBrowser(alsoWith: readonly string[] = []): Promise<OpenBrowser> {
  const profile = mkdtempSync(join(tmpdir(), 'plucky-browser-'));
  const browser = await puppeteer.launch({
    executablePath: process.env.PLUCKY_CHROMIUM ?? '/usr/bin/chromium-headless-shell',
    // The engine alone: the whole browser draws tool bars that nobody sees, which took two thirds of the machine.
    headless: 'shell',
    userDataDir: profile,
    defaultViewport: { width: 1280, height: 800 },
    args: [
      '--no-sandbox',
      '--disable-gpu',
      // Frames are not sent from process to process, and none is started ahead: a seventh of the work.
      '--in-process-gpu',
      '--disable-features=SpareRendererForSitePerProcess',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--font-render-hinting=none',
      '--hide-scrollbars',
      ...alsoWith,
    ],
  });
  return {
    browser,
    close: async () => {
      await browser.close();
      rmSync(profile, { recursive: true, force: true });
    },
  };
}

/** Opens a page of its own session, signed in by keys as a person would. */
export async function signedInPage(
  browser: Browser,
  url: string,
  name: string,
  pin: string,
  bench = 'bench-2',
): Promise<Page> {
  const context = await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await signInOn(page, url, name, pin, bench);
  return page;
}

/** Signs somebody in on a page, in the place of whoever was. */
export async function signInOn(page: Page, url: string, name: string, pin: string, bench = 'bench-2'): Promise<void> {
  await page.goto(`${url}/sign-in`, { waitUntil: 'load' });
  // Before React has taken over, keys and clicks go nowhere.
  await page.waitForSelector('main[data-ready]');
  const buttons = await page.$$eval('main button[aria-pressed]', (all) =>
    all.map(({ textContent }) => textContent ?? ''),
  );
  const place = buttons.findIndex((text) => text.includes(name));
  if (place === -1) throw new Error(`signInOn: nobody is called ${name}`);
  await page.select('select', bench);
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press(String(place + 1) as '1');
  await page.waitForSelector('input[type=password]:not([disabled])');
  await page.focus('input[type=password]');
  await page.keyboard.type(pin);
  await page.keyboard.press('Enter');
  await page.waitForFunction(() => location.pathname === '/', { timeout: 15_000 });
  await settled(page);
}

/** Waits until keys are heard, every fact is acknowledged, and what follows from the last one is drawn. */
export async function settled(page: Page): Promise<void> {
  await page.waitForFunction(
    () =>
      document.documentElement.dataset.keys === 'heard' &&
      document.documentElement.dataset.news === undefined &&
      document.querySelector('[data-waiting]')?.getAttribute('data-waiting') === '0',
    { timeout: 30_000, polling: 50 },
  );
  await new Promise((done) => setTimeout(done, 150));
}

/**
 * Types a tag as a scanner does: in one breath, whatever the load of the machine. Sent from inside the page, since a key
 * sent from outside waits for the one before to be answered.
 */
export async function scan(page: Page, tag: string): Promise<void> {
  await page.evaluate(
    (keys) => {
      for (const key of keys)
        (document.activeElement ?? document.body).dispatchEvent(
          new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
        );
    },
    [...tag, 'Enter'],
  );
}

export async function switchTheme(page: Page, theme: 'light' | 'dark'): Promise<void> {
  await page.evaluate((wanted) => localStorage.setItem('theme', wanted), theme);
  await page.reload({ waitUntil: 'load' });
}
