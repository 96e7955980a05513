import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pageRights, routeRights } from '@/app/rights';

const app = join(__dirname, '../src/app');
const files = readdirSync(app, { recursive: true, encoding: 'utf8' });
const text = (file: string) => readFileSync(join(app, file), 'utf8');

/** The path that leads to a file: groups in brackets are not part of it. */
const pathOf = (file: string): string =>
  `/${file
    .split('/')
    .slice(0, -1)
    .filter((part) => !part.startsWith('('))
    .join('/')}`;

/** Open to everyone, and why. */
const open: Readonly<Record<string, string>> = {
  'api/health/route.ts': 'says only whether the application answers',
  'api/ready/route.ts': 'says only whether work can be done',
  'api/readings/route.ts': 'for instruments, by the key of a bench; nothing can be read with it',
  'api/print-jobs/route.ts': 'for label printers, by the key of a bench; only labels that wait can be read with it',
  'api/self-tests/[code]/route.ts': 'for a unit under test, by a short code; only its own tests can be read and noted',
  'api/self-tests/[code]/pictures/[picture]/route.ts': 'for a camera under test, by the same code',
  'test/page.tsx': 'where a unit under test types its code',
  'test/[code]/page.tsx': 'the tests of one unit, by its code',
  'sign-in/page.tsx': 'where one becomes somebody',
  'sign-in/actions.ts': 'where one becomes somebody',
};

describe('access: the role is asked in one place, everywhere', () => {
  const pages = files.filter((file) => file.endsWith('page.tsx') && !open[file]);
  const routes = files.filter((file) => file.endsWith('route.ts') && !open[file]);
  const actions = files.filter((file) => file.endsWith('actions.ts') && !open[file]);

  test('there are pages, routes and actions to look at', () => {
    expect([pages.length > 10, routes.length > 5, actions.length > 0]).toEqual([true, true, true]);
  });

  test.each(pages)('page %s takes its role from its own row', (file) => {
    expect(text(file)).toContain(`await guardPage('${pathOf(file)}')`);
  });

  test.each(routes)('route %s: every handler takes its role from its own row', (file) => {
    const handlers = [...text(file).matchAll(/export (?:const|async function) (GET|POST|PUT|PATCH|DELETE)\b(.*)/g)];
    expect(handlers.length).toBeGreaterThan(0);
    const isRead = file.startsWith('api/v1/') || file === 'api/metrics/route.ts';
    for (const [, method = '', rest = ''] of handlers) {
      if (isRead) expect(rest).toContain('= guardReader(');
      else {
        expect(rest).toMatch(/= guardRoute(<Context>)?\(/);
        expect(text(file)).toContain(`'${method} ${pathOf(file)}'`);
        expect(Object.keys(routeRights)).toContain(`${method} ${pathOf(file)}`);
      }
    }
  });

  test('no row speaks of what is not there', () => {
    expect(Object.keys(pageRights).filter((path) => !pages.some((file) => pathOf(file) === path))).toEqual([]);
    const there = routes.flatMap((file) =>
      [...text(file).matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)].map(
        (found) => `${found[1]} ${pathOf(file)}`,
      ),
    );
    expect(Object.keys(routeRights).filter((route) => !there.includes(route))).toEqual([]);
  });

  test.each(actions)('actions %s: every action is guarded', (file) => {
    const made = text(file).match(/export async function/g)?.length ?? 0;
    expect(text(file).match(/await guardAction\(/g)?.length ?? 0).toBe(made);
  });
});
