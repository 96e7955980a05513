import Ajv from 'ajv/dist/2020';
import { parse } from 'csv-parse/sync';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { projectRoot } from '../../scripts/support/home';
import document from '../../docs/formats/reading.openapi.json';
import { Bench, go, says, settled, text } from '../support/e2e';

let bench: Bench;
let page: Page;
beforeAll(async () => {
  bench = await Bench.open();
  page = await bench.signIn('Sunniva T.');
});
afterAll(() => bench.close());

/** Makes a key on the screen and copies it, as a lead does. */
async function makeKey(name: string): Promise<string> {
  await go(page, bench.url, '/exports');
  await page.type('form input[maxlength="60"]', name);
  await page.keyboard.press('Enter');
  await says(page, `Key for ${name}`);
  return page.$eval('[data-key]', ({ textContent }) => textContent ?? '');
}
/** A program outside any browser, with nothing but the key. */
const ask = (key: string, path: string, method = 'GET') =>
  fetch(`${bench.url}/api/v1${path}`, { method, headers: { authorization: `Bearer ${key}` } });

const ajv = new Ajv({ strict: false, allErrors: true, formats: { 'date-time': true } });
ajv.addSchema({ $id: 'doc', components: document.components });
/** What the document says of the answer of a path. */
function validatorOf(path: keyof typeof document.paths) {
  const { get } = document.paths[path];
  const { schema } = get.responses['200'].content['application/json'];
  return ajv.compile(JSON.parse(JSON.stringify(schema).replaceAll('"#/components', '"doc#/components')) as object);
}

test('the document names every question there is, and only those', () => {
  const folder = join(projectRoot, 'src/app/api/v1');
  const routes = readdirSync(folder).filter((name) => existsSync(join(folder, name, 'route.ts')));
  expect(Object.keys(document.paths).sort()).toEqual(routes.map((name) => `/${name}`).sort());
});

test('a program with a key reads everything page by page, as the document says, and nothing is missing', async () => {
  const key = await makeKey('price sheet');
  for (const [list, row] of [
    ['units', 'tag'],
    ['parts', 'tag'],
  ] as const) {
    const isAsSaid = validatorOf(`/${list}`);
    const seen: string[] = [];
    for (let after: string | null = ''; after !== null;) {
      const limit = list === 'units' ? 25 : 150;
      const answer = await ask(key, `/${list}?limit=${limit}${after && `&after=${after}`}`);
      expect(answer.status).toBe(200);
      const body = (await answer.json()) as Record<string, { [row]: string }[]> & { next: string | null };
      expect([isAsSaid(body), isAsSaid.errors]).toEqual([true, null]);
      seen.push(...(body[list] ?? []).map((entry) => entry[row]));
      after = body.next;
    }
    const table = parse(await (await ask(key, `/${list}?as=csv`)).text(), { columns: true }) as { tag: string }[];
    expect(seen).toEqual(table.map(({ tag }) => tag));
    expect(new Set(seen).size).toBe(seen.length);
    expect(seen.length).toBeGreaterThan(40);
    // By number, not as text.
    const numbers = seen.map((tag) => Number(tag.slice(2)));
    expect(numbers).toEqual([...numbers].sort((a, b) => a - b));
  }
});

test('stock, yields and facts are those of the screens', async () => {
  const key = await makeKey('scale');
  const stock = (await (await ask(key, '/stock')).json()) as { stock: { count: number }[] };
  expect(validatorOf('/stock')(stock)).toBe(true);
  await go(page, bench.url, '/shelf?show=shelf');
  const stored = Number(/(\d+) parts lie on the shelf/i.exec(await text(page))?.[1]);
  expect(stock.stock.reduce((sum, { count }) => sum + count, 0)).toBe(stored);

  const yields = (await (await ask(key, '/yields')).json()) as {
    yields: { modelId: string; partRef: string; good: number }[];
  };
  expect(validatorOf('/yields')(yields)).toBe(true);
  await go(page, bench.url, '/yield');
  const shown = await page.$$eval('tr[data-yield]', (rows) => rows.map((row) => row.getAttribute('data-yield')));
  expect(yields.yields.slice(0, shown.length).map(({ modelId, partRef }) => `${modelId}/${partRef}`)).toEqual(shown);

  const first = (await (await ask(key, '/facts?limit=3')).json()) as { facts: { position: number }[]; next: number };
  expect(validatorOf('/facts')(first)).toBe(true);
  expect(first.facts.map(({ position }) => position)).toEqual([1, 2, 3]);
  const since = (await (await ask(key, `/facts?after=${first.next}&limit=2`)).json()) as typeof first;
  expect(since.facts.map(({ position }) => position)).toEqual([4, 5]);
  // From the end on there is nothing, until something happens.
  const end = (await (await ask(key, '/facts?after=99999999')).json()) as typeof first;
  expect(end).toEqual({ facts: [], next: 99999999 });
});

test('no key, a wrong one, a revoked one, a wrong question and too many are refused, each with its reason', async () => {
  const refused = async (answer: Response) => [
    answer.status,
    ((await answer.json()) as { refusal: { reason: string } }).refusal.reason,
  ];
  expect(await refused(await fetch(`${bench.url}/api/v1/units`))).toEqual([401, 'not-signed-in']);
  expect(await refused(await ask('pluckyread_guessed', '/units'))).toEqual([401, 'not-signed-in']);
  const key = await makeKey('clumsy');
  for (const path of ['/units?limit=many', '/facts?after=-1', '/facts?after=x', '/stock?as=xml', '/units?drop=1'])
    expect([path, ...(await refused(await ask(key, path)))]).toEqual([path, 400, 'bad-input']);
  // It reads; nothing is written by it, here or elsewhere.
  expect((await ask(key, '/units', 'POST')).status).toBe(405);
  const elsewhere = await fetch(`${bench.url}/api/facts`, {
    method: 'POST',
    headers: { authorization: `Bearer ${key}`, 'content-type': 'application/json', 'sec-fetch-site': 'same-origin' },
    body: '{"facts":[]}',
  });
  expect(elsewhere.status).toBe(401);
  const answers = await Promise.all(Array.from({ length: 240 }, () => ask(key, '/openapi.json')));
  const tooOften = answers.filter(({ status }) => status === 429);
  expect(tooOften.length).toBeGreaterThan(5);
  expect(Number(tooOften[0]?.headers.get('retry-after'))).toBeGreaterThan(0);

  const other = await makeKey('lost laptop');
  await (await page.waitForSelector('button[aria-label="Revoke: lost laptop"]'))?.click();
  await says(page, /lost laptop.*revoked/);
  await settled(page);
  expect(await refused(await ask(other, '/stock'))).toEqual([401, 'not-signed-in']);
});

test('only leads make keys', async () => {
  const technician = await bench.signIn('Imke R.');
  await go(technician, bench.url, '/');
  const statuses = await technician.evaluate(async () => {
    const headers = { 'content-type': 'application/json' };
    const made = await fetch('/api/read-keys', { method: 'POST', headers, body: '{"name":"mine"}' });
    const gone = await fetch('/api/read-keys/x', { method: 'DELETE' });
    return [made.status, gone.status, (await fetch('/api/v1/stock')).status];
  });
  // Signed in, one reads what the screens show anyway.
  expect(statuses).toEqual([403, 403, 200]);
});
