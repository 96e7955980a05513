import type { Page } from 'puppeteer-core';
import { demoPeople } from '../../scripts/demo/people';
import { Bench, go, heading, pause, press, says, settled, text, untilStep, watchTrouble } from '../support/e2e';
import { shippedModels } from '../support/models';
import { makeDonor } from '../support/makeUnits';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterEach(() => bench.leave());
afterAll(() => bench.close());

const named = (name: string) => {
  const model = shippedModels.find((entry) => entry.name === name);
  if (!model) throw new Error(`no model ${name}`);
  return model;
};

async function onSheet(page: Page, model: string): Promise<string> {
  const { tag } = await makeDonor(page, named(model));
  await go(page, bench.url, `/bench/${tag}`);
  // Whatever pays: these tests are about steps.
  await press(page, 'a', 'space');
  // The step's number: “Start” stands on the screen before it as well.
  await page.waitForSelector('header span strong');
  await says(page, /Done, next|Start/);
  await settled(page);
  return tag;
}

test('a wait rings on every screen, outlives a reload and another browser, and lets another unit be taken up', async () => {
  const page = await bench.signIn('Imke R.');
  const troubles = watchTrouble(page);
  const tag = await onSheet(page, 'Lantern 5');
  await untilStep(page, /Warm the edge/);
  await press(page, 'space');
  await says(page, /3:5\d/);
  await settled(page);
  await says(page, 'Take U-');

  // Elsewhere, by somebody else, it is seen too.
  const other = await bench.signIn('Oskar V.');
  await go(other, bench.url, '/teardown');
  await says(other, 'Waiting by themselves');
  const list = await other.$eval('section[aria-label="Waiting by themselves"]', ({ textContent }) => textContent ?? '');
  expect(list).toMatch(new RegExp(`${tag}hot plate \\d`));
  expect(await other.title()).toMatch(/^\d:\d\d .* · /);

  await page.reload();
  await settled(page);
  await says(page, /[23]:\d\d/);
  await press(page, 'm');
  await page.waitForFunction((own) => !location.pathname.endsWith(own), {}, tag);
  // What the page says by itself as it opens is answered with the server's time: after that its clock may be changed.
  const opened = page.waitForResponse((response) => response.url().endsWith('/api/instruments/wait'));
  await go(page, bench.url, `/bench/${tag}`);
  await opened;

  // The clock of the browser goes on by five minutes: it is ready, and says so.
  await page.evaluate(() => {
    const plain = Date.now.bind(Date);
    Date.now = () => plain() + 5 * 60_000;
  });
  await says(page, 'Ready: continue');
  // The title is told after the screen is drawn.
  await page.waitForFunction((ready) => document.title.includes(ready), {}, `${tag} is ready`);
  await press(page, 'space');
  await says(page, 'Cut the seal');
  await settled(page);
  await go(other, bench.url, '/teardown');
  expect(await text(other)).not.toContain('Waiting by themselves');
  expect(troubles).toEqual([]);
});

test('a swollen cell stops the sheet; a technician fetches a lead’s word, wrong PINs are told, and the cell goes to its place', async () => {
  const page = await bench.signIn('Imke R.');
  const tag = await onSheet(page, 'Lantern 5');
  await untilStep(page, /battery strip/i);
  await press(page, 'g', '4');
  await says(page, 'Stop: the battery is swollen');
  await press(page, 'space');
  await says(page, 'Stop: the battery is swollen');
  await settled(page);
  await page.reload();
  await settled(page);
  await press(page, '1', '2', '3');
  const lead = demoPeople.find(({ name }) => name === 'Sunniva T.');
  const options = await page.$$eval('select option', (all) =>
    all.map((option) => [(option as HTMLOptionElement).value, option.textContent]),
  );
  await page.select('main select', options.find(([, name]) => name === 'Sunniva T.')?.[0] as string);
  const say = async (pin: string) => {
    await page.focus('main input[type=password]');
    await page.keyboard.type(pin);
    await press(page, 'Enter');
  };
  await say('0000');
  await says(page, /wrong|left/);
  await says(page, 'Stop: the battery is swollen');
  await say(lead?.pin as string);
  await page.waitForFunction(() => /battery strip/.test(document.querySelector('h1')?.textContent ?? ''));
  await press(page, 'space');
  await settled(page);
  await go(page, bench.url, `/t/${tag}`);
  await says(page, /the fire-safe place/);
  await says(page, 'Declared safe Sunniva T.');
});

test('it went otherwise: a torn foil, a step skipped, a note, a break; each by a key or two', async () => {
  const page = await bench.signIn('Petra L.');
  const tag = await onSheet(page, 'Sedge 8');
  await press(page, 'o');
  await says(page, 'Something else');
  await press(page, 'd');
  await says(page, 'cannot be skipped');
  await press(page, 'Escape', 'l');
  await page.waitForSelector('dialog input');
  await press(page, 'Escape');
  await page.waitForFunction(() => document.querySelector('dialog') === null);
  await untilStep(page, /foil/i);
  await press(page, 'o');
  await says(page, /It tears across \(30 %\)/);
  await press(page, '1');
  await page.waitForFunction(() => !/foil/i.test(document.querySelector('h1')?.textContent ?? ''));
  await press(page, 't');
  await says(page, 'Back to work');
  await press(page, 'space');
  await says(page, /Done, next|Start/);
  await press(page, 'o', 'n');
  await page.waitForSelector('dialog input[aria-label=Note]');
  await page.keyboard.type('Foil was brittle.');
  await press(page, 'Enter');
  const before = await heading(page);
  await press(page, 'o', 'm');
  await page.waitForFunction((was) => document.querySelector('h1')?.textContent?.trim() !== was, {}, before);
  await settled(page);
  await go(page, bench.url, `/t/${tag}`);
  await says(page, /Note: Foil was brittle/);
  await says(page, ' skipped: ');
});

test('solvent in the air locks the heat, and the sheet says for how long', async () => {
  const page = await bench.signIn('Petra L.');
  await onSheet(page, 'Sedge 8');
  await untilStep(page, /Warm the front frame/);
  await says(page, 'No heat yet');
  const before = await heading(page);
  await press(page, (await page.$('[aria-keyshortcuts="d"]')) ? 'd' : 'space');
  await says(page, /No heat for another \d+ min/);
  expect(await heading(page)).toBe(before);
});

test('a step for certified people asks whoever has not rehearsed it to do so first', async () => {
  const page = await bench.signIn('Oskar V.');
  await onSheet(page, 'Reed 2');
  await untilStep(page, /Unsolder the buzzer/);
  await says(page, 'You have not passed its rehearsal');
  await press(page, 'space');
  await page.waitForFunction(() => location.pathname === '/models/brinewell-reed-2/rehearse');
  await says(page, 'practice unit: nothing real changes');
});

test('two tabs on one unit, and a reload at every step: nothing is lost and nothing is done twice', async () => {
  const page = await bench.signIn('Petra L.');
  const tag = await onSheet(page, 'Slate Quay');
  const second = await page.browserContext().newPage();
  await go(second, bench.url, `/bench/${tag}`);
  const places = async (number: number) => {
    for (const at of [second, page]) {
      // A tab that nobody looks at waits, and catches up when it is seen.
      await at.bringToFront();
      await at.waitForFunction(
        (wanted) => document.querySelector('header span strong')?.textContent === String(wanted),
        {},
        number,
      );
    }
  };
  await places(1);
  for (let step = 2; step <= 4; step += 1) {
    await press(page, 'space');
    await places(step);
    await settled(page);
    await page.reload();
    await settled(page);
  }
  // Both at once: one is taken, the other is told, kept, and left.
  await Promise.all([press(page, 'space'), press(second, 'space')]);
  await places(5);
  const isRefused = async (at: Page) => (await text(at)).includes('from this bench rejected');
  let refused: Page | undefined;
  for (let looks = 0; looks < 80 && !refused; looks += 1) {
    if (await isRefused(page)) refused = page;
    else if (await isRefused(second)) refused = second;
    else await pause(100);
  }
  if (!refused) throw new Error('neither was told');
  await says(refused, '1 fact from this bench rejected');
  await refused.bringToFront();
  await press(refused, 'F2');
  await says(refused, 'One fact was rejected');
  await press(refused, 'l');
  await refused.waitForFunction(() => !document.body.innerText.includes('from this bench rejected'));
  await settled(refused);
  await go(page, bench.url, `/t/${tag}`);
  await says(page, 'Rejected and left');
  expect(await page.$$('li[data-fact=step-done]')).toHaveLength(4);
});

test('a rehearsal touches nothing: wrong choices say what would have happened, and come back sooner than right ones', async () => {
  const page = await bench.signIn('Oskar V.');
  const troubles = watchTrouble(page);
  await go(page, bench.url, '/models/oddkin-cuff/rehearse');
  await says(page, 'practice unit: nothing real changes');
  const question = () =>
    page.$eval('main', ({ textContent }) => /(\d+) of (\d+)\./.exec(textContent ?? '')?.[1] ?? 'over');
  let wrong = 0;
  for (let now = await question(); now !== 'over'; now = await question()) {
    for (const key of ['1', '2', '3', '4']) {
      await press(page, key);
      if ((await question()) !== now) break;
      await says(page, 'Wrong.');
      wrong += 1;
    }
  }
  expect(wrong).toBeGreaterThan(0);
  await says(page, /back today|days, then in weeks/);
  await page.waitForFunction(() => document.documentElement.dataset.keys === 'heard');
  await go(page, bench.url, '/models/oddkin-cuff/rehearse');
  // Only what went wrong is asked again today.
  const [, left] = /1 of (\d+)\./.exec(await text(page)) ?? [];
  expect(Number(left)).toBeGreaterThan(0);
  expect(Number(left)).toBeLessThanOrEqual(wrong);
  expect(troubles).toEqual([]);
});
