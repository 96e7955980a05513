import { randomUUID } from 'node:crypto';
import type { Page } from 'puppeteer-core';
import type { MatchPlan } from '@/core/matchPlan/plan';
import type { MatchProblem } from '@/core/matchPlan/problem';
import { evaluate } from '@/core/matchPlan/evaluate';
import { bestByHand } from '../support/bestByHand';
import { openOwnDemo } from '../support/ownDemo';
import { type Bench, go, press, says, settled, text, watchTrouble } from '../support/e2e';

let bench: Bench;
let close: () => Promise<void>;
beforeAll(async () => {
  ({ bench, close } = await openOwnDemo('plucky_match_plan_test'));
});
afterEach(() => bench.leave());
afterAll(() => close());

interface Planned {
  readonly problem: MatchProblem;
  readonly plan: MatchPlan;
  readonly cents: number;
  readonly isProven: boolean;
  readonly anewCents: number | null;
  readonly helps: readonly object[];
  readonly rows: readonly {
    readonly tag: string;
    readonly id: string;
    readonly version: number;
    readonly fate: string;
    readonly proposed: string | null;
    readonly gives: readonly { readonly slot: string; readonly to: { readonly tag: string } | null }[];
    readonly fills: readonly { readonly slot: string; readonly is: string; readonly from: string }[];
  }[];
}

const plain = { days: 7, hours: null, certifiedHours: null, isAnew: false, wishes: [], slotWishes: [] };

/** Asks for a plan as the page does. */
const planOf = (page: Page, asked: object = plain) =>
  page.evaluate(async (body) => {
    const response = await fetch('/api/match-plan', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const lines = (await response.text()).trim().split('\n');
    return JSON.parse(lines.at(-1) ?? '{}') as { plan?: unknown; refusal?: { reason: string } };
  }, asked) as Promise<{ plan?: Planned; refusal?: { reason: string } }>;

const send = (page: Page, path: string, body: object) =>
  page.evaluate(
    async (to, given) => {
      const response = await fetch(to, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(given),
      });
      return { status: response.status, body: (await response.json()) as Record<string, unknown> };
    },
    path,
    body,
  );

/** A unit of a plan as the page accepts it. */
const asAccepted = ({ id, version, fate, proposed, fills, gives }: Planned['rows'][number]) => ({
  ...{ id, version, fate, proposed: proposed ?? fate },
  fills: fills.filter(({ is }) => is === 'lot').map(({ slot, from }) => ({ slot, from })),
  gives: gives.flatMap(({ slot, to }) => (to ? [{ slot, for: to.tag }] : [])),
});

/** Opens the page and waits for its plan. */
async function openPlan(page: Page): Promise<void> {
  await go(page, bench.url, '/match');
  await press(page, 'g');
  await page.waitForFunction(() => location.pathname === '/match/plan');
  await says(page, 'Proven best');
  await says(page, 'Next best');
}

test('the plan of the demo is proven, can be carried out, and beats going unit by unit; why is asked of every choice', async () => {
  const page = await bench.signIn('Sunniva T.');
  const troubles = watchTrouble(page);
  await openPlan(page);
  const { plan } = await planOf(page);
  if (!plan) throw new Error('no plan');
  expect(plan.isProven).toBe(true);
  expect(evaluate(plan.problem, plan.plan)).toMatchObject({ cents: plan.cents, faults: [] });
  // Some of it by hand: the units that want something, and no more than can be tried one by one.
  const few = plan.problem.units.filter(({ builds }) => builds.some(({ needs }) => needs.length > 0)).slice(0, 2);
  const { keeps: _, ...problem } = plan.problem;
  const small = {
    ...problem,
    units: few.map((unit) => ({ ...unit, builds: unit.builds.filter(({ needs }) => needs.length < 3) })),
  };
  const byHand = bestByHand(small);
  const solvedSmall = await send(page, '/api/match-plan/without', {
    problem: small,
    cents: byHand?.cents ?? 0,
    tag: few[0]?.tags[0],
    fate: 'recycle',
  });
  // Nobody would recycle it: the best without that is the best.
  expect(solvedSmall.body).toMatchObject({ lossCents: 0, isProven: true });
  // Each choice, one after the other: the next best costs something or nothing, and is never better.
  for (let at = 0; at < plan.rows.length; at += 1) {
    await says(page, /Next best: [^;]+; it brings the shop|As you wished|no plan/);
    await press(page, 'ArrowDown');
  }
  // What was accepted is given up only for more than it is to change it: so much less than made anew, and no more.
  const least = plan.cents - (plan.anewCents ?? plan.cents);
  for (const { tag, fate, fills } of plan.rows) {
    const asked = { problem: plan.problem, cents: plan.cents, tag, fate };
    const { body } = await send(page, '/api/match-plan/without', asked);
    expect(body.lossCents).toBeGreaterThanOrEqual(least);
    for (const { slot, from } of fills) {
      const other = await send(page, '/api/match-plan/without', { ...asked, slot, from });
      expect(other.body.lossCents).toBeGreaterThanOrEqual(least);
      const instead = (other.body.plan as MatchPlan).units.find((unit) => unit.tag === tag);
      expect(instead?.fills.some((fill) => fill.slot === slot && fill.from === from)).toBe(false);
    }
  }
  expect(troubles).toEqual([]);
});

test('a wish is kept, costs what is said, and is taken back; hours that run short change the plan', async () => {
  const page = await bench.signIn('Imke R.');
  const troubles = watchTrouble(page);
  await openPlan(page);
  const { plan: before } = await planOf(page);
  const money = () => page.$eval('section[aria-label="Money"] strong', ({ textContent }) => textContent ?? '');
  const shown = await money();
  await press(page, 'l');
  await page.waitForFunction(
    (was) => document.querySelector('section[aria-label="Money"] strong')?.textContent !== was,
    {},
    shown,
  );
  await says(page, 'left where it is');
  const first = before?.rows[0];
  const { plan: left } = await planOf(page, {
    ...plain,
    wishes: [{ tag: first?.tag, fate: 'hold', is: 'pinned' }],
  });
  expect(left?.rows.find(({ tag }) => tag === first?.tag)?.fate).toBe('hold');
  expect(left?.cents).toBeLessThan(before?.cents ?? 0);
  await press(page, 'f');
  await page.waitForFunction(
    (was) => document.querySelector('section[aria-label="Money"] strong')?.textContent === was,
    {},
    shown,
  );
  const [hours] = await page.$$('aside input, input');
  await page.$$eval('label', (labels) =>
    labels
      .find(({ textContent }) => textContent?.startsWith('Hours'))
      ?.querySelector('input')
      ?.focus(),
  );
  expect(hours).toBeDefined();
  await page.keyboard.type('1');
  await page.keyboard.press('Enter');
  await says(page, 'One more hour would be worth');
  expect(troubles).toEqual([]);
});

test('what cannot be is said: an order that no stock meets, a wish against itself, and messages that are none of ours', async () => {
  const page = await bench.signIn('Sunniva T.');
  await go(page, bench.url, '/match/plan');
  const { plan } = await planOf(page);
  const [modelId = '', variant = ''] = (plan?.problem.units.flatMap(({ builds }) => builds)[0]?.sellsAs ?? '').split(
    '/',
  );
  const order = {
    ...{ customer: 'Hotel Quay', modelId, variant: variant || null, atLeast: 'A', count: 90, dueOn: null },
    ...{ extraCents: 0, missCents: 100 },
  };
  const [firm, soft] = [randomUUID(), randomUUID()];
  expect((await send(page, '/api/orders', { id: firm, ...order, isFirm: true })).status).toBe(200);
  const blocked = (await planOf(page)).plan;
  expect(blocked).toMatchObject({
    plan: null,
    isImpossible: true,
    blocking: [{ order: firm, count: expect.any(Number) as number }],
  });
  await go(page, bench.url, '/match/plan');
  await says(page, 'These orders cannot be met with what is there: Hotel Quay');
  await says(page, (blocked?.helps ?? []).length > 0 ? 'One more of any of these would bring' : 'Take them back');
  await page.click('button[aria-label="The order of Hotel Quay is done"]');
  await says(page, 'Proven best');
  // Twice is once, and what may be missing costs what was said.
  for (let times = 0; times < 2; times += 1)
    expect((await send(page, '/api/orders', { id: soft, ...order, isFirm: false })).status).toBe(200);
  const met = (await planOf(page)).plan;
  expect(met).toMatchObject({ isProven: true });
  const [lacks] = met?.plan.missing ?? [];
  expect(lacks).toMatchObject({ order: soft });
  expect(met?.plan.units.filter((unit) => unit.order === soft).length).toBe(90 - (lacks?.count ?? 0));
  const wrongOrders = [{ ...order, count: 0 }, { ...order, variant: 'no-such' }, { ...order, dueOn: 'soon' }, {}];
  for (const wrong of wrongOrders)
    expect((await send(page, '/api/orders', { isFirm: false, id: randomUUID(), ...wrong })).status).toBeGreaterThan(
      399,
    );
  await go(page, bench.url, '/match/plan');
  await says(page, `${lacks?.count} missing`);
  await page.click('button[aria-label="The order of Hotel Quay is done"]');
  await says(page, 'none open');
  const tag = plan?.rows[0]?.tag;
  const torn = (['pinned', 'forbidden'] as const).map((is) => ({ tag, fate: 'build', is }));
  expect((await planOf(page, { ...plain, wishes: torn })).plan).toMatchObject({ plan: null, blocking: [] });
  for (const wrong of [{}, { ...plain, days: 0 }, { ...plain, wishes: [{ tag: 'x' }] }, { ...plain, hours: 'many' }]) {
    const { status, body } = await send(page, '/api/match-plan', wrong);
    expect([status, (body.refusal as { reason: string }).reason]).toEqual([400, 'bad-input']);
  }
  const hostile = { problem: { format: 'x' }, cents: 1, tag: 'U-0744', fate: 'build' };
  expect((await send(page, '/api/match-plan/without', hostile)).body).toMatchObject({
    refusal: { reason: 'match-invalid' },
  });
});

test('an order is noted by hand and met; what others record meanwhile is told, and the new plan says what it changes', async () => {
  const page = await bench.signIn('Sunniva T.');
  const troubles = watchTrouble(page);
  await openPlan(page);
  await press(page, 'o');
  await page.waitForSelector('input[name=customer]');
  await press(page, 'Enter');
  await says(page, 'who ordered');
  await page.type('input[name=customer]', 'Pier Pharmacy');
  await page.select('select[name=grade]', 'D');
  const named = await page.$$eval('select[name=of] option', (all) =>
    all.map((option) => [(option as HTMLOptionElement).value, option.textContent ?? ''] as const),
  );
  await page.select('select[name=of]', named.find(([, name]) => name.includes('Slate Quay'))?.[0] ?? '');
  await press(page, 'Enter');
  await says(page, 'Pier Pharmacy');
  await says(page, /\b(met|missing)\b/);
  // Somebody else takes a unit of the plan to something else: the plan is from before.
  const { plan } = await planOf(page);
  const other = await bench.signIn('Mirel A.', undefined, 'bench-2');
  const free = plan?.rows.find(({ fate }) => fate === 'build');
  const done = await send(other, '/api/match-plan/accept', {
    units: [{ id: free?.id, version: free?.version, fate: 'recycle', proposed: 'recycle', fills: [], gives: [] }],
  });
  expect(done.body.refused).toEqual([]);
  await says(page, 'Since this plan was made something was recorded');
  await press(page, 'n');
  await says(page, 'Proven best');
  await settled(page);
  expect(await text(page)).not.toContain('Since this plan was made');
  await page.click('button[aria-label="The order of Pier Pharmacy is done"]');
  expect(troubles).toEqual([]);
});

test('every slot of a unit says where its part comes from and why; a unit that Triage would do otherwise says what that costs', async () => {
  const page = await bench.signIn('Mirel A.');
  const troubles = watchTrouble(page);
  await openPlan(page);
  const why = () => page.$eval('section[aria-label^="Why"]', ({ textContent }) => textContent ?? '');
  const boxes = await page.$$('main [role=img][title*="shelf"], main [role=img][title*="of U-"]');
  expect(boxes.length).toBeGreaterThan(3);
  await boxes[0]?.click();
  await page.waitForFunction(() =>
    / gets the /.test(document.querySelector('section[aria-label^="Why"]')?.textContent ?? ''),
  );
  await says(page, /Next best: .*brings the shop/);
  // Every other slot of that unit has its answer, too.
  const seen = new Set<string>();
  for (let at = 0; at < 14; at += 1) {
    await press(page, 'ArrowRight');
    seen.add((await why()).split(/[.:]/)[0] ?? '');
  }
  expect(seen.size).toBeGreaterThan(7);
  const { plan } = await planOf(page);
  const other = plan?.rows.find(({ proposed }) => proposed !== null);
  if (!other) throw new Error('Triage and the plan agree on everything: nothing to see here');
  await page.evaluate((tag) => {
    const row = [...document.querySelectorAll('main li [aria-current]')].find((own) => own.textContent?.includes(tag));
    (row as HTMLElement | undefined)?.click();
  }, other.tag);
  await says(page, 'Triage, which looks at it alone, would');
  await says(page, 'One more');
  await says(page, /a unit like U-\d+|No single part/);
  expect(troubles).toEqual([]);
});

test('a part that is dragged onto a button is forbidden there, and the plan is made again without it', async () => {
  const page = await bench.signIn('Mirel A.');
  const troubles = watchTrouble(page);
  await openPlan(page);
  const box = await page.$('main [role=img][title*="shelf"]');
  const title = await box?.evaluate((own) => own.getAttribute('title'));
  const button = await page.evaluateHandle(() =>
    [...document.querySelectorAll('button')].find((own) => own.textContent?.includes('Never this')),
  );
  const [from, to] = [await box?.boundingBox(), await (button as unknown as typeof box)?.boundingBox()];
  if (!from || !to) throw new Error('nothing to drag');
  await page.mouse.move(from.x + 8, from.y + 8);
  await page.mouse.down();
  await page.mouse.move(from.x + 40, from.y + 40, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  // Let go where it is seen that it would land there.
  await page.waitForFunction(() =>
    [...document.querySelectorAll('button')].some((own) => {
      const { outlineStyle } = getComputedStyle(own.parentElement as HTMLElement);
      return own.textContent?.includes('Never this') && outlineStyle === 'solid';
    }),
  );
  await page.mouse.up();
  await says(page, 'Take back one wish');
  await says(page, 'Proven best');
  expect(title).toMatch(/shelf/);
  await press(page, 'f');
  await says(page, 'Next best');
  expect(troubles).toEqual([]);
});

test('what a plan may use is kept back at Stock and demand: the plan heeds it', async () => {
  const page = await bench.signIn('Sunniva T.');
  const troubles = watchTrouble(page);
  await openPlan(page);
  const { plan } = await planOf(page);
  const fill = plan?.plan.units.flatMap(({ fills }) => fills).find(({ is }) => is === 'lot');
  const lot = plan?.problem.lots.find(({ id }) => id === fill?.from);
  if (!plan || !lot) throw new Error('no part of the shelf is used');
  const put = (body: object) =>
    page.evaluate(async (given) => {
      const response = await fetch('/api/reserves', {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(given),
      });
      return response.status;
    }, body);
  expect(await put({ of: lot.of, atLeast: 'D', count: 1000 })).toBe(200);
  const kept = (await planOf(page)).plan;
  expect(kept?.problem.reserves).toContainEqual({ of: lot.of, atLeast: 'D', count: 1000 });
  const used = kept?.plan.units.flatMap(({ fills }) => fills).filter(({ is, from }) => is === 'lot' && from === lot.id);
  expect(used).toEqual([]);
  expect(kept?.cents).toBeLessThan(plan.cents);
  for (const wrong of [{ of: lot.of, atLeast: 'X', count: 1 }, { of: lot.of, atLeast: 'B', count: -1 }, {}])
    expect(await put(wrong)).toBe(400);
  // The browser notes what was refused; that was meant.
  troubles.length = 0;
  expect(await put({ of: lot.of, atLeast: 'D', count: 0 })).toBe(200);
  expect((await planOf(page)).plan?.cents).toBe(plan.cents);
  await go(page, bench.url, '/shelf/stock');
  await press(page, 'h');
  await page.waitForSelector('input[name=count]');
  await page.type('input[name=count]', 'some');
  await press(page, 'Enter');
  await says(page, 'a whole number');
  await page.$eval('input[name=count]', (field) => ((field as HTMLInputElement).value = ''));
  await page.type('input[name=count]', '2');
  await press(page, 'Enter');
  await says(page, '2 of grade B or better, whatever a plan could make of them');
  await press(page, 'h');
  await page.waitForSelector('input[name=count]');
  await page.$eval('input[name=count]', (field) => ((field as HTMLInputElement).value = ''));
  await press(page, 'Enter');
  await says(page, 'A plan may use them all');
  expect(troubles).toEqual([]);
});

test('accepting reserves parts and makes the work; two who accept at once reserve no part twice; what changed is told', async () => {
  const [one, other] = [await bench.signIn('Sunniva T.'), await bench.signIn('Sunniva T.', undefined, 'bench-2')];
  const troubles = watchTrouble(one);
  await openPlan(one);
  await go(other, bench.url, '/match/plan');
  const { plan } = await planOf(other);
  if (!plan) throw new Error('no plan');
  const units = plan.rows.filter(({ fate }) => fate !== 'hold').map((row) => asAccepted(row));
  const answers = await Promise.all([one, other].map((page) => send(page, '/api/match-plan/accept', { units })));
  const done = answers.flatMap(({ body }) => body.done as { tag: string; reserved: number; isReady: boolean }[]);
  const refused = answers.flatMap(({ body }) => body.refused as { refusal: { reason: string } }[]);
  // Each unit once, whoever was first; the other one is told.
  expect(new Set(done.map(({ tag }) => tag)).size).toBe(done.length);
  for (const { refusal } of refused)
    expect(['match-stale', 'stale', 'part-taken', 'wrong-stage']).toContain(refusal.reason);
  expect(done.length).toBeGreaterThan(0);
  expect(done.reduce((sum, { reserved }) => sum + reserved, 0)).toBeGreaterThan(0);
  // What a donor gives to another unit is promised to it: the donor says so, the unit at Match too, and the next plan keeps to it.
  const giver = plan.rows.find(({ fate, gives }) => fate === 'donor' && gives.some(({ to }) => to !== null));
  const taker = giver?.gives.find(({ to }) => to !== null)?.to?.tag ?? '';
  expect(taker).not.toBe('');
  const next = (await planOf(other)).plan;
  expect(next?.problem.keeps?.parts).toContainEqual(expect.objectContaining({ from: giver?.tag, tag: taker }));
  expect(next?.rows.find(({ tag }) => tag === taker)?.fills).toContainEqual(
    expect.objectContaining({ is: 'donor', from: giver?.tag }),
  );
  await go(one, bench.url, `/match?unit=${taker}`);
  await says(one, `One is promised: from ${giver?.tag}, which is at Teardown`);
  await go(one, bench.url, `/t/${giver?.tag}`);
  await says(one, new RegExp(`promised: .* for ${taker}`));
  // Somebody makes something else of the unit that waits: the plan says what no longer holds.
  const waits = next?.rows.find(({ tag }) => tag === taker);
  const gone = await send(one, '/api/match-plan/accept', {
    units: [{ id: waits?.id, version: waits?.version, fate: 'recycle', proposed: 'recycle', fills: [], gives: [] }],
  });
  // With parts set aside for it already it goes nowhere before those are put back.
  const isGone = (gone.body.refused as unknown[]).length === 0;
  await go(one, bench.url, '/match/plan');
  await says(one, 'Proven best');
  if (isGone) await says(one, `promised to ${taker}: that unit waits for no part any more`);
  // What is at a bench now is in no plan any more.
  const ready = done.filter(({ isReady }) => isReady).map(({ tag }) => tag);
  expect(ready.length).toBeGreaterThan(0);
  await settled(one);
  const left = await one.$$eval('main li', (rows) => rows.map(({ textContent }) => textContent ?? '').join(' '));
  for (const tag of ready) expect(left).not.toContain(tag);
  await go(one, bench.url, `/t/${ready[0]}`);
  expect(await text(one)).toMatch(/Part reserved for|Needs no part|Decided/i);
  expect(troubles).toEqual([]);
});

test('who only works at a bench sees the plan and cannot accept it', async () => {
  const page = await bench.signIn('Oskar V.');
  await openPlan(page);
  const { status } = await send(page, '/api/match-plan/accept', { units: [] });
  expect(status).toBe(403);
  expect((await send(page, '/api/orders', {})).status).toBe(403);
});
