import { Bench, go, press, says, settled, text, watchTrouble } from '../support/e2e';

let bench: Bench;
beforeAll(async () => {
  bench = await Bench.open();
});
afterAll(() => bench.close());

test('what pays, only some parts, and everything: each a plan with its order and its reasons', async () => {
  const page = await bench.signIn('Sunniva T.');
  const troubles = watchTrouble(page);
  await go(page, bench.url, '/models/oddkin-lantern-5');
  await press(page, 'p');
  await says(page, 'As a donor it pays to');
  await says(page, 'Pays from');
  const paying = await text(page);
  expect(paying).toMatch(/\d+ of 22 steps, \d+ min hands-on/);

  await press(page, 'v');
  await says(page, 'Taking everything out takes');

  await press(page, 'w', 't');
  await says(page, 'the last part wanted');
  const rows = await page.$$eval('tbody tr button', (all) => all.map(({ ariaPressed }) => ariaPressed));
  const wanted = rows.flatMap((isPressed, at) => (isPressed === 'true' ? [at] : []));
  expect(wanted.length).toBeGreaterThan(1);
  // Take all but the camera and the battery out of it, by their keys.
  const names = await page.$$eval('tbody tr', (all) => all.map((row) => row.children[1]?.textContent ?? ''));
  const keys = await page.$$eval('tbody tr button', (all) =>
    all.map((button) => button.getAttribute('aria-keyshortcuts') ?? ''),
  );
  for (const at of wanted) if (!['camera', 'battery'].includes(names[at] ?? '')) await press(page, keys[at] as string);
  await page.waitForFunction(() => /to the (camera|battery), the last part wanted/.test(document.body.innerText));

  await says(page, 'Compared with the previous plan:');

  await press(page, 'o');
  await says(page, 'Frees the battery.');
  await says(page, 'Needed for');
  await says(page, 'No other choice and no other order brings more.');
  expect(await text(page)).not.toContain('Frees the display.');

  // A crack asks for tape before the glass is warmed.
  expect(await text(page)).not.toContain('Tape the');
  await press(page, 'g');
  await says(page, 'Tape the');
  expect(troubles).toEqual([]);
});

test('a price on either side of the one it shows changes the plan at that very cent', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/models/oddkin-lantern-5/plan');
  await says(page, 'As a donor it pays');
  const rowOf = (name: string) =>
    page.$$eval(
      'tbody tr',
      (rows, wanted) => {
        const row = rows.find(({ children }) => children[0]?.textContent === wanted);
        return [...(row?.children ?? [])].map(({ textContent }) => textContent ?? '');
      },
      name,
    );
  // A part that is freed for its worth, not on the way to another.
  const name = await page.$$eval('tbody tr', (rows) => {
    const freed = rows.find(({ textContent }) => textContent?.endsWith('free it') && !textContent.includes('≤'));
    return freed?.children[0]?.textContent ?? '';
  });
  const even = Number((await rowOf(name))[4]?.replace('€', ''));
  expect(even).toBeGreaterThan(0.01);
  await press(page, 'p');
  const price = async (amount: string) => {
    const field = await page.waitForSelector(`input[aria-label="A good ${name} fetches"]`);
    await field?.click({ count: 3 });
    await page.keyboard.type(amount);
    await page.keyboard.press('Enter');
  };
  const verdict = (words: string) =>
    page.waitForFunction(
      (wanted, says) =>
        [...document.querySelectorAll('tbody tr')].some(
          ({ children, textContent }) => children[0]?.textContent === wanted && textContent?.endsWith(says),
        ),
      {},
      name,
      words,
    );
  await price((even - 0.01).toFixed(2));
  await verdict('leave it');
  await says(page, 'Compared with the previous plan:');
  await price(even.toFixed(2));
  await verdict('free it');
  await price('a lot');
  await page.waitForSelector(`input[aria-label="A good ${name} fetches"][aria-invalid="true"]`);
  await verdict('free it');
});

test('the plan of a donor becomes its run sheet, and can be taken back', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/models/marrowby-slate-quay/plan');
  await says(page, 'As a donor it pays');
  if ((await text(page)).includes('Wipe first')) {
    await press(page, 'space');
    await page.waitForFunction(() => location.pathname.startsWith('/bench/'));
    await settled(page);
    await press(page, 'space');
    await says(page, 'Start the sheet');
    await settled(page);
    await press(page, 'p');
    await says(page, 'As a donor it pays');
  }
  await says(page, 'Run sheet for');
  await press(page, 'space');
  await page.waitForFunction(() => location.pathname.startsWith('/bench/'));
  await says(page, 'Switch it off and prove it');
  await settled(page);
  await press(page, 'u');
  await says(page, 'Start the sheet');
  await settled(page);
});

test('a screw that lies on the mat is told where it belongs, and what it would damage', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/teardown');
  // The demo's own, which was tagged before those of other tests.
  const tag = await page.$$eval('main li', (rows) => {
    const begun = rows.filter(({ textContent }) => textContent?.includes('next:'));
    return begun.map(({ textContent }) => /U-\d+/.exec(textContent ?? '')?.[0] ?? '').sort()[0] ?? '';
  });
  expect(tag).not.toBe('');
  await go(page, bench.url, `/bench/${tag}`);
  await press(page, 's', 'w');
  await page.waitForSelector('input[aria-label="Head and length"]');
  await page.keyboard.type('PH00 4.2');
  await says(page, ' %');
  await says(page, 'is open');
  await page.$eval('input[aria-label="Head and length"]', (field) => (field as HTMLInputElement).select());
  await page.keyboard.type('PH00 9.5');
  await says(page, 'It would damage');
  await page.$eval('input[aria-label="Head and length"]', (field) => (field as HTMLInputElement).select());
  await page.keyboard.type('long one');
  await says(page, 'Write it as PH00 3.1');
});
