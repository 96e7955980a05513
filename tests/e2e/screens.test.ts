import { readFileSync } from 'node:fs';
import { switchTheme } from '../../scripts/support/browser';
import { screens } from '../../scripts/support/screens';
import { Bench, go, press, watchTrouble } from '../support/e2e';

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

describe.each(['light', 'dark'] as const)('every screen in the %s theme', (theme) => {
  test('has no serious accessibility finding, no console error and no breach of the content policy', async () => {
    const page = await bench.signIn('Sunniva T.');
    await switchTheme(page, theme);
    const troubles = watchTrouble(page);
    const findings: string[] = [];
    const benches = await unitsAtTheBench();
    // Only colours differ between the themes: the second time, only they are looked at.
    const run = theme === 'light' ? 'resultTypes: ["violations"]' : 'runOnly: ["color-contrast"]';
    for (const path of [...screens, ...benches]) {
      await go(page, bench.url, path);
      await page.evaluate(axe);
      const { violations } = (await page.evaluate(`axe.run(document, { ${run} })`)) as {
        violations: Violation[];
      };
      for (const { id, impact, nodes } of violations) {
        if (impact === 'serious' || impact === 'critical')
          findings.push(
            ...nodes
              .slice(0, 5)
              .map(({ html, failureSummary }) => `${path}: ${id}: ${html.slice(0, 200)} ${failureSummary}`),
          );
      }
      const keys = await page.$$eval('button[aria-keyshortcuts]:not(:disabled)', (all) =>
        all.map((button) => button.getAttribute('aria-keyshortcuts')),
      );
      const doubled = keys.filter((key, at) => keys.indexOf(key) !== at);
      if (doubled.length > 0) findings.push(`${path}: two things on one key: ${doubled.join(' ')}`);
      const width = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      if (width > 0) findings.push(`${path}: ${width} px wider than the window`);
      const isDark = await page.evaluate(() => document.documentElement.classList.contains('dark'));
      expect(isDark).toBe(theme === 'dark');
    }
    expect(findings).toEqual([]);
    expect(troubles).toEqual([]);

    async function unitsAtTheBench(): Promise<string[]> {
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
  }, 240_000);
});

test('the policy is strict: a script without the nonce does not run, nor one written into the page', async () => {
  const page = await bench.signIn('Imke R.');
  const response = await page.goto(`${bench.url}/`);
  const policy = response?.headers()['content-security-policy'] ?? '';
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/);
  expect(policy).toContain("object-src 'none'");
  expect(policy).not.toContain('unsafe-eval');
  await page.evaluate(() => {
    const script = document.createElement('div');
    script.innerHTML = '<img src="x" onerror="window.broken = true">';
    document.body.append(script);
  });
  await new Promise((done) => setTimeout(done, 300));
  expect(await page.evaluate(() => 'broken' in window)).toBe(false);
}, 60_000);

test('“?” shows the keys of the screen, as they are bound', async () => {
  const page = await bench.signIn('Imke R.');
  await go(page, bench.url, '/triage');
  await press(page, '?');
  const text = await page.$eval('dialog', ({ textContent }) => textContent ?? '');
  for (const words of ['Keys of this screen', 'Build', 'Donor', 'Take back', 'Find or scan'])
    expect(text).toContain(words);
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
}, 60_000);
