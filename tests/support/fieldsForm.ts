import type { ElementHandle, Page } from 'puppeteer-core';
import { press } from './e2e';

/** What is written into the form of every field, by the names that stand on it; a list of texts is ticked, chosen or typed. */
export type Entry = string | number | boolean | readonly string[] | Fields | readonly Fields[];
export interface Fields {
  readonly [label: string]: Entry;
}

type Scope = ElementHandle<Element>;

/** The elements of a scope that match, without those of the groups inside of it. */
async function own(scope: Scope, selector: string): Promise<readonly Scope[]> {
  const found = await scope.evaluateHandle((box, wanted) => {
    const group = box.closest('fieldset');
    return [...box.querySelectorAll(wanted)].filter(
      (element) => (element.matches('fieldset') ? element.parentElement : element)?.closest('fieldset') === group,
    );
  }, selector);
  const handles = [...(await found.getProperties()).values()].map((handle) => handle.asElement() as Scope | null);
  return handles.filter((handle) => handle !== null);
}

async function button(scope: Scope, name: string): Promise<Scope | undefined> {
  for (const one of await own(scope, 'button'))
    if ((await one.evaluate(({ textContent }) => textContent?.trim())) === name) return one;
  return undefined;
}

const named = async (scope: Scope, selector: string, label: string): Promise<Scope | undefined> =>
  (await own(scope, `${selector}[aria-label=${JSON.stringify(label)}]`))[0];

async function untilFound(what: string, find: () => Promise<Scope | undefined>): Promise<Scope> {
  for (let tries = 0; tries < 60; tries += 1) {
    const found = await find();
    if (found) return found;
    await new Promise((done) => setTimeout(done, 25));
  }
  throw new Error(`the form has no ${what}`);
}

/** React gets a click whether or not the button is in view. */
const click = (one: Scope) => one.evaluate((element) => (element as HTMLElement).click());

async function choose(list: Scope, text: string): Promise<void> {
  const value = await list.evaluate(
    (select, wanted) =>
      [...(select as HTMLSelectElement).options].find(({ label }) => label === wanted || label.startsWith(`${wanted},`))
        ?.value,
    text,
  );
  if (value === undefined) throw new Error(`there is no “${text}” to choose`);
  await (list as ElementHandle<HTMLSelectElement>).select(value);
}

async function type(page: Page, field: Scope, text: string): Promise<void> {
  await field.evaluate((input) => {
    (input as HTMLInputElement).focus();
    (input as HTMLInputElement).select();
  });
  await page.keyboard.type(text);
  await press(page, 'Enter');
}

const isGroup = (entry: Entry): entry is Fields => typeof entry === 'object' && !Array.isArray(entry);
const isTexts = (entry: Entry): entry is readonly string[] => Array.isArray(entry) && typeof entry[0] === 'string';

async function fill(page: Page, scope: Scope, label: string, entry: Entry): Promise<void> {
  const selector = isTexts(entry) ? '[role=group]' : typeof entry === 'object' ? 'fieldset' : 'input, select';
  const find = () =>
    selector === 'input, select'
      ? named(scope, 'input', label).then((found) => found ?? named(scope, 'select', label))
      : named(scope, selector, label);
  const add = (await find()) ? undefined : await button(scope, `Add ${label}`);
  if (add) await click(add);
  const field = await untilFound(label, find);
  if (isGroup(entry)) return fillAll(page, field, entry);
  if (isTexts(entry)) return fillTexts(page, field, label, entry);
  if (Array.isArray(entry)) {
    const items = entry as readonly Fields[];
    for (let at = 0; at < items.length; at += 1) {
      if (!(await own(field, 'fieldset'))[at])
        await click(await untilFound('one more', () => button(field, 'Add one more')));
      const item = await untilFound(`${label} ${at + 1}`, async () => (await own(field, 'fieldset'))[at]);
      await fillAll(page, item, items[at] as Fields);
    }
    return;
  }
  const kind = await field.evaluate((element) => `${element.tagName} ${(element as HTMLInputElement).type}`);
  if (kind.startsWith('SELECT')) return choose(field, String(entry));
  if (kind.endsWith('checkbox')) {
    if ((await field.evaluate((box) => (box as HTMLInputElement).checked)) !== entry) await click(field);
    return;
  }
  await type(page, field, String(entry));
}

async function fillTexts(page: Page, group: Scope, label: string, texts: readonly string[]): Promise<void> {
  for (const text of texts) {
    const tick = await named(group, 'input[type=checkbox]', text);
    const list = await named(group, 'select', `Add to ${label}`);
    if (tick) await click(tick);
    else if (list) await choose(list, text);
    else {
      const more = await button(group, 'Add one more');
      if (more) await click(more);
      const empty = async () => {
        for (const input of await own(group, 'input'))
          if ((await input.evaluate((field) => (field as HTMLInputElement).value)) === '') return input;
        return undefined;
      };
      await type(page, await untilFound(label, empty), text);
    }
  }
}

async function fillAll(page: Page, scope: Scope, fields: Fields): Promise<void> {
  for (const [label, entry] of Object.entries(fields)) await fill(page, scope, label, entry);
}

/**
 * Fills in the form of every field, as it stands open.
 *
 * @param of  the line at hand by its number, or what the list “Fields of” says: `part battery`
 */
export async function fillFields(page: Page, of: string, fields: Fields): Promise<void> {
  const list = await untilFound(
    'list of things',
    async () => (await page.$('select[aria-label="Fields of"]')) ?? undefined,
  );
  await choose(list, of);
  // Another line makes the form anew.
  const chosen = async () => {
    const now = await page.$('select[aria-label="Fields of"]');
    const label = await now?.evaluate((select) => (select as HTMLSelectElement).selectedOptions[0]?.label ?? '');
    return now && (label === of || label?.startsWith(`${of},`) === true) ? now : undefined;
  };
  const shown = await untilFound(of, chosen);
  const form = await shown.evaluateHandle((select) => select.parentElement?.parentElement as Element);
  await fillAll(page, form as Scope, fields);
}
