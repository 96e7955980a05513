import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Person } from '@/core/people/roles';
import type { Fact, FactType, Payloads } from '@/core/shop/facts';
import { openSession } from '@/services/people/openSession';
import type { LiveMessage } from '@/services/line/readLine';
import { startApplication, type RunningApplication } from '../../scripts/server/application';
import { endChild, run } from '../../scripts/support/processes';
import { scratchDatabase, somebody, testHome, type Scratch } from '../support/scratch';

/** Three server processes behind one port, as `PLUCKY_WORKERS=3` starts them, on a shop of their own. */
const processes = 3;
let scratch: Scratch;
let application: RunningApplication;
let [imke, oskar]: Person[] = [];
const cookies = new Map<string, string>();

beforeAll(async () => {
  scratch = await scratchDatabase();
  [imke, oskar] = [await somebody(scratch.db, 'Imke R.'), await somebody(scratch.db, 'Oskar V.')];
  for (const person of [imke, oskar] as Person[]) {
    const { token } = await openSession(scratch.db, person, '', new Date());
    cookies.set(person.id, `plucky-session=${token}`);
  }
  application = await startApplication(testHome(), scratch.name, { workers: processes });
});
afterAll(async () => {
  await endChild(application.child, 10_000);
  await scratch.drop();
});

/** Ids of the server processes, by their parent. */
async function serverIds(): Promise<readonly number[]> {
  const { stdout } = await run('ps', ['-o', 'pid=', '--ppid', String(application.child.pid)]);
  return stdout.split('\n').map(Number).filter(Boolean);
}

interface Answered {
  readonly status: number;
  readonly body: string;
}

/** One line to the port, which leads to one of the processes for as long as that lives. */
function line(person: Person | undefined) {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const headers = { cookie: cookies.get(person?.id ?? '') ?? '', 'sec-fetch-site': 'same-origin' };
  const ask = (method: string, path: string, body?: object): Promise<Answered> =>
    new Promise((done, fail) => {
      const given = body && JSON.stringify(body);
      const asked = request(`${application.url}${path}`, {
        method,
        agent,
        headers: { ...headers, ...(given && { 'content-type': 'application/json' }) },
      });
      asked.on('response', (response) => {
        let text = '';
        response.setEncoding('utf8').on('data', (chunk: string) => (text += chunk));
        response.on('end', () => done({ status: response.statusCode ?? 0, body: text }));
        response.on('error', fail);
      });
      asked.on('error', fail);
      asked.end(given);
    });
  return { ask, headers, close: () => agent.destroy() };
}
type Line = ReturnType<typeof line>;

const fact = <T extends FactType>(type: T, subjectId: string, payload: Payloads[T], expects: number | null) =>
  ({ id: randomUUID(), type, subjectId, expects, at: new Date().toISOString(), payload }) as Fact;

/** Sends a fact as a bench does: the very same again and again until it is answered. */
async function say(over: Line, said: Fact): Promise<{ readonly ok: boolean; readonly tries: number }> {
  for (let tries = 1; ; tries += 1) {
    const answer = await over.ask('POST', '/api/facts', { facts: [said] }).catch(() => undefined);
    if (answer?.status === 200) {
      const [own] = (JSON.parse(answer.body) as { answers: { ok: boolean }[] }).answers;
      return { ok: own?.ok ?? false, tries };
    }
    await sleep(100);
  }
}

async function unitOf(over: Line): Promise<string> {
  const [parcel, unit] = [randomUUID(), randomUUID()];
  const about = { supplier: 'Oddments', pricePaidCents: 1, transportCents: 0, receivedOn: '2026-01-01' };
  await say(over, fact('parcel-made', parcel, { code: parcel.slice(0, 8), ...about }, null));
  await say(over, fact('unit-tagged', unit, { parcelId: parcel, lineNo: null }, null));
  return unit;
}

const note = (unit: string, version: number) => fact('note-written', unit, { stepId: null, text: 'seen' }, version);

test('a process that dies among several: nothing that was said is lost or doubled, and another takes its place', async () => {
  const before = await serverIds();
  expect(before).toHaveLength(processes);
  const writers = 9;
  const notes = 40;
  let said = 0;
  let again = 0;
  let killed: number | undefined;
  await Promise.all(
    Array.from({ length: writers }, async () => {
      const over = line(imke);
      const unit = await unitOf(over);
      for (let version = 1; version <= notes; version += 1) {
        if ((said += 1) === 100) {
          killed = before[1];
          process.kill(killed as number, 'SIGKILL');
        }
        const { ok, tries } = await say(over, note(unit, version));
        expect(ok).toBe(true);
        again += tries - 1;
      }
      over.close();
    }),
  );
  expect(again).toBeGreaterThan(0);
  const rows = (await scratch.db('facts').orderBy('position').select('id', 'position')) as {
    id: string;
    position: number;
  }[];
  expect(rows).toHaveLength(writers * (notes + 2));
  expect(rows.map(({ position }) => position)).toEqual(rows.map((_, at) => at + 1));
  const units = (await scratch.db('units').select('version')) as { version: number }[];
  expect(units.map(({ version }) => version)).toEqual(Array.from({ length: writers }, () => notes + 1));
  let now = await serverIds();
  for (let waited = 0; now.length < processes && waited < 100; waited += 1) {
    await sleep(100);
    now = await serverIds();
  }
  expect(now).toHaveLength(processes);
  expect(now).not.toContain(killed);
});

test('whichever process a screen listens to, it hears what was said to another', async () => {
  const lines = Array.from({ length: 2 * processes }, () => line(oskar));
  const away = new AbortController();
  const heard = lines.map(async ({ headers }) => {
    const stream = await fetch(`${application.url}/api/live`, { headers, signal: away.signal });
    const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    for (;;) {
      const got = await reader?.read();
      if (!got || got.done) throw new Error('the stream ended');
      text += got.value;
      const told = [...text.matchAll(/^data: (.*)$/gm)].map(([, data]) => JSON.parse(data ?? '') as LiveMessage);
      if (told.some(({ news }) => news?.some(({ unit }) => unit !== null))) return true;
    }
  });
  await sleep(1500);
  const over = line(imke);
  const unit = await unitOf(over);
  await say(over, note(unit, 1));
  expect(await Promise.all(heard)).toEqual(lines.map(() => true));
  away.abort();
  for (const own of [...lines, over]) own.close();
});

test('what one has in hand by one process nobody else gets by another', async () => {
  const own = line(imke);
  const unit = await unitOf(own);
  const ask = async (over: Line) =>
    (JSON.parse((await over.ask('POST', `/api/units/${unit}/hold`)).body) as { isMine: boolean }).isMine;
  expect(await ask(own)).toBe(true);
  const others = Array.from({ length: 2 * processes }, () => line(oskar));
  expect(await Promise.all(others.map(ask))).toEqual(others.map(() => false));
  const same = Array.from({ length: processes }, () => line(imke));
  expect(await Promise.all(same.map(ask))).toEqual(same.map(() => true));
  for (const over of [own, ...others, ...same]) over.close();
});

describe('the door that facts come in by', () => {
  test.each([
    ['no JSON', 'POST', 'this is none', 400, 'bad-input'],
    [
      'a list that is too long',
      'POST',
      JSON.stringify({ facts: Array.from({ length: 101 }, () => ({})) }),
      400,
      'bad-input',
    ],
    ['a body of 20 MB', 'POST', JSON.stringify({ facts: [], more: 'x'.repeat(20_000_000) }), 413, 'too-large'],
  ])('%s is refused with a sentence', async (_, method, body, status, reason) => {
    const answer = await fetch(`${application.url}/api/facts`, {
      method,
      body,
      headers: { ...line(imke).headers, 'content-type': 'application/json' },
    });
    expect(answer.status).toBe(status);
    expect(await answer.json()).toMatchObject({ refusal: { reason } });
    expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
  });

  test('nobody, a stranger’s number and another site stand outside; who only reads along may not write', async () => {
    const send = async (headers: Record<string, string>) =>
      (await fetch(`${application.url}/api/facts`, { method: 'POST', body: '{"facts":[]}', headers })).status;
    const { cookie } = line(imke).headers;
    expect(await send({ 'sec-fetch-site': 'same-origin' })).toBe(401);
    expect(
      await send({ cookie: 'plucky-session=Fe26.2*1*forged; plucky-session=x', 'sec-fetch-site': 'same-origin' }),
    ).toBe(401);
    expect(await send({ cookie, 'sec-fetch-site': 'cross-site' })).toBe(403);
    // A page that was drawn for somebody else, in another tab of the same browser.
    const own = { cookie, origin: application.url };
    expect(await send({ ...own, 'plucky-by': oskar?.id ?? '' })).toBe(409);
    expect(await send({ ...own, 'plucky-by': imke?.id ?? '' })).toBe(200);
    // Whoever does not say where it comes from, or says that it is from nowhere.
    for (const origin of ['null', 'no address', '']) expect(await send({ cookie, origin })).toBe(403);
    expect(await send({ cookie })).toBe(403);
    expect(await send({ cookie, origin: 'http://elsewhere.test' })).toBe(403);
    await scratch.db('people').where({ id: imke?.id }).update({ role: 'viewer' });
    expect(await send({ cookie, 'sec-fetch-site': 'same-origin' })).toBe(403);
    // Signed out everywhere, at once.
    await scratch.db('sessions').where({ person_id: imke?.id }).delete();
    expect(await send({ cookie, 'sec-fetch-site': 'same-origin' })).toBe(401);
  });

  test('a line that is cut in the middle of a fact leaves nothing behind, and the next is served', async () => {
    const before = Number((await scratch.db('facts').count({ n: '*' }).first())?.n);
    const cut = request(`${application.url}/api/facts`, {
      method: 'POST',
      headers: { ...line(oskar).headers, 'content-length': 5000 },
    });
    cut.on('error', () => undefined);
    cut.write('{"facts":[');
    await sleep(200);
    cut.destroy();
    const over = line(oskar);
    const unit = await unitOf(over);
    expect((await say(over, note(unit, 1))).ok).toBe(true);
    expect(Number((await scratch.db('facts').count({ n: '*' }).first())?.n)).toBe(before + 3);
    over.close();
  });
});
