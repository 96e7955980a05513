import { randomUUID } from 'node:crypto';
import { readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import sharp from 'sharp';
import { demoPeople } from '../../scripts/demo/people';
import { Bench, go, pause, press, says, text } from '../support/e2e';
import { makeUnknown } from '../support/makeUnits';
import { testHome } from '../support/scratch';

/** What is watched of a served shop, and what is sent to it: too much, of the wrong kind, by a wrong clock. */
let bench: Bench;
let lead: Page;
let technician: Page;
/** Where the log ended before this file; lines before it are of other servers. */
let logBegan = 0;
const logFile = join(testHome().logDir, 'application.log');
beforeAll(async () => {
  logBegan = statSync(logFile).size;
  bench = await Bench.open();
  lead = await bench.signIn('Sunniva T.');
  technician = await bench.signIn('Imke R.');
});
afterAll(() => bench.close());

interface Said {
  readonly status: number;
  readonly body: string;
  readonly id: string | null;
}

/** Sends something from a page, as its own scripts do. */
const sendFrom = (page: Page, method: string, path: string, body: string, type = 'application/json'): Promise<Said> =>
  page.evaluate(
    async (given) => {
      const bytes = Uint8Array.from(atob(given.body), (char) => char.charCodeAt(0));
      const headers = { 'content-type': given.type };
      const answer = await fetch(given.path, { method: given.method, headers, body: bytes });
      return { status: answer.status, body: await answer.text(), id: answer.headers.get('x-request-id') };
    },
    { method, path, type, body: Buffer.from(body, 'latin1').toString('base64') },
  );

test('a browser whose clock is twelve minutes ahead dates by the shop’s, and says so', async () => {
  const { id, tag } = await makeUnknown(technician);
  const page = await bench.signIn('Imke R.');
  await page.evaluateOnNewDocument(() => {
    const own = Date.now.bind(Date);
    Date.now = () => own() + 12 * 60_000;
  });
  const answered = page.waitForResponse(
    (answer) => answer.url().endsWith('/api/facts') && answer.request().method() === 'POST',
  );
  await go(page, bench.url, `/triage?unit=${id}`);
  await says(page, tag);
  await press(page, '1');
  const sent = JSON.parse((await answered).request().postData() ?? '') as {
    facts: { at: string; clockOffS: number }[];
    sentAt: string;
  };
  for (const at of [sent.sentAt, ...sent.facts.map((fact) => fact.at)])
    expect(Math.abs(Date.parse(at) - Date.now())).toBeLessThan(30_000);
  expect(Math.abs((sent.facts[0]?.clockOffS ?? 0) - 720)).toBeLessThan(10);
});

describe('bodies', () => {
  test.each([
    ['PUT', '/api/contacts', 1_100_000, 'too-large'],
    ['POST', '/api/models/preview', 2_100_000, 'file-too-large'],
    ['POST', '/api/manifest/preview', 5_300_000, 'file-too-large'],
    ['POST', '/api/facts', 16_100_000, 'too-large'],
  ])('%s %s of %d bytes is 413 with a sentence', async (method, path, length, reason) => {
    const said = await sendFrom(lead, method, path, 'x'.repeat(length));
    expect([said.status, JSON.parse(said.body)]).toEqual([
      413,
      { refusal: { reason, values: expect.anything() as object } },
    ]);
  });

  test('one whose length nobody said is not read', async () => {
    const answer = await fetch(`${bench.url}/api/facts`, {
      method: 'POST',
      headers: { 'sec-fetch-site': 'same-origin' },
      body: new ReadableStream({ start: (to) => (to.enqueue(new TextEncoder().encode('{}')), to.close()) }),
      duplex: 'half',
    } as RequestInit);
    expect(answer.status).toBe(411);
  });

  test('of a batch with one bad fact that one is refused, and the rest goes on', async () => {
    const { id } = await makeUnknown(technician);
    const note = (words: string, expects: number) => ({
      id: randomUUID(),
      type: 'test-noted',
      subjectId: id,
      expects,
      at: new Date().toISOString(),
      payload: { test: words, result: 'sound' },
    });
    const facts = [note('starts', 1), note('no such test', 2), note('picture', 2)];
    const said = await sendFrom(technician, 'POST', '/api/facts', JSON.stringify({ facts }));
    const { answers } = JSON.parse(said.body) as { answers: { ok: boolean }[] };
    expect(answers.map(({ ok }) => ok)).toEqual([true, false, true]);
  });
});

describe('pictures', () => {
  test('what is kept is drawn anew: upright, and without the place it was taken at', async () => {
    const { id } = await makeUnknown(technician);
    const taken = await sharp({ create: { width: 90, height: 60, channels: 3, background: 'teal' } })
      .withExif({ IFD0: { Copyright: 'Somebody at home' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 0/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const path = `/api/units/${id}/photos/${randomUUID()}`;
    expect(await sendFrom(technician, 'PUT', path, taken.toString('latin1'), 'image/jpeg')).toMatchObject({
      status: 200,
    });
    const kept = await technician.evaluate(async (from) => {
      const bytes = new Uint8Array(await (await fetch(from)).arrayBuffer());
      return btoa(String.fromCharCode(...bytes));
    }, path);
    const picture = Buffer.from(kept, 'base64');
    expect(await sharp(picture).metadata()).toMatchObject({ format: 'jpeg', width: 60, height: 90 });
    expect(picture.toString('latin1')).not.toContain('Somebody');
  });

  test('what is none, or too large, is refused with a sentence', async () => {
    const { id } = await makeUnknown(technician);
    const put = (body: string) =>
      sendFrom(technician, 'PUT', `/api/units/${id}/photos/${randomUUID()}`, body, 'image/jpeg');
    expect(await put('hello')).toMatchObject({
      status: 422,
      body: expect.stringContaining('picture-unreadable') as string,
    });
    expect(await put('x'.repeat(3_100_000))).toMatchObject({
      status: 413,
      body: expect.stringContaining('picture-too-large') as string,
    });
  });
});

test('a fact of a bench whose clock is twelve minutes ahead stands at its right time, and says so to a lead', async () => {
  const { id } = await makeUnknown(technician);
  const ahead = (ms: number) => new Date(Date.now() + 12 * 60_000 - ms).toISOString();
  const fact = {
    id: randomUUID(),
    type: 'test-noted',
    subjectId: id,
    expects: 1,
    at: ahead(60_000),
    payload: { test: 'starts', result: 'sound' },
  };
  await sendFrom(technician, 'POST', '/api/facts', JSON.stringify({ facts: [fact], sentAt: ahead(0) }));
  const csv = await lead.evaluate(async () => (await fetch('/api/facts/export')).text());
  const row =
    csv
      .split('\n')
      .find((line) => line.includes(fact.id))
      ?.split(',') ?? [];
  const head = csv.split('\n')[0]?.split(',') ?? [];
  const cell = (name: string) => row[head.indexOf(name)] ?? '';
  expect(Math.abs(Date.parse(cell('received')) - Date.parse(cell('at')) - 60_000)).toBeLessThan(10_000);
  expect(Math.abs(Number(cell('clock_off_s')) - 720)).toBeLessThan(10);
  await go(lead, bench.url, '/history');
  await says(lead, 'clock 12 min ahead: put right');
  await go(lead, bench.url, '/machine');
  await says(lead, 'The clock of Bench 2 is 12 min ahead');
});

test('what a browser holds of a sign-in is out of reach of scripts and other sites; behind HTTPS it stays there', async () => {
  const [held, ...others] = (await technician.cookies()).filter(({ name }) => name === 'plucky-session');
  expect([others, held]).toEqual([[], expect.objectContaining({ httpOnly: true, sameSite: 'Strict' })]);
  const strict = async (headers: Readonly<Record<string, string>>) =>
    (await fetch(`${bench.url}/sign-in`, { headers })).headers.get('strict-transport-security');
  expect(await strict({})).toBeNull();
  expect(await strict({ 'x-forwarded-proto': 'https' })).toMatch(/max-age=\d{8}/);
});

test('nothing that a person is answered is kept on the way', async () => {
  const kept = await technician.evaluate(async () => {
    const paths = ['/', '/shelf', '/api/find?q=lantern', '/api/code-reader', '/api/facts/export'];
    const answers = await Promise.all(paths.map((path) => fetch(path)));
    return answers.map((answer, at) => [paths[at], answer.headers.get('cache-control')]);
  });
  expect(kept.filter(([, said]) => !/no-store|private/.test(String(said)))).toEqual([]);
});

describe('the machine', () => {
  test('a lead sees how it stands and what to do; others do not come in', async () => {
    await go(lead, bench.url, '/machine');
    const said = await text(lead);
    for (const words of ['The disk has', 'This is the demo: it is not backed up', 'Facts in the log'])
      expect(said).toContain(words);
    await technician.goto(`${bench.url}/machine`);
    expect(new URL(technician.url()).pathname).toBe('/');
  });

  test('a program with a key reads what was counted, in the open format; without one it reads nothing', async () => {
    expect((await fetch(`${bench.url}/api/metrics`)).status).toBe(401);
    await go(lead, bench.url, '/exports');
    await lead.type('form input[maxlength="60"]', 'watcher');
    await lead.keyboard.press('Enter');
    await says(lead, 'Key for watcher');
    const key = await lead.$eval('[data-key]', ({ textContent }) => textContent ?? '');
    const answer = await fetch(`${bench.url}/api/metrics`, { headers: { authorization: `Bearer ${key}` } });
    expect([answer.status, answer.headers.get('content-type')]).toEqual([
      200,
      expect.stringContaining('version=0.0.4'),
    ]);
    const lines = (await answer.text()).split('\n').filter(Boolean);
    // Each line is a comment, or a name with a figure.
    expect(
      lines.filter((line) => !/^(# (HELP|TYPE) \w+ .+|\w+(\{.*\})? (-?[\d.]+(e[+-]?\d+)?|NaN|[+-]Inf))$/.test(line)),
    ).toEqual([]);
    const figure = (start: string) =>
      Number(
        lines
          .find((line) => line.startsWith(start))
          ?.split(' ')
          .at(-1),
      );
    expect(figure('plucky_facts ')).toBeGreaterThan(1000);
    expect(figure('plucky_disk_free_bytes ')).toBeGreaterThan(0);
    expect(figure('plucky_request_seconds_count{route="/machine",method="GET",status="200"')).toBeGreaterThan(0);
    expect(figure('plucky_query_seconds_count')).toBeGreaterThan(100);
    expect(figure('plucky_sign_ins_total{outcome="let in"')).toBeGreaterThan(1);
  });
});

test('the log has a line for each request by the id of its answer, and nothing that anybody is called or typed', async () => {
  const { id: unit } = await makeUnknown(technician);
  const serial = `LOGGED${Date.now()}`;
  const answer = await technician.evaluate(async (path) => {
    const { status, headers } = await fetch(path);
    return { status, id: headers.get('x-request-id') };
  }, `/api/serials/${serial}?unit=${unit}`);
  expect(answer.id).toMatch(/^[\w-]{36}$/);
  const written = () => readFileSync(logFile).subarray(logBegan).toString();
  // A line is written once its answer is over.
  for (let waited = 0; !written().includes(String(answer.id)) && waited < 5000; waited += 50) await pause(50);
  const log = written().split('\n').filter(Boolean);
  const lines = log.map((line) => JSON.parse(line) as Record<string, unknown>);
  expect(lines.find(({ id }) => id === answer.id)).toMatchObject({
    what: 'request',
    method: 'GET',
    route: '/api/serials/[serial]',
    status: answer.status,
  });
  const whole = log.join('\n');
  for (const secret of [serial, ...demoPeople.flatMap(({ name, pin }) => [name, `"${pin}"`])])
    expect(whole).not.toContain(secret);
});

test('a fault is said with where it was, and without the values in hand', async () => {
  const { stdout } = await import('../../scripts/support/processes').then(({ run }) =>
    run(process.execPath, [
      '-e',
      `const { takeConsole, during } = require('./scripts/server/log.cjs');
       takeConsole();
       const error = new Error("insert into people (name) values ('Imke R.') - Duplicate entry 'Imke R.'");
       during('request-1', () => console.error(error));
       console.log('told %s', 'plainly');`,
    ]),
  );
  const [fault, told] = stdout
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>);
  expect(fault).toMatchObject({
    what: 'fault',
    id: 'request-1',
    says: 'Error: insert into people (name) values (‹›) - Duplicate entry ‹›',
  });
  expect(String(fault?.where)).toContain('[eval]');
  expect(told).toMatchObject({ what: 'told', says: 'told plainly' });
});
