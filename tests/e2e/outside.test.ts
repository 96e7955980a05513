import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { join } from 'node:path';
import { pageRights, routeRights } from '@/app/rights';
import { openSession } from '@/services/people/openSession';
import { startApplication, type RunningApplication } from '../../scripts/server/application';
import { projectRoot } from '../../scripts/support/home';
import { endChild } from '../../scripts/support/processes';
import { demoScratch, somebody, testHome, type Scratch } from '../support/scratch';

/**
 * What comes from outside, on a server of its own. Who may what, row by row of the table. And whatever comes in by whichever route, the server answers with less than 500 and goes on: 2,000 requests by one seed.
 * `PLUCKY_FUZZ=50000 PLUCKY_SEED=7` by hand.
 */
const requests = Number(process.env.PLUCKY_FUZZ ?? 2_000);
const seed = Number(process.env.PLUCKY_SEED ?? 20261128);

interface Route {
  readonly method: string;
  /** With names in brackets where anything may stand. */
  readonly path: string;
}

function routesIn(folder: string, path = ''): readonly Route[] {
  return readdirSync(join(projectRoot, folder), { withFileTypes: true }).flatMap((entry): readonly Route[] => {
    const inside = join(folder, entry.name);
    if (entry.isDirectory()) return routesIn(inside, entry.name.startsWith('(') ? path : `${path}/${entry.name}`);
    if (entry.name === 'page.tsx') return [{ method: 'GET', path: path || '/' }];
    if (entry.name !== 'route.ts') return [];
    const code = readFileSync(join(projectRoot, inside), 'utf8');
    return [...code.matchAll(/^export (?:const|async function|function) (GET|POST|PUT|DELETE|PATCH)\b/gm)].map(
      ([, method = '']) => ({ method, path }),
    );
  });
}
const routes = routesIn('src/app');

let scratch: Scratch;
let application: RunningApplication;
const cookies: string[] = [];
/** Ids, tags and serials that are there. */
const known: string[] = [];
beforeAll(async () => {
  scratch = await demoScratch();
  for (const role of ['viewer', 'technician', 'lead'] as const) {
    const person = await somebody(scratch.db, `Fuzz ${role}`, role);
    const { token } = await openSession(scratch.db, person, '', new Date());
    cookies.push(`plucky-session=${token}`);
  }
  for (const [table, column] of [
    ['units', 'id'],
    ['units', 'tag'],
    ['parts', 'id'],
    ['parts', 'tag'],
    ['parcels', 'id'],
    ['models', 'id'],
    ['benches', 'id'],
    ['facts', 'id'],
  ] as const)
    known.push(...((await scratch.db(table).limit(4).pluck(column)) as string[]));
  application = await startApplication(testHome(), scratch.name, { workers: 1 });
});
afterAll(async () => {
  await endChild(application.child, 10_000);
  await scratch.drop();
});

const agent = new Agent({ keepAlive: true, maxSockets: 8 });

interface Asked {
  readonly route: Route;
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | undefined;
}

interface Answered {
  readonly status: number;
  readonly text: string;
  /** What every answer must say. */
  readonly isGuarded: boolean;
}

const ask = (one: Asked, isAgain = false): Promise<Answered> =>
  new Promise((done, fail) => {
    const { route, path, body } = one;
    const length = body === undefined ? undefined : { 'content-length': String(Buffer.byteLength(body)) };
    const headers = { ...one.headers, ...length };
    const asked = request(application.url, { path, method: route.method, agent, headers });
    asked.setTimeout(20_000, () => asked.destroy(new Error('no answer for 20 s')));
    // A kept line that was closed meanwhile is tried anew, as browsers do.
    asked.on('error', (error) => (asked.reusedSocket && !isAgain ? ask(one, true).then(done, fail) : fail(error)));
    asked.on('response', (response) => {
      // A stream never ends.
      if (String(response.headers['content-type']).startsWith('text/event-stream')) {
        done({ status: response.statusCode ?? 0, text: '', isGuarded: true });
        asked.destroy();
        return;
      }
      const { 'x-content-type-options': sniff, 'cross-origin-opener-policy': opener } = response.headers;
      const isGuarded = sniff === 'nosniff' && opener === 'same-origin';
      let text = '';
      response.setEncoding('utf8').on('data', (chunk: string) => (text += chunk.slice(0, 2000)));
      response.on('end', () => done({ status: response.statusCode ?? 0, text, isGuarded }));
      response.on('error', fail);
    });
    asked.end(body);
  });

/** Pieces that have broken something somewhere. */
const nasty = [
  '%', '%zz', '%25', '%2525', '%00', '%c3%28', '..', '..%2f..%2fetc%2fpasswd', '%2e%2e', 'constructor', '__proto__', 'toString',
  'hasOwnProperty', '0', '-1', '1e300', 'NaN', 'Infinity', '9999999999999999999', '1.5', 'null', 'undefined', '%F0%9F%A7%B7',
  '%E2%80%AE', "'", '%27%20or%201=1--', '%3Cscript%3E', 'a'.repeat(3000), '1000-01-01', '2100-12-31', '2026-W48-6', '20261128',
  '2026-11-28T10:00:00+14:00', '2026-02-31', 'ÿ'.replace('ÿ', '%C3%BF'),
] as const; // prettier-ignore
const values = [
  null, true, 0, -1, 1.5, 1e300, 2 ** 53, '', ' ', 'constructor', '__proto__', '2026-11-28', '1000-01-01T00:00:00Z', '2100-01-01T00:00:00Z',
  '2026-W48-6', '20261128T101112Z', '🧷', '\u0000', '\ud800', 'x'.repeat(5000), [], {}, [[]], [null], { constructor: {} }, { toString: 1 },
] as const; // prettier-ignore
const names = [
  'facts', 'fact', 'id', 'type', 'subjectId', 'expects', 'at', 'payload', 'name', 'role', 'pin', 'personId', 'bench', 'document', 'rules', 'version',
  'text', 'code', 'rows', 'boxes', 'room', 'from', 'to', 'modelId', 'changes', 'parts', 'lines', 'note', 'serial', 'kind', 'cents', 'q', 'page',
  'after', 'limit', 'constructor', '__proto__',
] as const; // prettier-ignore

const value: fc.Arbitrary<unknown> = fc.oneof(
  fc.constantFrom<unknown>(...values),
  fc.jsonValue({ maxDepth: 3 }),
  fc.integer().map((n) => n),
);
const objects = fc.dictionary(fc.constantFrom(...names), value, { maxKeys: 8 });
const body = fc.oneof(
  { weight: 4, arbitrary: objects.map((object) => JSON.stringify(object)) },
  { weight: 3, arbitrary: fc.array(objects, { maxLength: 4 }).map((facts) => JSON.stringify({ facts })) },
  { weight: 1, arbitrary: value.map((any) => JSON.stringify(any) ?? 'undefined') },
  {
    weight: 1,
    arbitrary: fc.constantFrom('', '{', '[', '"', 'null', '\u0000', '{"a":'.repeat(2000), `[${'['.repeat(5000)}`),
  },
);
const headers = fc.record(
  {
    'sec-fetch-site': fc.constantFrom('same-origin', 'same-origin', 'same-origin', 'cross-site', 'none', ''),
    origin: fc.constantFrom('null', 'http://elsewhere.test', 'no url', 'http://127.0.0.1'),
    'content-type': fc.constantFrom('application/json', 'text/plain', 'multipart/form-data', 'image/jpeg', 'x', ''),
    'accept-language': fc.constantFrom('', 'xx', '*;q=2'),
    'if-none-match': fc.constantFrom('*', '""', 'W/"1"'),
    range: fc.constantFrom('bytes=0-', 'bytes=9-1', 'x'),
    'plucky-by': fc.constantFrom('nobody', '', 'x'.repeat(500)),
    'plucky-follows': fc.constant('1'),
    'next-action': fc.constantFrom('x', '7f00000000000000000000000000000000000000ff'),
    rsc: fc.constant('1'),
    'next-router-state-tree': fc.constantFrom('%', '[]', 'x'),
    accept: fc.constantFrom('text/html', 'application/json', 'text/event-stream', 'x'),
    authorization: fc.constantFrom('Bearer ', 'Bearer x', 'Basic x', 'x'),
  },
  { requiredKeys: [] },
);
const cookie = fc.oneof(
  { weight: 8, arbitrary: fc.nat(2).map((at) => () => cookies[at] ?? '') },
  {
    weight: 2,
    arbitrary: fc
      .constantFrom(
        '',
        'plucky-session=',
        'plucky-session=%',
        `plucky-session=${'a'.repeat(43)}`,
        'plucky-session="',
        ';;==;',
        'x=%E0%A4%A',
      )
      .map((text) => () => text),
  },
);

const asked = fc
  .record({
    route: fc.constantFrom(...routes),
    pieces: fc.array(
      fc.oneof(
        fc.constantFrom(...nasty),
        fc.nat(31).map((at) => () => known[at] ?? 'x'),
      ),
      { minLength: 3, maxLength: 3 },
    ),
    query: fc.array(fc.tuple(fc.constantFrom(...names), fc.constantFrom(...nasty)), { maxLength: 3 }),
    headers,
    cookie,
    body,
  })
  .map(({ route, pieces, query, headers: sent, cookie: held, body: given }): (() => Asked) => () => {
    let at = 0;
    const path = route.path.replace(/\[[^\]]+\]/g, () => {
      const piece = pieces[at++ % pieces.length];
      return typeof piece === 'function' ? encodeURIComponent(piece()) : (piece ?? 'x');
    });
    const asks = query.map(([name, text]) => `${name}=${text}`).join('&');
    return {
      route,
      path: asks ? `${path}?${asks}` : path,
      headers: { ...(sent as Record<string, string>), cookie: held() },
      body: route.method === 'GET' ? undefined : given,
    };
  });

describe('who may what, on a running server', () => {
  const roles = ['viewer', 'technician', 'lead'] as const;
  // Readings are for whoever carries the key of a bench: nobody’s cookie opens it.
  // A page on a unit is for whoever carries its code.
  const open = [
    'GET /api/health',
    'GET /api/ready',
    'GET /sign-in',
    'POST /api/readings',
    'POST /api/print-jobs',
    'GET /test',
    'GET /test/[code]',
    'GET /api/self-tests/[code]',
    'PUT /api/self-tests/[code]/pictures/[picture]',
  ];
  const isRead = (path: string) => path.startsWith('/api/v1/') || path === '/api/metrics';
  const nothing = (path: string) => path.replace(/\[[^\]]+\]/g, 'nothing');
  const stands = async (route: Route, held: string) => {
    const { status } = await ask({
      route,
      path: nothing(route.path),
      headers: { cookie: held, 'sec-fetch-site': 'same-origin', 'content-type': 'application/json' },
      body: route.method === 'GET' ? undefined : '{"nothing":1}',
    });
    return status;
  };

  test('the build has the routes of the table and no others', () => {
    const built = Object.keys(
      JSON.parse(readFileSync(join(projectRoot, '.next/server/app-paths-manifest.json'), 'utf8')) as object,
    )
      .filter((name) => !/not-found|global-error|icon\.svg|favicon/.test(name))
      .map((name) => name.replace(/\/\([^)]+\)/g, '').replace(/\/(page|route)$/, '') || '/');
    const told = new Set([
      ...Object.keys(pageRights),
      ...Object.keys(routeRights).map((route) => route.split(' ')[1] ?? ''),
      ...open.map((route) => route.split(' ')[1] ?? ''),
    ]);
    expect(built.filter((path) => !told.has(path) && !isRead(path))).toEqual([]);
    expect([...told].filter((path) => !built.includes(path))).toEqual([]);
  });

  test('every route turns away who is nobody or may less, before it looks at anything else', async () => {
    const wrong: string[] = [];
    for (const [name, role] of Object.entries(routeRights)) {
      const [method = '', path = ''] = name.split(' ');
      // Signing out would take the session of the next row along.
      if (path === '/sign-out') continue;
      const status = await stands({ method, path }, '');
      if (status !== 401) wrong.push(`nobody: ${name} says ${status}`);
      for (const [at, own] of roles.entries()) {
        const got = await stands({ method, path }, cookies[at] ?? '');
        const isAway = got === 401 || got === 403;
        if (isAway !== roles.indexOf(own) < roles.indexOf(role)) wrong.push(`${own}: ${name} says ${got}`);
      }
    }
    expect(wrong).toEqual([]);
  });

  test('every page sends who is nobody to the sign-in, and who may less to Today', async () => {
    const wrong: string[] = [];
    for (const [path, role] of Object.entries(pageRights)) {
      const status = await stands({ method: 'GET', path }, '');
      if (status !== 307) wrong.push(`nobody: ${path} says ${status}`);
      for (const [at, own] of roles.entries()) {
        const got = await stands({ method: 'GET', path }, cookies[at] ?? '');
        if ((got === 307) !== roles.indexOf(own) < roles.indexOf(role)) wrong.push(`${own}: ${path} says ${got}`);
      }
    }
    expect(wrong).toEqual([]);
  });
});

test('each name in each address may be anything: the answer is less than 500', async () => {
  const bad: string[] = [];
  const named = routes.filter(({ path }) => path.includes('['));
  expect(named.length).toBeGreaterThan(25);
  const cookie = cookies[2] ?? '';
  const headers = { cookie, 'sec-fetch-site': 'same-origin', 'content-type': 'application/json' };
  const pieces = nasty.filter((piece) => piece.length < 1000);
  const tries = named.flatMap((route) => pieces.map((piece) => ({ route, piece }))).values();
  await Promise.all(
    Array.from({ length: 4 }, async () => {
      for (const { route, piece } of tries) {
        const path = route.path.replace(/\[[^\]]+\]/g, piece);
        const { status } = await ask({ route, path, headers, body: route.method === 'GET' ? undefined : '{}' });
        if (status >= 500) bad.push(`${status} ${route.method} ${path}`);
      }
    }),
  );
  expect(bad).toEqual([]);
});

test('whatever comes in, the answer is less than 500', async () => {
  expect(routes.length).toBeGreaterThan(80);
  const bad: string[] = [];
  const sample = fc.sample(asked, { seed, numRuns: requests });
  const statuses = new Map<number, number>();
  const queue = sample.values();
  await Promise.all(
    Array.from({ length: 4 }, async () => {
      for (const make of queue) {
        const one = make();
        const { status, text, isGuarded } = await ask(one).catch((error: Error): Answered => ({
          status: 599,
          text: error.message,
          isGuarded: true,
        }));
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        if (status >= 500 || !isGuarded)
          bad.push(
            [status, one.route.method, one.path.slice(0, 120), text.slice(0, 80), one.body?.slice(0, 120)].join(' '),
          );
      }
    }),
  );
  expect(bad).toEqual([]);
  // Not everything was turned away at the door.
  expect(statuses.get(200) ?? 0).toBeGreaterThan(requests / 50);
  expect((await fetch(`${application.url}/api/health`)).ok).toBe(true);
}, 1_800_000);
