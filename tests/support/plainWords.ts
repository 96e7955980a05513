import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { demoPeople } from '../../scripts/demo/people';
import { projectRoot } from '../../scripts/support/home';
import * as stages from '@/core/entities/stages';
import { roles } from '@/core/people/roles';
import * as vocabulary from '@/core/procedure/vocabulary';
import { shortDay } from '@/words/format';
import { shippedModels } from './models';

/** Parts of models, and what is drawn on their faces, are called this, and so are categories. */
const isPartName = (code: string): boolean =>
  shippedModels.some(
    ({ parts, faces }) =>
      parts.some(({ name }) => name.toLowerCase() === code) ||
      faces.some(({ outlines }) => outlines.some(({ label }) => label.toLowerCase() === code)),
  );

/** What the core calls its things. A screen that shows one of these by itself has not asked for its name. */
const codes: ReadonlySet<string> = new Set(
  [vocabulary, stages, { roles, answers: ['yes', 'no', 'true', 'false', 'undefined', 'null'] }]
    .flatMap((room) => Object.values<unknown>(room))
    .flatMap((list) => (Array.isArray(list) ? list.map(String) : []))
    .filter((code) => /^[a-z-]{2,}$/.test(code) && !isPartName(code)),
);

/** Text of the shop's own: models, lists, people. It is data, in whatever language the shop writes it. */
export function textsOfData(): string {
  const files = (folder: string) =>
    readdirSync(join(projectRoot, folder), { recursive: true })
      .map(String)
      .filter((file) => /\.(json|csv|ts)$/.test(file))
      .map((file) => readFileSync(join(projectRoot, folder, file), 'utf8'));
  // Verbs of a first opening go into the document that it becomes, and months come from Intl.
  const verbs = readFileSync(join(projectRoot, 'src/core/opening/openingLog.ts'), 'utf8');
  // The benches a shop begins with are named in its database.
  const benches = readFileSync(join(projectRoot, 'src/data/migrations/migrations.ts'), 'utf8');
  const months = Array.from({ length: 12 }, (_, month) => shortDay(`2026-${String(month + 1).padStart(2, '0')}-01`));
  return [...files('data'), ...files('scripts/demo'), ...demoPeople.map(({ name }) => name), verbs, benches, ...months]
    .join('\n')
    .toLowerCase();
}

/** Everything a page says: text, labels, hints. Names of keys are no words. */
const saidOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const said = new Set<string>();
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = node.parentElement;
      if (!at || at.closest('script, style, kbd, noscript, next-route-announcer')) continue;
      said.add(node.textContent ?? '');
    }
    for (const element of document.querySelectorAll('[aria-label], [title], [placeholder], [alt]'))
      for (const name of ['aria-label', 'title', 'placeholder', 'alt']) said.add(element.getAttribute(name) ?? '');
    return [...said];
  });

/** Letters that the pseudo-language gives an accent: a word without any is the same in both. */
const canCarry = /[aceinosuyz]/i;
/** What `Intl` puts between the things of a list. */
const between = new Set(['and', 'or']);

/** The words of a text that carry no accent though they could, in runs that nothing else interrupts. */
function plainRuns(text: string): string[] {
  const runs: string[][] = [[]];
  for (const [token] of text.matchAll(/[\p{L}’]+|[^\p{L}’\s]+/gu)) {
    const isPlain = /^[A-Za-z’]{2,}$/.test(token) && canCarry.test(token) && !between.has(token);
    if (isPlain) runs.at(-1)?.push(token.toLowerCase());
    else runs.push([]);
  }
  return runs.filter((run) => run.length > 0).map((run) => run.join(' '));
}

/** Whether a run is one text of the shop's own, or two beside each other, as a maker and a model are. */
function isData(run: string, data: string): boolean {
  const has = (words: readonly string[]) => data.includes(words.join(' '));
  const words = run.split(' ');
  return words.some((_, at) => has(words.slice(0, at)) && has(words.slice(at)));
}

/**
 * Runs of plain words that are neither from the catalogue, whose words carry accents under the pseudo-language, nor from
 * the data of the shop.
 */
export async function plainWordsOn(page: Page, data: string): Promise<string[]> {
  const said = await saidOn(page);
  const runs = said.flatMap(plainRuns).filter((run) => !isData(run, data));
  return [...new Set([...runs, ...said.map((text) => text.trim()).filter((text) => codes.has(text))])];
}

/** What is cut off: it has text that does not fit, and no other way to read it. */
export const cutOffOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const cut: string[] = [];
    if (document.documentElement.scrollWidth > document.documentElement.clientWidth) cut.push('the page itself');
    for (const element of document.querySelectorAll<HTMLElement>(
      'button, h1, h2, h3, th, td, label, a, p, span, div',
    )) {
      const style = getComputedStyle(element);
      const hides = style.overflowX === 'hidden' || style.overflowX === 'clip';
      const own = [...element.childNodes].some(({ nodeType, textContent }) => nodeType === 3 && textContent?.trim());
      if (own && hides && element.clientWidth > 1 && element.scrollWidth > element.clientWidth + 1 && !element.title)
        cut.push(`${element.tagName} ${element.textContent?.trim().slice(0, 50)}`);
    }
    return cut;
  });
