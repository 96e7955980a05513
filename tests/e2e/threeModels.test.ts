import type { Page } from 'puppeteer-core';
import type { Part } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { Acknowledged } from '@/services/facts/recordFact';
import type { Answer } from '@/ui/server/outbox';
import { breakableWay, type BreakableWay } from '../support/breakableWay';
import { Bench, demoUrl, go, heading, press, says, settled, text, watchTrouble } from '../support/e2e';
import { makeBuild, makeDonor } from '../support/makeUnits';
import { handset, phone, shippedModels } from '../support/models';

const laptop = shippedModels.find(({ name }) => name === 'Slate Quay') as Model;

let way: BreakableWay;
let bench: Bench;
beforeAll(async () => {
  way = await breakableWay(demoUrl());
  bench = await Bench.open(way.url);
});
afterEach(() => {
  way.mend();
  return bench.leave();
});
afterAll(async () => {
  await bench.close();
  await way.close();
});

/** Something that happens when the sheet comes to a step, once. */
interface Trouble {
  readonly at: RegExp;
  readonly meet: (page: Page) => Promise<void>;
}

/** Where the sheet stands: its step by number and in words. */
const standing = (page: Page) =>
  page.evaluate(() =>
    ['header span strong', 'h1'].map((place) => document.querySelector(place)?.textContent?.trim()).join(' '),
  );

/** Follows the sheet by the pedal to its end, meeting each trouble on the way. Waits are not timed. */
async function follow(page: Page, troubles: readonly Trouble[], end: RegExp): Promise<readonly string[]> {
  const open = [...troubles];
  const seen: string[] = [];
  for (let presses = 0; presses < 160; presses += 1) {
    const now = await heading(page);
    seen.push(now);
    if (end.test(now)) {
      expect(open.map(({ at }) => String(at))).toEqual([]);
      return seen;
    }
    const due = open.findIndex(({ at }) => at.test(now));
    if (due !== -1) {
      const [trouble] = open.splice(due, 1);
      await trouble?.meet(page);
      continue;
    }
    const before = await standing(page);
    await press(page, (await page.$('nav[aria-label="Actions"] [aria-keyshortcuts="d"]')) ? 'd' : 'space');
    await page
      .waitForFunction(
        (was) =>
          ['header span strong', 'h1'].map((place) => document.querySelector(place)?.textContent?.trim()).join(' ') !==
          was,
        { timeout: 10_000 },
        before,
      )
      .catch(async () => {
        throw new Error(`it stays at “${now}”. The page says: ${(await text(page)).slice(0, 1500)}`);
      });
  }
  throw new Error(`the sheet never ended: ${seen.join(' / ')}`);
}

/** Parts that come free on this page, as the server has them. */
function partsOf(page: Page): Map<string, Part> {
  const parts = new Map<string, Part>();
  page.on('response', async (response) => {
    if (!response.url().endsWith('/api/facts') || !response.ok()) return;
    const { answers } = (await response.json().catch(() => ({ answers: [] }))) as {
      answers: readonly Answer<Acknowledged>[];
    };
    for (const answer of answers)
      if (answer.ok)
        for (const { kind, after } of answer.value.results)
          if (kind === 'part' && after) parts.set((after as Part).partRef, after as Part);
  });
  return parts;
}

const swollenCell: Trouble = {
  at: /battery strip/i,
  meet: async (page) => {
    await press(page, 'g', '4');
    await says(page, 'Stop: the battery is swollen');
    await press(page, '1', '2', '3', 'space');
    await page.waitForFunction(() => !document.querySelector('h1')?.textContent?.includes('Stop'));
  },
};

const resistsOnce: Trouble = {
  at: /cut the seal of the back|unclip the front shell/i,
  meet: async (page) => {
    await press(page, 'r');
    await says(page, 'It won’t come loose');
    const before = await page.$eval('main', ({ textContent }) => textContent);
    const key = await page.$$eval('dialog button', (buttons) =>
      buttons
        .find(({ textContent }) => textContent?.includes('Try the next method'))
        ?.getAttribute('aria-keyshortcuts'),
    );
    await press(page, key === 'Space' ? 'space' : (key as string));
    await page.waitForFunction((was) => document.querySelector('main')?.textContent !== was, {}, before);
  },
};

const brokenPart: Trouble = {
  at: /take the fan and cooler out/i,
  meet: async (page) => {
    await press(page, 'b', '1', '1', '1');
    await page.waitForFunction(() => document.querySelector('dialog') === null);
  },
};

const missingScrew = (at: RegExp): Trouble => ({
  at,
  meet: async (page) => {
    await press(page, 's');
    await says(page, 'A screw is');
    const key = await page.$$eval('dialog button', (buttons) =>
      buttons.find(({ textContent }) => textContent?.includes('missing'))?.getAttribute('aria-keyshortcuts'),
    );
    await press(page, key as string);
    await page.waitForFunction(() => document.querySelector('dialog') === null);
  },
});

/** A screw is read too tight: the step waits for an answer, and is done once it is right. */
const tooTight: Trouble = {
  at: /put the base door on/i,
  meet: async (page) => {
    await says(page, 'Simulated driver');
    const before = await standing(page);
    await press(page, '8');
    await says(page, 'Screw 1 is too tight');
    await press(page, 'space');
    await says(page, 'outside its limits. Tighten it again');
    expect(await standing(page)).toBe(before);
    await press(page, '7');
    await page.waitForFunction(() => !document.body.innerText.includes('Screw 1 is too tight'));
  },
};

/** The cable is out for three steps and a reload. */
const outage: Trouble = {
  at: /draw the battery plug/i,
  meet: async (page) => {
    await settled(page);
    const path = await page.evaluate(() => location.pathname);
    await page.waitForFunction(async (kept) => (await caches.match(kept)) !== undefined, { polling: 100 }, path);
    way.cut();
    for (let step = 0; step < 3; step += 1) await press(page, 'space');
    await says(page, /3 facts to send/);
    const before = await standing(page);
    await page.reload();
    await says(page, 'This page is as it was at');
    await page.waitForFunction(
      (was) =>
        ['header span strong', 'h1'].map((place) => document.querySelector(place)?.textContent?.trim()).join(' ') ===
        was,
      {},
      before,
    );
    way.mend();
    await settled(page);
  },
};

interface Course {
  readonly model: Model;
  readonly apart: readonly Trouble[];
  readonly together: readonly Trouble[];
  /** The part that goes from the one into the other. */
  readonly part: string;
  /** What the way back must have asked for. */
  readonly owed: readonly RegExp[];
}

const courses: readonly Course[] = [
  {
    model: phone,
    apart: [resistsOnce, swollenCell],
    part: 'display',
    together: [missingScrew(/take the cover plate off/i)],
    owed: [/screw/i, /^Gate/],
  },
  {
    model: laptop,
    apart: [brokenPart, outage],
    part: 'keyboard',
    together: [missingScrew(/take the base screws out/i), tooTight],
    owed: [/screw/i],
  },
  {
    model: handset,
    apart: [missingScrew(/case screws/i), resistsOnce],
    part: 'display',
    together: [resistsOnce],
    owed: [],
  },
];

test.each(courses.map((course) => [course.model.name, course] as const))(
  '%s is torn down and another one rebuilt with a part of it, by keys alone, with troubles on the way',
  async (_, { model, apart, together, part, owed }) => {
    const page = await bench.signIn('Sunniva T.');
    const troubles = watchTrouble(page);
    const parts = partsOf(page);

    const donor = await makeDonor(page, model);
    await go(page, bench.url, `/bench/${donor.tag}`);
    await press(page, 'space');
    await says(page, 'Done, next');
    await follow(page, apart, /^Taken apart/);
    await settled(page);

    const freed = parts.get(part);
    if (!freed) throw new Error(`no ${part} came out: ${[...parts.keys()].join(', ')}`);
    const build = await makeBuild(page, model, freed);
    await go(page, bench.url, `/bench/${build.tag}`);
    await press(page, 'space');
    await says(page, 'Done, next');
    const steps = await follow(page, together, /^Rebuilt/);
    for (const words of owed) expect(steps.filter((step) => words.test(step))).not.toEqual([]);
    await settled(page);
    await go(page, bench.url, `/t/${build.tag}`);
    await says(page, `${build.tag} is at Prove`);
    // What the browser says of a cut cable is no trouble of the page.
    expect(troubles.filter((trouble) => !/ERR_(CONNECTION|EMPTY|INCOMPLETE)|net::/.test(trouble))).toEqual([]);
  },
);
