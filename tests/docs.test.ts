import { say } from '@/words/catalogue/core/checks';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { projectRoot } from '../scripts/support/home';
import { rules } from '@/core/procedure/checks/rules';

const read = (path: string) => readFileSync(join(projectRoot, path), 'utf8');
const pages = [
  'README.md',
  ...readdirSync(join(projectRoot, 'docs'), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.md'))
    .map((file) => join('docs', file)),
];

describe('what the documents say is there', () => {
  test.each(pages)('%s: every link leads somewhere', (page) => {
    const links = [...read(page).matchAll(/\]\((?!https?:|#)([^)#]+)\)/g)].map((match) => match[1] as string);
    const missing = links.filter((link) => !existsSync(join(projectRoot, page, '..', link)));
    expect(missing).toEqual([]);
  });

  test('architecture.md names only files that exist', () => {
    const named = [
      ...read('docs/architecture.md').matchAll(/`((?:core|data|files|dto|services|ui|app)\/[\w()[\]/.-]+\.tsx?)`/g),
    ].map((match) => match[1] as string);
    expect(named.length).toBeGreaterThan(15);
    expect(named.filter((path) => !existsSync(join(projectRoot, 'src', path)))).toEqual([]);
  });

  test('every picture in docs/screenshots is linked from the README, and there are fewer than twenty', () => {
    const pictures = readdirSync(join(projectRoot, 'docs', 'screenshots'));
    expect(pictures.length).toBeLessThan(20);
    expect(pictures.filter((picture) => !read('README.md').includes(`docs/screenshots/${picture}`))).toEqual([]);
  });

  test('the README lists every command that the program has', () => {
    const commands = [...read('scripts/plucky.ts').matchAll(/^ {2}(\w+): async/gm)].map((match) => match[1] as string);
    expect(commands.length).toBe(20);
    expect(
      commands.filter((command) => !new RegExp(`plucky ${command}|\\b${command} FILE`).test(read('README.md'))),
    ).toEqual([]);
  });

  test('the page of the format lists every rule of the checker, and its pieces are JSON', () => {
    const page = read('docs/formats/model.md');
    const listed = [...page.matchAll(/^- `([a-z-]+)`(?: \(warning\))?: (.*)$/gm)].map((match) => [match[1], match[2]]);
    expect(listed).toEqual(Object.entries(rules).map(([rule, { finds }]) => [rule, say(finds)]));
    for (const [, piece] of page.matchAll(/```json\n([\s\S]*?)```/g))
      expect(() => JSON.parse(piece ?? '') as unknown).not.toThrow();
  });

  test('every test that a document names is there', () => {
    const documents = ['README.md', ...readdirSync(join(projectRoot, 'docs')).map((name) => `docs/${name}`)];
    const named = documents
      .filter((name) => name.endsWith('.md'))
      .flatMap((name) => [...read(name).matchAll(/`([\w/.[\]-]+\.test\.tsx?)`/g)].map(([, path = '']) => path))
      .filter((path) => path.includes('/'));
    expect(named.length).toBeGreaterThan(30);
    const roots = ['', 'src/'];
    expect(named.filter((path) => !roots.some((root) => existsSync(join(projectRoot, root, path))))).toEqual([]);
  });

  test('continuous integration runs the README’s test command', () => {
    expect(read('.ci/run')).toContain('./plucky test');
  });
});
