import { parse } from 'csv-parse/sync';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import type { Model } from '@/core/procedure/model';
import { projectRoot } from '../../scripts/support/home';
import { dischargeLog, type LogOf } from '../../scripts/support/dischargeLog';
import { Bench, go, heading, press, says, settled, text, write } from '../support/e2e';

/** Grading as it is done: by keys, with an analyser's log, a second reading where it pays, and rules that can be changed. */
let bench: Bench;
let page: Page;
beforeAll(async () => {
  bench = await Bench.open();
  page = await bench.signIn('Sunniva T.');
});
afterAll(() => bench.close());

const models = readdirSync(join(projectRoot, 'data', 'models')).map(
  (file) => JSON.parse(readFileSync(join(projectRoot, 'data', 'models', file), 'utf8')) as Model,
);
const folder = mkdtempSync(join(tmpdir(), 'plucky-logs-'));

async function readLog(content: string): Promise<void> {
  const file = join(folder, 'analyser.csv');
  writeFileSync(file, content);
  const input = (await page.$('main input[type=file]')) as ElementHandle<HTMLInputElement>;
  await input.uploadFile(file);
}

/** Takes up a part of a kind that waits. @returns its tag */
async function takeUp(kind: string): Promise<string> {
  await go(page, bench.url, '/grade');
  const found = await page.$$eval(
    'main nav li button',
    (buttons, wanted) => {
      const button = buttons.find(({ textContent }) => textContent?.includes(wanted));
      (button as HTMLElement | undefined)?.click();
      return button?.textContent?.match(/P-\d+/)?.[0];
    },
    kind,
  );
  if (!found) throw new Error(`no ${kind} waits`);
  await settled(page);
  return found;
}

/** First and second grades of every part that two people looked at, from the exported facts alone. */
function pairsByHand(csv: string): readonly (readonly [string, string])[] {
  const rows = parse(csv, { columns: true, bom: true }) as unknown as Readonly<Record<string, string>>[];
  const undone = new Set(
    rows
      .filter(({ type }) => type === 'undone')
      .map(({ payload = '{}' }) => (JSON.parse(payload) as { factId: string }).factId),
  );
  const first = new Map<string, { grade: string; by: string }>();
  const pairs: (readonly [string, string])[] = [];
  for (const { id = '', type, part = '', payload = '{}', person = '' } of rows) {
    if (undone.has(id) || (type !== 'part-graded' && type !== 'part-looked-again')) continue;
    const { verdict } = JSON.parse(payload) as { verdict: { grade: string } };
    const before = first.get(part);
    if (type === 'part-graded') first.set(part, { grade: verdict.grade, by: person });
    else if (before && before.by !== person) pairs.push([before.grade, verdict.grade]);
  }
  return pairs;
}

const typed = async (value: string) => {
  await page.keyboard.type(value);
  await press(page, 'Enter');
};

describe('a battery', () => {
  let tag: string;
  /** What the label of its place says, and what the log was made with: the screen is held against both. */
  let rated: number;
  let place: { readonly type: string; readonly volt: number; readonly limitVolt: number };
  let truth: LogOf;

  test('the log of an analyser is counted: charge, resistance, a gap, by commas and with a minus', async () => {
    tag = await takeUp('battery');
    const said0 = await text(page);
    const model = models.find(({ name }) => said0.includes(`${name} · from`));
    const battery = model?.parts.find(({ category }) => category === 'battery');
    if (!battery?.cell || battery.ratedAmpHours === undefined) throw new Error('its model says what its label says');
    [rated, place] = [battery.ratedAmpHours, battery.cell];
    truth = {
      ampHours: 0.85 * rated,
      milliOhm: 104,
      gapS: 41,
      isComma: true,
      sign: -1,
      cells: Math.round(place.volt / 3.7),
    };
    await press(page, '1', '1');
    await typed('0,08');
    await readLog(dischargeLog(truth));
    await says(page, /A gap of 41 seconds was bridged/);
    const said = await text(page);
    const counted = Number(/Counted: ([\d.]+) Ah/.exec(said)?.[1]);
    // At 24 °C a cell gives a little less than at 25: the figure is put right by 0.6 of a hundred.
    expect(Math.abs(counted - truth.ampHours / 0.994)).toBeLessThan(0.006 * rated);
    const milliOhm = Number(/([\d.]+) ± [\d.]+ mΩ/.exec(said)?.[1]);
    expect(Math.abs(milliOhm - (truth.milliOhm ?? 0))).toBeLessThan(5);
    await typed('212');
    expect(await heading(page)).toMatch(/^Battery: ([A-D]|scrap), limited by/);
  });

  test('logs that are none of a discharge are refused with a sentence, and what was read stays', async () => {
    const before = await heading(page);
    const [head = '', ...lines] = dischargeLog(truth).trim().split('\n');
    const reversed = lines.map((line, at) => [String(at), ...line.split(';').slice(1)]);
    const charging = reversed.toReversed().map((cells, at) => [at, ...cells.slice(1)].join(';'));
    const broken = lines.map((line, at) => (at === 40 ? 'x;y;z' : line));
    const backwards = lines.map((line, at) => (at === 50 ? (lines[40] ?? '') : line));
    for (const [content, sentence] of [
      [[head, ...charging].join('\n'), 'shows a charge, and no discharge'],
      [[head, ...broken].join('\n'), 'line 42 holds no figures'],
      [[head, ...backwards].join('\n'), 'at line 51 the clock'],
      [dischargeLog({ ...truth, ampHours: 3 * rated }), `more than a cell rated ${rated} Ah can hold`],
      ['a;b;c\n1;2;3\n', 'needs a column each for time, voltage and current'],
      ['', 'the file has no rows'],
    ] as const) {
      await readLog(content);
      await says(page, sentence);
      expect(await heading(page)).toBe(before);
    }
    // One that ends early is shown, and says that it is no whole one.
    await readLog([head, ...lines.slice(0, Math.floor(lines.length / 2))].join('\n'));
    await says(page, 'It ended before the cut-off');
    await readLog(dischargeLog(truth));
    await says(page, /A gap of 41 seconds was bridged/);
  });

  test('a label that contradicts its place is refused; the right one and the own gauge become one figure', async () => {
    await press(page, 'b');
    await page.waitForSelector('dialog input[name=type]');
    const fill = async (values: Readonly<Record<string, string>>) => {
      for (const [name, value] of Object.entries(values)) {
        await page.$eval(`dialog input[name=${name}]`, (input) => (input as HTMLInputElement).select());
        await page.type(`dialog input[name=${name}]`, value);
      }
      await press(page, 'Enter');
    };
    // A battery's own lamps, for want of an analyser: more than there are cannot be; what was counted before stays believed.
    await fill({ lit: '6', lamps: '5' });
    await says(page, '6 of 5 lamps cannot be');
    await fill({ lit: '4' });
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
    await says(page, /Capacity against rated (\(limits it\) )?85\.\d/i);
    await press(page, 'b');
    await page.waitForSelector('dialog input[name=type]');
    const right = { ratedAmpHours: `${rated}`, ratedVolt: `${place.volt}`, limitVolt: `${place.limitVolt}` };
    await fill({ type: 'ZZ9-99', ...right });
    await says(page, `the label says ZZ9-99, the place takes ${place.type}`);
    await fill({ type: place.type, limitVolt: `${place.limitVolt - 0.1}` });
    await says(page, 'It would be overcharged');
    await fill({ limitVolt: right.limitVolt, gaugeShare: '91' });
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
    await says(page, 'The unit said 91, the analyser counts 85');
    await says(page, /Believed: 85\.\d ± 0\.\d/);
  });

  test('the grade opens its arithmetic, Escape closes it, and the part remembers all of it', async () => {
    await press(page, 'e');
    await page.waitForSelector('dialog[open]');
    await says(page, 'Capacity against rated');
    await says(page, 'The worst decides');
    await press(page, 'Escape');
    await page.waitForFunction(() => document.querySelector('dialog[open]') === null);
    await press(page, 'space');
    await settled(page);
    await go(page, bench.url, `/t/${tag}`);
    await says(page, /capacity against rated 85\.\d+ ± 0\.\d+ %/i);
    await says(page, `Label: ${place.type}, ${rated} Ah, ${place.volt} V, charged to ${place.limitVolt} V.`);
    await says(page, 'Its unit said 91 %.');
  });
});

test('a reading whose interval crosses a limit is in doubt; a second one is averaged, and is surer', async () => {
  await takeUp('speaker');
  await press(page, '1');
  await typed('71.2');
  await press(page, '1');
  await says(page, 'In doubt');
  await says(page, /The interval of loudness crosses a limit: wrong in \d+ of 100/);
  await press(page, 'm');
  await typed('72.4');
  await says(page, '71.8 ± 0.71 dB, mean of 2');
  expect(await heading(page)).toContain('B, limited by loudness');
  // Back one reading, and mended: a single one again.
  await press(page, 'Backspace', 'Backspace');
  await typed('75');
  await says(page, '75 ± 1 dB');
  expect(await heading(page)).toContain(': A');
});

test('a moved limit says which stocked parts it would regrade, and by how much money; nothing is regraded by it', async () => {
  await go(page, bench.url, '/rules/grading');
  await write(page, 'Cycles, grade A', '10');
  await says(page, /parts? on the shelf changes? (its|their) grades?; the shelf is worth €[\d,.]+ less/);
  await says(page, /P-\d+ [^:]+: A becomes B/);
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await press(page, 'u');
  await says(page, 'Nothing is changed yet');
  // A choice that would be better than the one above it is no rule.
  await page.$$eval('[role=group][aria-label="How it was freed: warmed and lifted"] button', (buttons) =>
    (buttons.find(({ textContent }) => textContent === 'A') as HTMLElement | undefined)?.click(),
  );
  await page.$$eval('[role=group][aria-label="How it was freed: by its strip"] button', (buttons) =>
    (buttons.find(({ textContent }) => textContent === 'B') as HTMLElement | undefined)?.click(),
  );
  await says(page, 'none may be better than the one above it');
  await press(page, 'u');
});

test('a class of parts has limits of its own, taken away again with one press', async () => {
  await go(page, bench.url, '/rules/grading');
  await page.select('select[aria-label="Class of parts"]', 'lantern-5-cell');
  await page.select('select[aria-label="Attribute"]', 'cycles');
  const press1 = (name: string) =>
    page.$$eval(
      'button',
      (buttons, wanted) =>
        (buttons.find(({ textContent }) => textContent === wanted) as HTMLElement | undefined)?.click(),
      name,
    );
  await press1('Limits of its own');
  await write(page, 'lantern-5-cell cycles, grade D', '1200');
  await says(page, /Limits of classes: .*lantern-5-cell: cycles|lantern-5-cell/);
  await press1('Take away');
  await says(page, 'Nothing is changed yet');
});

describe('a second look', () => {
  test('is blind: the first grade is nowhere on the page, and both are told once it is recorded', async () => {
    const own = await bench.signIn('Oskar V.');
    await go(own, bench.url, '/grade');
    const waiting = () =>
      own.$$eval('section[aria-label="Look again, blind"] li button', (all) =>
        all.map(({ textContent }) => textContent ?? ''),
      );
    const [first = ''] = await waiting();
    const tag = /P-\d+/.exec(first)?.[0] ?? '';
    await own.click('section[aria-label="Look again, blind"] li button');
    await settled(own);
    expect(await heading(own)).toMatch(/: 0 of \d read/);
    const main = () => own.$eval('main', (element) => (element as HTMLElement).innerText);
    expect(await main()).toContain('its grade is hidden');
    expect(await own.$(`main a[href="/t/${tag}"]`)).toBeNull();
    for (let reading = 0; reading < 10 && /: \d of \d read/.test(await heading(own)); reading += 1) {
      if (await own.$('main li form input')) {
        await own.keyboard.type('3');
        await press(own, 'Enter');
      } else await press(own, '1');
    }
    await press(own, 'space');
    await settled(own);
    await says(own, new RegExp(`${tag}: (both looks say [A-DX]|first [A-DX], by .+; now [A-DX], by)`));
    expect(await waiting()).not.toContain(first);
    await go(own, bench.url, `/t/${tag}`);
    await says(own, 'A second look, blind');
  });

  test('how alike we grade is what the exported facts give by plain arithmetic', async () => {
    await go(page, bench.url, '/grade/agreement');
    const row = await page.$$eval('main tbody tr', (rows) =>
      [...(rows[0]?.querySelectorAll('td') ?? [])].map(({ textContent }) => textContent ?? ''),
    );
    const csv = await page.evaluate(async () => (await fetch('/api/facts/export')).text());
    const pairs = pairsByHand(csv);
    const shares = (grade: (pair: readonly [string, string]) => string) =>
      [...'ABCDX'].map((letter) => pairs.filter((pair) => grade(pair) === letter).length / pairs.length);
    const agreed = pairs.filter(([one, other]) => one === other).length / pairs.length;
    const [rows, columns] = [shares(([one]) => one), shares(([, other]) => other)];
    const chance = rows.reduce((sum, share, at) => sum + share * (columns[at] ?? 0), 0);
    expect(pairs.length).toBeGreaterThan(10);
    expect(row.slice(0, 2)).toEqual(['Everything', String(pairs.length)]);
    expect(row[2]?.replace(/\s/g, ' ')).toBe(`${Math.round(100 * agreed)} %`);
    expect(Math.abs(Number(row[3]?.split(' ')[0]) - (agreed - chance) / (1 - chance))).toBeLessThan(0.006);
  });
});
