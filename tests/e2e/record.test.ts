import { plantedHabit } from '../../scripts/demo/decisions';
import { Bench, go, press, says, settled, text, watchTrouble } from '../support/e2e';
import { shippedModels } from '../support/models';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

test('the record of proposals finds the mistake of the house, says what it costs, and leads to a unit of it', async () => {
  const page = await bench.signIn('Mirel A.');
  const troubles = watchTrouble(page);
  await go(page, bench.url, '/triage');
  await page.click('::-p-text(Proposal record)');
  await page.waitForFunction(() => location.pathname === '/triage/score');
  await says(page, 'Done otherwise here, again and again');
  const name = shippedModels.find(({ id }) => id === plantedHabit.model)?.name as string;
  await says(page, new RegExp(`${name}, Charges: fault Donor instead of Build, \\d+ times`));
  await says(page, /€\d+\.\d\d less a unit €\d+\.\d\d less in all/);
  await says(page, 'Follow the proposal there, or note at Triage what it does not see.');
  // What it says of all is what it says of one, times their number: read off the screen.
  const [, times, each, all] = new RegExp(
    `Donor instead of Build, (\\d+) times.*?€([\\d.]+) less a unit €([\\d.,]+) less in all`,
  ).exec(await text(page)) as unknown as [string, string, string, string];
  expect(Number(all.replace(/,/g, ''))).toBeCloseTo(Number(times) * Number(each), 6);
  const tag = await page.$eval('main li a[href^="/t/U-"]', ({ textContent }) => textContent?.trim() ?? '');
  await page.click('main li a[href^="/t/U-"]');
  await page.waitForFunction((own) => location.pathname === `/t/${own}`, {}, tag);
  await says(page, `${tag} is`);
  await go(page, bench.url, '/triage/score');
  await press(page, 'Escape');
  await page.waitForFunction(() => location.pathname === '/triage');
  await settled(page);
  expect(troubles).toEqual([]);
});
