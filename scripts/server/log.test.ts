import { masked } from './log.cjs';
import { bodyFault, mostBytes } from './bodies.cjs';
import { readRoutes } from './routes.cjs';

describe('the log of a server', () => {
  test.each([
    [`insert into people (name) values ('Imke R.')`, `insert into people (name) values (‹›)`],
    [`Duplicate entry 'SN-4711' for key 'serial'`, 'Duplicate entry ‹› for key ‹›'],
    [`a name with a quote 'O\\'Hara' in it`, 'a name with a quote ‹› in it'],
    ['“Lantern” was refused', '‹› was refused'],
    ['PIN 123456 was typed', 'PIN ‹› was typed'],
    ['nothing to hide', 'nothing to hide'],
  ])('%s', (said, written) => {
    expect(masked(said)).toBe(written);
  });

  test('a fault that never ends is cut', () => {
    expect(masked('x'.repeat(100_000)).length).toBeLessThan(3000);
  });
});

describe('bodies', () => {
  test.each([
    ['as long as may be', { 'content-length': String(mostBytes) }, null],
    ['longer', { 'content-length': String(mostBytes + 1) }, 'too-large'],
    ['none', {}, null],
    ['of a length that nobody said', { 'transfer-encoding': 'chunked' }, 'unmeasured'],
  ])('%s', (_what, headers, fault) => {
    expect(bodyFault({ headers, url: '/api/facts' } as never)).toBe(fault);
  });

  test('instruments alone may speak as long as they like', () => {
    const headers = { 'transfer-encoding': 'chunked' };
    expect(bodyFault({ headers, url: '/api/readings' } as never)).toBeNull();
    for (const url of ['/api/readings/', '/api/readings?x', '//api/readings', undefined])
      expect(bodyFault({ headers, url } as never)).toBe('unmeasured');
  });
});

test('an address is counted under the route it meets, and nothing of it is kept', async () => {
  const { mkdtempSync, mkdirSync, writeFileSync, rmSync } = await import('node:fs');
  const { join } = await import('node:path');
  const { tmpdir } = await import('node:os');
  const folder = mkdtempSync(join(tmpdir(), 'plucky-routes-'));
  mkdirSync(join(folder, '.next'));
  writeFileSync(
    join(folder, '.next', 'routes-manifest.json'),
    JSON.stringify({
      staticRoutes: [{ page: '/people' }],
      dynamicRoutes: [{ page: '/api/serials/[serial]', regex: '^/api/serials/([^/]+?)(?:/)?$' }],
    }),
  );
  const routeOf = readRoutes(folder);
  expect(
    ['/people?name=Imke', '/api/serials/SN-4711', '/_next/static/x.js', '/wp-admin'].map((url) => routeOf(url)),
  ).toEqual(['/people', '/api/serials/[serial]', '/_next', 'none']);
  rmSync(folder, { recursive: true });
});
