import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import type { Grade } from '@/core/shared/grades';
import { connect } from '@/data/connection';
import { partsById } from '@/data/parts/partRepository';
import { takeApartAll } from '../../scripts/demo/takeApartAll';
import { gradeByKeys, type Handled, type Panels } from '../../scripts/support/gradeByKeys';
import { placeOf } from '../../scripts/support/databases';
import { type Bench, go, press, says, scan, settled, text, watchTrouble } from '../support/e2e';

import { openOwnDemo } from '../support/ownDemo';
import { testHome } from '../support/scratch';
import { act, endStandIns, makeKey, standIn } from '../support/standIns';

const database = 'plucky_three_units_test';
const wired = [
  'analyser',
  'calliper',
  'flatness-gauge',
  'surface-probe',
  'torque-driver',
  'sound-level',
  'leak-tester',
] as const;

let bench: Bench;
let close: () => Promise<void>;
let db: Knex;
beforeAll(async () => {
  ({ bench, close } = await openOwnDemo(database));
  db = connect(placeOf(testHome(), database));
});
afterAll(async () => {
  await endStandIns();
  await db.destroy();
  await close();
});

const partsOf = async (unitIds: readonly string[]): Promise<readonly Part[]> =>
  partsById(db, (await db('parts').whereIn('unit_id', unitIds).pluck('id')) as string[]);

async function wire(page: Parameters<typeof makeKey>[0]): Promise<Panels> {
  const panels: Record<string, (reading: string) => Promise<unknown>> = {};
  for (const name of wired) {
    const panel = await standIn(name, bench.url, await makeKey(page, bench.url, name));
    panels[name] = (reading) => act(panel, reading);
  }
  return panels;
}

test('the parts of three torn-down units are measured, graded and put away by keys and scans alone', async () => {
  const units = await takeApartAll(db, new Date());
  expect(units).toHaveLength(3);
  const page = await bench.signIn('Sunniva T.', undefined, 'bench-1');
  const troubles = watchTrouble(page);
  const panels = await wire(page);
  const waiting = (await partsOf(units)).filter(({ place }) => place === 'grade');
  expect(waiting.length).toBeGreaterThan(8);
  await go(page, bench.url, '/grade');
  const handled: Handled[] = [];
  for (const { tag } of waiting) handled.push(await gradeByKeys(page, tag, panels));
  // Nothing of them waits, and each says by what it was graded.
  const graded = await partsOf(units);
  const theirs = graded.filter(({ tag }) => waiting.some((part) => part.tag === tag));
  expect(theirs.filter(({ place }) => place === 'grade').map(({ tag }) => tag)).toEqual([]);
  for (const part of theirs)
    expect([part.tag, part.grade, part.limiting]).toEqual([part.tag, expect.any(String), expect.any(String)]);
  expect(handled.reduce((sum, { readings }) => sum + readings, 0)).toBeGreaterThan(5);

  await go(page, bench.url, '/shelf');
  const toShelve = theirs.filter(({ place }) => place === 'to-shelve');
  expect(toShelve.length).toBeGreaterThan(5);
  for (const { tag, isDataCleared } of toShelve) {
    await scan(page, tag);
    const way = await (
      await page.waitForFunction(
        (own) => {
          const row = [...document.querySelectorAll('main li')].find((entry) => entry.textContent?.includes(own));
          return /Into ([A-Z]{1,2}\d\d)|Destroy/.exec((row as HTMLElement | undefined)?.innerText ?? '')?.slice(0, 2);
        },
        {},
        tag,
      )
    ).jsonValue();
    // What may still hold somebody's data is destroyed, by its key; all else goes where its bin's label says.
    expect([tag, !way?.[1]]).toEqual([tag, !isDataCleared]);
    if (way?.[1]) await scan(page, `BIN-${way[1]}`);
    else await press(page, 'x');
    await page.waitForFunction(
      (own) => ![...document.querySelectorAll('main li')].some((entry) => entry.textContent?.includes(own)),
      {},
      tag,
    );
  }
  await settled(page);
  const stored = await partsOf(units);
  expect(stored.filter(({ place }) => ['grade', 'to-shelve'].includes(place)).map(({ tag }) => tag)).toEqual([]);
  for (const { tag, isDataCleared } of toShelve)
    expect(stored.find((part) => part.tag === tag)).toMatchObject(
      isDataCleared ? { place: 'shelf', bin: expect.any(String) as string } : { place: 'scrap' },
    );
  expect(troubles).toEqual([]);
});

/** Each second look of somebody else beside the grade that stood when it was made, read off the log in its order. */
async function pairsByHand(): Promise<readonly (readonly [Grade, Grade])[]> {
  const facts = (await db('facts as e')
    .leftJoin('facts as undo', 'undo.undoes', 'e.id')
    .whereNull('undo.id')
    .whereIn('e.type', ['part-graded', 'part-looked-again'])
    .orderBy('e.position')
    .select('e.type', 'e.subject_id', 'e.person_id', 'e.payload')) as readonly {
    readonly type: string;
    readonly subject_id: string;
    readonly person_id: string;
    readonly payload: { readonly verdict: { readonly grade: Grade } };
  }[];
  const stands = new Map<string, { readonly grade: Grade; readonly by: string }>();
  const pairs: (readonly [Grade, Grade])[] = [];
  for (const { type, subject_id: part, person_id: by, payload } of facts) {
    const first = stands.get(part);
    const { grade } = payload.verdict;
    if (type === 'part-graded') stands.set(part, { grade, by });
    else if (first && first.by !== by) pairs.push([first.grade, grade]);
  }
  return pairs;
}

/** Cohen's kappa of pairs of grades by plain counting. */
function kappaByHand(pairs: readonly (readonly [Grade, Grade])[]): number {
  const share = (of: (pair: readonly [Grade, Grade]) => boolean) => pairs.filter(of).length / pairs.length;
  const seen = share(([first, second]) => first === second);
  const chance = (['A', 'B', 'C', 'D', 'X'] as const).reduce(
    (sum, grade) => sum + share(([first]) => first === grade) * share(([, second]) => second === grade),
    0,
  );
  return (seen - chance) / (1 - chance);
}

test('twenty parts are looked at again, blind, by keys: the kappa on the screen is what plain counting gives', async () => {
  const page = await bench.signIn('Imke R.', undefined, 'bench-1');
  const panels = await wire(page);
  const looksBefore = Number((await db('facts').where({ type: 'part-looked-again' }).count({ n: '*' }).first())?.n);
  for (let looks = 0; looks < 20; looks += 1) {
    await go(page, bench.url, '/grade');
    // Found and pressed in one go: the list is another one when a look has been noted meanwhile.
    const tag = await page.$eval('section[aria-label="Look again, blind"] li button', (button) => {
      (button as HTMLElement).click();
      return /P-\d+/.exec(button.textContent ?? '')?.[0] ?? '';
    });
    await page.waitForFunction(
      (own) => document.querySelector('h1')?.closest('header')?.textContent?.includes(own),
      {},
      tag,
    );
    expect(await text(page)).not.toMatch(/Regrade|first look/i);
    await gradeByKeys(page, null, panels);
  }
  const looksAfter = Number((await db('facts').where({ type: 'part-looked-again' }).count({ n: '*' }).first())?.n);
  expect(looksAfter - looksBefore).toBe(20);
  await go(page, bench.url, '/grade/agreement');
  const pairs = await pairsByHand();
  expect(pairs.length).toBeGreaterThanOrEqual(20);
  const byHand = kappaByHand(pairs);
  const shown = await page.$eval('main table tbody tr', (row) =>
    [...row.children].map(({ textContent }) => textContent),
  );
  expect(shown[1]).toBe(String(pairs.length));
  expect(shown[3]).toMatch(/\(/);
  expect(Math.abs(Number.parseFloat(String(shown[3])) - byHand)).toBeLessThan(0.011);
  await press(page, 'g');
  await says(page, 'Look again, blind');
});

test('what a unit read off its own screen before it was taken apart is offered to its display at Grade', async () => {
  const page = await bench.signIn('Oskar V.', undefined, 'bench-2');
  const display = (await db('parts').where({ category: 'display', place: 'grade' }).first('id', 'tag', 'unit_id')) as {
    readonly tag: string;
    readonly unit_id: string;
  };
  // As it was noted at Triage, when the unit was whole.
  const read = { is: 'touch', columns: 10, rows: 10, missed: [4], fingers: 2 };
  const [before] = (await db('facts').where({ unit_id: display.unit_id, type: 'test-noted' }).limit(1)) as {
    id: string;
  }[];
  if (!before) throw new Error('no test was noted of it');
  await db('facts')
    .where({ id: before.id })
    .update({ payload: JSON.stringify({ test: 'touch', result: 'sound', read }) });
  await go(page, bench.url, `/grade?part=${display.tag}`);
  await says(page, '99 % of the screen feels a finger');
  const use = await page.waitForSelector('::-p-xpath(//button[contains(., "Use for this part")])');
  await use?.click();
  await says(page, /Touch coverage 99/);
});
