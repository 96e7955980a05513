import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const app = join(__dirname, '../src/app');
const files = readdirSync(app, { recursive: true, encoding: 'utf8' });
const text = (file: string) => readFileSync(join(app, file), 'utf8');

/** Open to everyone, and why. */
const open: Readonly<Record<string, string>> = {
  'api/health/route.ts': 'says only whether the application answers',
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

  test.each(pages)('page %s', (file) => expect(text(file)).toMatch(/await guardPage\(/));

  test.each(routes)('route %s: every handler is guarded', (file) => {
    const handlers = text(file).match(/export (const|async function) (GET|POST|PUT|PATCH|DELETE)\b.*/g) ?? [];
    expect(handlers.length).toBeGreaterThan(0);
    for (const handler of handlers) expect(handler).toMatch(/= guard(Route|Reader)/);
  });

  test.each(actions)('actions %s: every action is guarded', (file) => {
    const made = text(file).match(/export async function/g)?.length ?? 0;
    expect(text(file).match(/await guardAction\(/g)?.length ?? 0).toBe(made);
  });
});
