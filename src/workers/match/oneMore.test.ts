import { evaluate } from '@/core/matchPlan/evaluate';
import { withOneMore } from '@/core/matchPlan/oneMore';
import type { MatchProblem } from '@/core/matchPlan/problem';
import { Chance } from '@/core/shared/chance';
import { inventMatch } from '../../../scripts/support/inventMatch';
import { bestByHand } from '../../../tests/support/bestByHand';
import { planWithout, whatBlocks, worthOfMore } from './matchJobs';
import { solveProblem } from './solveProblem';

const small = { units: 3, slots: 2, classes: 2, lots: 1, models: 2 };
const plainOf = (seed: number): MatchProblem => ({
  ...inventMatch(new Chance(seed), small),
  ...{ wishes: [], slotWishes: [], orders: [], reserves: [] },
});

test('what one more part or unit would bring is what trying everything says, and no part that brings more is passed over', async () => {
  let [parts, units] = [0, 0];
  for (let seed = 0; seed < 14; seed += 1) {
    const problem = plainOf(seed);
    const best = bestByHand(problem);
    if (!best) continue;
    const found = await worthOfMore(problem, best.cents, 20);
    for (const { wanted, cents } of found) {
      const with1 = bestByHand(withOneMore(problem, wanted));
      const own = wanted.is === 'part' ? wanted.worthCents : 0;
      expect(cents).toBe((with1?.cents ?? 0) - best.cents + own);
      parts += Number(wanted.is === 'part');
      units += Number(wanted.is === 'unit');
    }
    expect(found.map(({ cents }) => cents)).toEqual(found.map(({ cents }) => cents).sort((a, b) => b - a));
    // Every class by itself: what the relaxed programme did not point at brings nothing, or little beside what it did.
    const named = new Set(found.flatMap(({ wanted }) => (wanted.is === 'part' ? [wanted.of] : [])));
    for (const interchange of ['class-0', 'class-1']) {
      const lot = [...problem.lots, ...problem.offers].find((own) => own.of === interchange && own.grade === 'B');
      const wanted = { is: 'part', of: interchange, grade: 'B', worthCents: lot?.worthCents ?? 0 } as const;
      const gain = (bestByHand(withOneMore(problem, wanted))?.cents ?? 0) - best.cents;
      if (!named.has(interchange)) expect(gain).toBeLessThan(0.2 * Math.abs(best.cents));
    }
  }
  expect([parts > 5, units > 5]).toEqual([true, true]);
});

test('where firm orders cannot be met, what helps is what trying everything says does', async () => {
  let [blocked, helped] = [0, 0];
  for (let seed = 40; seed < 64; seed += 1) {
    const [sold] = plainOf(seed).units.flatMap(({ builds }) => builds);
    const order = {
      ...{ id: 'firm', sellsAs: sold?.sellsAs ?? '', atLeast: 'B' as const, count: 3, days: null },
      ...{ extraCents: 0, missCents: 0, isFirm: true },
    };
    const problem: MatchProblem = { ...plainOf(seed), orders: [order], falls: [] };
    if (bestByHand(problem)) continue;
    blocked += 1;
    const { blocking, helps } = await whatBlocks(problem);
    const lacking = (of: MatchProblem) =>
      bestByHand({ ...of, orders: [{ ...order, isFirm: false, missCents: 1e8 }] })?.plan.missing[0]?.count ?? 0;
    expect(blocking).toEqual([{ order: 'firm', count: lacking(problem) }]);
    for (const wanted of helps) expect(lacking(withOneMore(problem, wanted))).toBeLessThan(lacking(problem));
    helped += helps.length;
  }
  expect([blocked > 5, helped > 5]).toEqual([true, true]);
});

test('a choice that is forced instead costs what trying everything says', async () => {
  for (let seed = 20; seed < 30; seed += 1) {
    const problem = plainOf(seed);
    const { plan, cents } = await solveProblem(problem, 20);
    const [unit] = plan?.units ?? [];
    if (!unit) continue;
    for (const fate of ['build', 'donor', 'hold'] as const) {
      const wishes = [{ tag: unit.tag, fate, is: 'pinned' as const }];
      const { lossCents, plan: other } = await planWithout(problem, cents, { wishes }, 20);
      const byHand = bestByHand({ ...problem, wishes });
      expect(lossCents).toBe(byHand && cents - byHand.cents);
      if (other) expect(evaluate({ ...problem, wishes }, other).faults).toEqual([]);
    }
  }
});
