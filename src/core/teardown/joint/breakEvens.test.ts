import fc from 'fast-check';
import { anyPlanProblem, bestOfAll } from '../../../../tests/support/planProblems';
import { runsOf } from '../../../../tests/support/runs';
import { bestPlan } from './bestPlan';
import { breakEven } from './breakEvens';
import type { PlanProblem } from './planProblem';

const plenty = { states: 1_000_000 };
/** A part that is bound to no other in the made-up problems. */
const part = 2;
const chance = 0.5;

const priced =
  (problem: PlanProblem) =>
  (cents: number): PlanProblem => ({
    ...problem,
    prizes: problem.prizes.map((prize) =>
      prize.parts.length === 1 && prize.parts[0] === part ? { ...prize, cents: cents * chance } : prize,
    ),
  });

describe('breakEven', () => {
  test('at its price the best of all plans frees the part, a cent below it none does', () => {
    let crossed = 0;
    fc.assert(
      fc.property(anyPlanProblem, (asked) => {
        const problem = { ...asked, wanted: [] };
        const atPrice = priced(problem);
        const without = bestOfAll(atPrice(0)) as number;
        const freeing = (cents: number) => bestOfAll({ ...atPrice(cents), wanted: [part] });
        const now = bestPlan(atPrice(20), plenty);
        if (!now) throw new Error('doing nothing is a plan');
        const { payFromCents, isProven } = breakEven(part, 20, atPrice, now, plenty);
        expect(isProven).toBe(true);
        if (payFromCents === null) {
          expect(freeing(1_000_000) ?? -Infinity).toBeLessThan(without);
          return;
        }
        expect(freeing(payFromCents)).toBeGreaterThanOrEqual(without - 1e-5);
        if (payFromCents === 0) return;
        expect(freeing(payFromCents - 1)).toBeLessThan(without);
        crossed += 1;
      }),
      runsOf(500, 2027),
    );
    expect(crossed).toBeGreaterThan(30);
  });
});
