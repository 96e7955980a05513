import { Chance } from '@/core/shared/chance';
import { decode } from '@/core/matchPlan/decode';
import { evaluate } from '@/core/matchPlan/evaluate';
import { formulate, ownKinds, withWishesApart } from '@/core/matchPlan/formulate';
import type { MatchProblem } from '@/core/matchPlan/problem';
import { solvePlan, type Solver } from '@/core/matchPlan/solvePlan';
import { bestByHand } from '../../../tests/support/bestByHand';
import { inventMatch } from '../../../tests/support/matchProblems';
import { highsSolver } from './highsSolver';

let solver: Solver;
beforeAll(async () => {
  solver = await highsSolver();
});

function solved(problem: MatchProblem) {
  const formulation = formulate(problem);
  const solution = solvePlan(formulation.model, solver, { seconds: 60, now: () => performance.now() });
  const plan = solution.values ? decode(formulation, solution.values, ownKinds(withWishesApart(problem))) : null;
  return { solution, plan };
}

describe('the match plan', () => {
  test.each(Array.from({ length: 60 }, (_, seed) => seed))('is what trying everything finds (%i)', (seed) => {
    const problem = inventMatch(new Chance(seed), { units: 3, slots: 2, classes: 2, lots: 2, models: 2 });
    const best = bestByHand(problem);
    const { solution, plan } = solved(problem);
    expect(solution.isImpossible).toBe(best === null);
    if (!plan || !best) return;
    const { cents, faults } = evaluate(problem, plan);
    expect([faults, cents, Math.round(solution.gain)]).toEqual([[], best.cents, best.cents]);
    expect(solution.isProven).toBe(true);
  });
});
