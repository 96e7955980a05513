import { decode } from '@/core/matchPlan/decode';
import { evaluate } from '@/core/matchPlan/evaluate';
import { formulate } from '@/core/matchPlan/formulate';
import type { MatchPlan } from '@/core/matchPlan/plan';
import type { MatchProblem, Uses } from '@/core/matchPlan/problem';
import { solvePlan } from '@/core/matchPlan/solvePlan';
import { highsSolver, type Watch } from './highsSolver';

/** A plan with how good it is. */
export interface SolvedPlan {
  /** null where there is none. */
  readonly plan: MatchPlan | null;
  /** Reckoned again from the problem, in whole cents. */
  readonly cents: number;
  /** No plan brings more. */
  readonly boundCents: number;
  readonly isProven: boolean;
  readonly isImpossible: boolean;
  readonly minutes: Uses;
  readonly seconds: number;
}

/**
 * The best plan of a problem, within a time limit. What the solver found is reckoned again from the problem itself.
 *
 * @throws Error when a plan cannot be carried out as it stands: that would be a mistake of ours
 */
export async function solveProblem(problem: MatchProblem, seconds: number, watch: Watch = {}): Promise<SolvedPlan> {
  const solver = await highsSolver(watch);
  const began = performance.now();
  const formulation = formulate(problem);
  const { values, bound, isProven, isImpossible } = solvePlan(formulation.model, solver, {
    seconds,
    now: () => performance.now(),
  });
  const taken = (performance.now() - began) / 1000;
  if (!values)
    return { plan: null, cents: 0, boundCents: 0, isProven: false, isImpossible, minutes: {}, seconds: taken };
  const plan = decode(problem, formulation, values);
  const { cents, faults, minutes } = evaluate(problem, plan);
  if (faults.length > 0)
    throw new Error(`the plan cannot be carried out: ${faults.map(({ is, of }) => `${is} ${of}`).join('; ')}`);
  const boundCents = isProven ? cents : Math.max(cents, Math.floor(bound));
  return { plan, cents, boundCents, isProven, isImpossible, minutes, seconds: taken };
}
