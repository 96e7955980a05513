import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startingHouseRules as rules } from '@/core/shared/houseRules';
import type { MatchStock } from '@/core/matching/matchStock';
import { plainTerms } from '@/core/matching/stockProblem';
import { Chance } from '@/core/shared/chance';
import { inventMatch } from '../../../scripts/support/inventMatch';
import { MatchThreads } from './planAside';

const folder = mkdtempSync(join(tmpdir(), 'plucky-match-'));
const threads: MatchThreads[] = [];
const threadsOf = (file?: string, threadMb?: number) => {
  const made = file === undefined ? new MatchThreads() : new MatchThreads(() => file, threadMb);
  threads.push(made);
  return made;
};
afterAll(async () => {
  for (const own of threads) await own.end();
  rmSync(folder, { recursive: true });
});

const nothing: MatchStock = {
  units: [],
  models: [],
  stock: [],
  knowledge: {
    known: { shelf: {}, market: {}, unseen: { share: 0.8, low: 0.7, high: 0.9 }, tests: {}, lacking: {} },
    looks: {} as MatchStock['knowledge']['looks'],
    yields: {},
    yieldsGiven: {},
    resistances: {},
    alike: { units: 1, parts: 1 },
  },
  gradeOf: {},
  offers: [],
  kept: [],
  underWay: [],
  reserves: [],
  lost: new Set(),
};
const plan = (of: MatchThreads, signal: AbortSignal = new AbortController().signal) =>
  of.plan({ stock: nothing, terms: plainTerms, rules, ways: new Map(), seconds: 5 }, () => undefined, signal);

test('a shop without a free unit has a plan of nothing, proven', async () => {
  const own = threadsOf();
  expect(await plan(own)).toMatchObject({ ok: true, value: { cents: 0, isProven: true, plan: { units: [] } } });
});

test('a thread that dies is told, and the next question gets a new one', async () => {
  const silent = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const marker = join(folder, 'died');
  const file = join(folder, 'dies.cjs');
  writeFileSync(
    file,
    `const { existsSync, writeFileSync } = require('node:fs');
     module.exports = (task) => {
       if (!existsSync(${JSON.stringify(marker)})) { writeFileSync(${JSON.stringify(marker)}, ''); process.exit(9); }
       return { cents: 12 };
     };`,
  );
  const own = threadsOf(file);
  expect(await plan(own)).toMatchObject({ ok: false, refusal: { reason: 'match-thread-ended' } });
  expect(await plan(own)).toMatchObject({ ok: true, value: { cents: 12 } });
  silent.mockRestore();
});

test('a thread that runs out of memory takes nothing else with it', async () => {
  const silent = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const marker = join(folder, 'filled');
  const file = join(folder, 'fills.cjs');
  writeFileSync(
    file,
    `const { existsSync, writeFileSync } = require('node:fs');
     module.exports = () => {
       if (existsSync(${JSON.stringify(marker)})) return { cents: 7 };
       writeFileSync(${JSON.stringify(marker)}, '');
       for (const all = []; ; ) all.push(Array.from({ length: 1e5 }, (_, at) => ({ at })));
     };`,
  );
  const own = threadsOf(file, 48);
  expect(await plan(own)).toMatchObject({ ok: false, refusal: { reason: 'match-thread-ended' } });
  expect(await plan(own)).toMatchObject({ ok: true, value: { cents: 7 } });
  silent.mockRestore();
});

test('more than can wait are sent away, and those that wait are answered', async () => {
  const file = join(folder, 'slow.cjs');
  writeFileSync(file, 'module.exports = () => new Promise((done) => setTimeout(() => done({ cents: 1 }), 300));');
  const own = threadsOf(file);
  const answers = await Promise.all(Array.from({ length: 12 }, () => plan(own)));
  const refused = answers.filter(({ ok }) => !ok);
  expect(refused.length).toBeGreaterThan(2);
  for (const one of refused) expect(one).toMatchObject({ refusal: { reason: 'too-often' } });
  expect(answers.filter(({ ok }) => ok).length).toBeGreaterThan(4);
});

test('who calls a search off gets what it has, and the thread goes on with the next', async () => {
  const own = threadsOf();
  const gone = new AbortController();
  gone.abort();
  const off = await own.plan(
    { stock: nothing, terms: plainTerms, rules, ways: new Map(), seconds: 5 },
    () => undefined,
    gone.signal,
  );
  expect(off.ok).toBe(true);
  expect(await plan(own)).toMatchObject({ ok: true });
});

test('the next best to a choice is asked with the problem as it came; what is none is refused there', async () => {
  const own = threadsOf();
  const problem = inventMatch(new Chance(5), { units: 6, slots: 3, classes: 4, lots: 6, models: 2 }, true);
  const tag = problem.units[0]?.tags[0] ?? '';
  const asked = {
    cents: 0,
    choice: { wishes: [{ tag, fate: 'hold' as const, is: 'forbidden' as const }] },
    seconds: 5,
  };
  expect(await own.without({ problem, ...asked }, new AbortController().signal)).toMatchObject({
    ok: true,
    value: { isProven: true },
  });
  expect(await own.without({ problem: { format: 'other' }, ...asked }, new AbortController().signal)).toMatchObject({
    ok: false,
    refusal: { reason: 'match-invalid' },
  });
});

test('what one more would bring is asked aside, too; called off it says what it has so far', async () => {
  const own = threadsOf();
  const problem = inventMatch(new Chance(5), { units: 8, slots: 3, classes: 4, lots: 3, models: 2 }, true);
  const best = await own.without({ problem, cents: 0, choice: {}, seconds: 5 }, new AbortController().signal);
  const cents = best.ok ? -(best.value.lossCents ?? 0) : 0;
  const asked = { problem, cents, seconds: 5 };
  const more = await own.more(asked, new AbortController().signal);
  expect(more.ok && more.value.length).toBeGreaterThan(0);
  const off = new AbortController();
  off.abort();
  expect(await own.more(asked, off.signal)).toEqual({ ok: true, value: [] });
  expect(await own.more({ ...asked, problem: {} }, off.signal)).toMatchObject({ refusal: { reason: 'match-invalid' } });
});
