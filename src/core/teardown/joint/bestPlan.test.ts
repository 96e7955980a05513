import fc from 'fast-check';
import { anyPlanProblem, bestOfAll, plainProblem } from '../../../../tests/support/planProblems';
import { runsOf } from '../../../../tests/support/runs';
import { bestPlan } from './bestPlan';
import { centsAlong } from './planMoney';

const plenty = { states: 1_000_000 };

describe('bestPlan', () => {
  test('brings as much as the best of all sets in all their orders, and proves it', () => {
    fc.assert(
      fc.property(anyPlanProblem, (problem) => {
        const plan = bestPlan(problem, plenty);
        const best = bestOfAll(problem);
        if (best === null) return expect(plan).toBeNull();
        expect(plan?.cents).toBeCloseTo(best, 6);
        expect(plan?.isProven).toBe(true);
        expect(centsAlong(problem, plan?.order ?? [])).toBeCloseTo(best, 6);
      }),
      runsOf(500, 2026),
    );
  });

  test('stopped early it still answers, and its bound is a bound', () => {
    fc.assert(
      fc.property(anyPlanProblem, (problem) => {
        const hasty = bestPlan(problem, { states: 1 });
        const best = bestOfAll(problem);
        if (best === null || hasty === null) return expect(best).toBe(hasty);
        expect(hasty.cents).toBeLessThanOrEqual(best + 1e-6);
        expect(hasty.upperBound).toBeGreaterThanOrEqual(best - 1e-6);
      }),
      runsOf(500, 7),
    );
  });

  test('one step of a minute, slowed three times, is not begun for a part that is worth less', () => {
    const problem = plainProblem([{ minutes: 1, slowUntil: [{ any: [], factor: 3 }], frees: [0] }], [60], {
      cents: 50,
    });
    expect(bestPlan(problem, plenty)).toMatchObject({ order: [], cents: 0, isProven: true });
  });

  test('a way two minutes longer wins when it needs no other tool', () => {
    const problem = plainProblem(
      [
        { minutes: 1, frees: [] },
        { minutes: 1, tool: 1, after: [[0]], frees: [0] },
        { minutes: 3, after: [[0]], frees: [0] },
      ],
      [900],
      { cents: 50, change: 3 },
    );
    expect(bestPlan(problem, plenty)?.order.map(({ operation }) => operation)).toEqual([0, 2]);
  });

  test('two risks that share a dearer way out bring more together', () => {
    // Both parts break on the quick way; the long way round spares both, and pays only for the two of them.
    const problem = plainProblem(
      [
        {
          minutes: 1,
          frees: [2],
          risks: [
            { part: 0, chance: 0.5 },
            { part: 1, chance: 0.5 },
          ],
        },
        { minutes: 20, frees: [] },
        { minutes: 1, after: [[0, 1]], frees: [0] },
        { minutes: 1, after: [[0, 1]], frees: [1] },
      ],
      [1500, 1500, 0],
      { cents: 50 },
    );
    const plan = bestPlan(problem, plenty);
    expect(plan?.order.map(({ operation }) => operation)).toEqual([1, 2, 3]);
    expect(plan?.cents).toBeCloseTo(3000 - 22 * 50, 6);
  });

  test('of equal choices the one that brings something', () => {
    const problem = plainProblem([{ minutes: 1, frees: [0] }], [50], { cents: 50 });
    expect(bestPlan(problem, plenty)?.order).toHaveLength(1);
    const withChoice = plainProblem(
      [
        { minutes: 1, frees: [] },
        { minutes: 1, frees: [] },
        { minutes: 1, after: [[0, 1]], frees: [0] },
      ],
      [100],
      { cents: 50 },
    );
    expect(bestPlan(withChoice, plenty)?.order).toHaveLength(2);
  });
});
