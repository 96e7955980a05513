import { readFileSync } from 'node:fs';
import type { Page } from 'puppeteer-core';
import { screens } from '../../scripts/support/screens';
import { Bench, go, press, settled, watchTrouble } from '../support/e2e';

const axe = readFileSync(require.resolve('axe-core/axe.min.js'), 'utf8');

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

interface Violation {
  readonly id: string;
  readonly impact: string;
  readonly nodes: { readonly html: string; readonly failureSummary: string }[];
}

/** Colours live in tokens that follow a class of the page: this is what switching the light does. */
const light = (page: Page, theme: 'light' | 'dark') =>
  page.evaluate((wanted) => {
    document.documentElement.classList.remove('light', 'dark');
    document.documentElement.classList.add(wanted);
  }, theme);

async function serious(page: Page, options: string): Promise<readonly string[]> {
  const { violations } = (await page.evaluate(`axe.run(document, { ${options} })`)) as {
    violations: Violation[];
  };
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .flatMap(({ id, nodes }) =>
      nodes.slice(0, 5).map(({ html, failureSummary }) => `${id}: ${html.slice(0, 200)} ${failureSummary}`),
    );
}

async function unitsAtTheBench(page: Page): Promise<string[]> {
  const found: string[] = [];
  for (const list of ['/teardown', '/rebuild']) {
    await go(page, bench.url, list);
    const tags = await page.$$eval('main li a', (links) =>
      links.map(({ textContent }) => textContent?.match(/U-\d+/)?.[0] ?? ''),
    );
    found.push(...tags.slice(0, 2).map((tag) => `/bench/${tag}`), `/t/${tags[0]}`);
  }
  return found;
}

test('no screen has a serious accessibility finding in either light, a console error or a breach of the content policy', async () => {
  const page = await bench.signIn('Sunniva T.');
  const troubles = watchTrouble(page);
  const findings: string[] = [];
  const note = (path: string, found: readonly string[]) => findings.push(...found.map((one) => `${path}: ${one}`));
  for (const path of [...screens, ...(await unitsAtTheBench(page))]) {
    await go(page, bench.url, path);
    await page.evaluate(axe);
    note(path, await serious(page, 'resultTypes: ["violations"]'));
    // Only colours differ under the lamp: only they are looked at again.
    await light(page, 'dark');
    note(`${path} at night`, await serious(page, 'runOnly: ["color-contrast"]'));
    await light(page, 'light');
    const keys = await page.$$eval('button[aria-keyshortcuts]:not(:disabled)', (all) =>
      all.map((button) => button.getAttribute('aria-keyshortcuts')),
    );
    const doubled = keys.filter((key, at) => keys.indexOf(key) !== at);
    if (doubled.length > 0) note(path, [`two things on one key: ${doubled.join(' ')}`]);
    const width = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    if (width > 0) note(path, [`${width} px wider than the window`]);
  }
  expect(findings).toEqual([]);
  expect(troubles).toEqual([]);
});

test('the light is switched by its key, and stays so', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/');
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const before = await ground();
  await press(page, '\\');
  await page.waitForFunction(() => document.documentElement.classList.contains('dark'));
  expect(await ground()).not.toBe(before);
  await page.reload();
  await settled(page);
  expect(await page.evaluate(() => document.documentElement.classList.contains('dark'))).toBe(true);
  const dark = await ground();
  await press(page, '\\');
  await page.waitForFunction(() => document.documentElement.classList.contains('light'));
  // What the other test does by hand is what the switch does.
  await light(page, 'dark');
  expect(await ground()).toBe(dark);
});

test('the policy is strict: a script without the nonce does not run, nor one written into the page', async () => {
  const page = await bench.signIn('Imke R.');
  const response = await page.goto(`${bench.url}/`);
  const policy = response?.headers()['content-security-policy'] ?? '';
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic' 'wasm-unsafe-eval';/);
  expect(policy).toContain("object-src 'none'");
  for (const loose of ["'unsafe-eval'", "'unsafe-inline'"]) expect(policy).not.toContain(loose);
  await page.evaluate(() => {
    const script = document.createElement('div');
    script.innerHTML = '<img src="x" onerror="window.broken = true">';
    document.body.append(script);
  });
  await new Promise((done) => setTimeout(done, 300));
  expect(await page.evaluate(() => 'broken' in window)).toBe(false);
});

test('“?” shows the keys of the screen, as they are bound', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/triage');
  await press(page, '?');
  const text = await page.$eval('dialog', ({ textContent }) => textContent ?? '');
  for (const words of ['Keys on this screen', 'Build', 'Donor', 'Undo', 'Find or scan']) expect(text).toContain(words);
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
});
