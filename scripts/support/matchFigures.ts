import { decode } from '@/core/matchPlan/decode';
import { evaluate } from '@/core/matchPlan/evaluate';
import { formulate } from '@/core/matchPlan/formulate';
import type { MatchProblem } from '@/core/matchPlan/problem';
import { solvePlan, type Solver } from '@/core/matchPlan/solvePlan';
import { unitByUnit } from '@/core/matchPlan/unitByUnit';
import { Chance } from '@/core/shared/chance';
import { highsSolver } from '@/workers/match/highsSolver';
import { inventMatch } from './inventMatch';
import { spreadOf } from './spread';

const sizes = [30, 100, 300, 1000] as const;
const rounds = 20;
const mostSeconds = 60;

/** A shop of so many units with twelve slots each and three thousand parts, with minutes, an order, and prices that fall. */
function shopOf(units: number, seed: number): MatchProblem {
  const invented = inventMatch(new Chance(seed), { units, slots: 12, classes: 120, lots: 480, models: 12, perLot: 12 });
  return { ...invented, resources: [{ id: 'hands', minutes: 30 * units }], wishes: [], slotWishes: [] };
}

/** How long the plan takes for shops of several sizes, how often it is proven, and what it brings over going unit by unit. */
export async function matchFigures(): Promise<readonly string[]> {
  const solver = await highsSolver();
  // The first model compiles the library.
  solve(shopOf(30, 0), solver);
  return sizes.map((units) => {
    const times: number[] = [];
    const again: number[] = [];
    let proven = 0;
    let [own, hand] = [0, 0];
    for (let seed = 1; seed <= rounds; seed += 1) {
      const problem = shopOf(units, 1000 * units + seed);
      const since = performance.now();
      const { values, isProven, cents, faults } = solve(problem, solver);
      times.push(performance.now() - since);
      if (!values || faults > 0) continue;
      proven += Number(isProven);
      own += cents;
      hand += evaluate(problem, unitByUnit(problem)).cents;
      // One wish, from the plan before.
      const tag = problem.units[0]?.tags[0] ?? '';
      const then = performance.now();
      solve({ ...problem, wishes: [{ tag, fate: 'hold', is: 'pinned' }] }, solver);
      again.push(performance.now() - then);
    }
    const { median, p95 } = spreadOf(times);
    const margin = (100 * (own - hand)) / Math.max(1, hand);
    return [
      `${units} units, 12 slots, about 3,000 parts: ${proven} of ${rounds} proven, median ${median.toFixed(0)} ms, p95 ${p95.toFixed(0)} ms;`,
      `${margin.toFixed(1)} % more than unit by unit; again after one wish: median ${spreadOf(again).median.toFixed(0)} ms.`,
    ].join(' ');
  });
}

function solve(problem: MatchProblem, solver: Solver) {
  const formulation = formulate(problem);
  const { values, isProven } = solvePlan(formulation.model, solver, {
    seconds: mostSeconds,
    now: () => performance.now(),
  });
  const plan = values && decode(problem, formulation, values);
  const reckoned = plan ? evaluate(problem, plan) : { cents: 0, faults: [] };
  return { values, isProven, cents: reckoned.cents, faults: reckoned.faults.length };
}
