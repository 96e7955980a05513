import { Chance } from '@/core/shared/chance';
import { decode } from '@/core/matchPlan/decode';
import { completesWith, drawPlan } from '@/core/matchPlan/drawPlan';
import { evaluate } from '@/core/matchPlan/evaluate';
import { formulate } from '@/core/matchPlan/formulate';
import { centsOf, type MatchProblem } from '@/core/matchPlan/problem';
import { solvePlan, type Solver } from '@/core/matchPlan/solvePlan';
import { unitByUnit } from '@/core/matchPlan/unitByUnit';
import { writeLp } from '@/core/matchPlan/writeLp';
import { bestByHand, keptCents } from '../../../tests/support/bestByHand';
import { inventMatch, withKept } from '../../../scripts/support/inventMatch';
import { optionModel } from '../../../tests/support/optionModel';
import { highsSolver } from './highsSolver';

let solver: Solver;
beforeAll(async () => {
  solver = await highsSolver();
});

const enough = { seconds: 60, now: () => performance.now() };

function solved(problem: MatchProblem) {
  const formulation = formulate(problem);
  const solution = solvePlan(formulation.model, solver, enough);
  const plan = solution.values ? decode(problem, formulation, solution.values) : null;
  return { solution, plan };
}

describe('small problems', () => {
  const small = { units: 3, slots: 2, classes: 2, lots: 2, models: 2 };
  const seen = { impossible: 0, donors: 0, bought: 0, missing: 0, wished: 0, early: 0, kept: 0, for: 0, given: 0 };

  test.each(Array.from({ length: 140 }, (_, seed) => seed))('the plan is what trying everything finds (%i)', (seed) => {
    const chance = new Chance(seed);
    const plain = inventMatch(chance, small);
    const problem = seed < 60 ? plain : withKept(chance, plain);
    const best = bestByHand(problem);
    const { solution, plan } = solved(problem);
    expect(solution.isImpossible).toBe(best === null);
    seen.impossible += Number(best === null);
    if (!plan || !best) return;
    const { cents, faults } = evaluate(problem, plan);
    const kept = keptCents(problem, plan);
    expect([faults, cents + kept, Math.round(solution.gain)]).toEqual([[], best.weight, best.weight]);
    expect(solution.isProven).toBe(true);
    const fills = plan.units.flatMap((unit) => unit.fills);
    seen.donors += Number(fills.some(({ is }) => is === 'donor'));
    seen.bought += Number(fills.some(({ is }) => is === 'offer'));
    seen.missing += Number(plan.missing.length > 0);
    seen.wished += problem.wishes.length + problem.slotWishes.length;
    seen.kept += Number(kept > 0);
    seen.for += Number(fills.some(({ from }) => problem.lots.some((lot) => lot.id === from && lot.for)));
    seen.given += Number(
      (problem.keeps?.parts ?? []).some(({ from, part }) =>
        fills.some((fill) => fill.from === from && fill.part === part),
      ),
    );
    seen.early += Number(plan.units.some(({ order, byDays }) => order && byDays < problem.horizonDays));
  });

  const tiny = { units: 3, slots: 2, classes: 2, lots: 1, models: 1 };
  test.each(Array.from({ length: 12 }, (_, seed) => 5000 + seed))(
    'what is lost when a choice is forbidden is what trying everything loses, for every choice (%i)',
    (seed) => {
      const problem = { ...inventMatch(new Chance(seed), tiny), wishes: [], slotWishes: [] };
      const { plan } = solved(problem);
      if (!plan) return;
      const { cents } = evaluate(problem, plan);
      const without = plan.units.flatMap(({ tag, fate, sellsAt, fills }): MatchProblem[] => [
        { ...problem, wishes: [{ tag, fate, ...(sellsAt && { grade: sellsAt }), is: 'forbidden' }] },
        ...fills.map(({ slot, from }): MatchProblem => {
          return { ...problem, slotWishes: [{ tag, slot, from, is: 'forbidden' }] };
        }),
      ]);
      for (const other of without) {
        const next = solved(other);
        const lost = next.plan && cents - evaluate(other, next.plan).cents;
        const byHand = bestByHand(other);
        expect(lost).toBe(byHand && cents - byHand.cents);
        expect(lost ?? 0).toBeGreaterThanOrEqual(0);
      }
    },
  );

  test('among them are those that matter', () => {
    expect(Object.entries(seen).filter(([, count]) => count < 2)).toEqual([]);
  });
});

test.each(Array.from({ length: 12 }, (_, seed) => 700 + seed))(
  'in the middle, unit by unit with a yes or no for every part, it is the same money (%i)',
  (seed) => {
    const chance = new Chance(seed);
    const problem = withKept(chance, inventMatch(chance, { units: 14, slots: 4, classes: 6, lots: 12, models: 3 }));
    const { solution, plan } = solved(problem);
    const other = solver(optionModel(problem), { seconds: 60 });
    expect(solution.isImpossible).toBe(other.is === 'impossible');
    if (!plan) return;
    const { cents, faults } = evaluate(problem, plan);
    expect([faults, cents + keptCents(problem, plan)]).toEqual([[], Math.round(other.gain)]);
  },
);

test('after a run that failed the library is loaded anew, and solves as before', async () => {
  const problem = inventMatch(new Chance(3), { units: 6, slots: 3, classes: 4, lots: 6, models: 2 });
  const { model } = formulate(problem);
  const torn = { ...model };
  Object.defineProperty(torn, 'rows', {
    get: () => {
      throw new Error('no memory');
    },
  });
  const first = await highsSolver();
  const before = first(model, { seconds: 10 }).gain;
  expect(() => first(torn, { seconds: 10 })).toThrow('no memory');
  expect((await highsSolver())(model, { seconds: 10 }).gain).toBe(before);
});

describe('what is asked of a solver', () => {
  const problem = inventMatch(new Chance(3), { units: 12, slots: 4, classes: 6, lots: 10, models: 3 });

  test('without time it says what it has and that it is not proven; never more than its bound', () => {
    const formulation = formulate(problem);
    let calls = 0;
    const slow: Solver = (model, how) => {
      calls += 1;
      const found = solver(model, how);
      return how.isRelaxed ? found : { ...found, is: 'stopped', bound: found.bound + 500 };
    };
    const stopped = solvePlan(formulation.model, slow, enough);
    expect(calls).toBe(2);
    expect(stopped.isProven).toBe(false);
    expect(stopped.bound).toBeGreaterThanOrEqual(stopped.gain);
    expect(evaluate(problem, decode(problem, formulation, stopped.values as Float64Array)).faults).toEqual([]);
  });

  test('fixing by reduced costs changes nothing of the money, however little is left free', () => {
    const { model } = formulate(problem);
    const whole = solver(model, { seconds: 60 });
    const fixed = solvePlan(model, solver, enough);
    expect(Math.round(fixed.gain)).toBe(Math.round(whole.gain));
  });

  test('the LP file says the same problem: the solver reads it and finds the same', async () => {
    const { default: loadHighs } = await import('highs');
    const { model } = formulate(problem);
    const read = (await loadHighs()).solve(writeLp(model));
    expect(read.Status).toBe('Optimal');
    expect(Math.round((read as { ObjectiveValue: number }).ObjectiveValue)).toBe(
      Math.round(solved(problem).solution.gain),
    );
  });
});

test.each(Array.from({ length: 30 }, (_, seed) => 300 + seed))(
  'going unit by unit with care can be carried out and brings no more (%i)',
  (seed) => {
    const size = { units: 9, slots: 4, classes: 5, lots: 10, models: 2 };
    const chance = new Chance(seed);
    const invented = inventMatch(chance, size);
    const orders = invented.orders.map((order) => ({ ...order, isFirm: false }));
    const problem = withKept(chance, { ...invented, orders, wishes: [], slotWishes: [], reserves: [] });
    const { keeps: _, ...free } = problem;
    const hand = evaluate(problem, unitByUnit(problem));
    // Minutes of what has to be moved to an assembly are not looked at.
    expect(hand.faults.filter(({ is }) => is !== 'minutes')).toEqual([]);
    if (hand.faults.length > 0) return;
    expect(hand.cents).toBeLessThanOrEqual(Math.round(solved(free).solution.gain));
  },
);

describe('parts of donors may fail', () => {
  const problems = Array.from({ length: 12 }, (_, at) => {
    const chance = new Chance(40 + at);
    return withKept(chance, inventMatch(chance, { units: 10, slots: 4, classes: 5, lots: 5, models: 2 }));
  });

  test('over many lives a plan brings what it says, and its builds complete as often as it says', () => {
    let looked = 0;
    for (const problem of problems) {
      const { plan } = solved(problem);
      if (!plan) continue;
      const chance = new Chance(7);
      const lives = 6000;
      let [sum, squares] = [0, 0];
      const done = new Map<string, number>();
      for (let life = 0; life < lives; life += 1) {
        const { cents, completed } = drawPlan(problem, plan, chance);
        sum += cents;
        squares += cents * cents;
        for (const tag of completed) done.set(tag, (done.get(tag) ?? 0) + 1);
      }
      const mean = sum / lives;
      const error = Math.sqrt(Math.max(0, squares / lives - mean * mean) / lives);
      // Whole cents of each fill are rounded.
      expect(Math.abs(mean - evaluate(problem, plan).cents)).toBeLessThan(4 * error + plan.units.length * 4);
      for (const { tag, fate } of plan.units) {
        if (fate !== 'build') continue;
        const said = completesWith(problem, plan, tag);
        looked += Number(said < 1);
        expect(Math.abs((done.get(tag) ?? 0) / lives - said)).toBeLessThan(4 * Math.sqrt(0.25 / lives));
      }
    }
    expect(looked).toBeGreaterThan(3);
  });

  test('a plan that takes every donor’s part for sure brings less, and never more', () => {
    let worse = 0;
    for (const problem of problems) {
      const sure = {
        ...problem,
        lots: problem.lots.map(({ coming: _, ...lot }) => lot),
        units: problem.units.map((group) => ({
          ...group,
          levels: group.levels.map((level) => ({
            ...level,
            gives: level.gives.map((given) => ({ ...given, failCents: 0, chance: 1 })),
          })),
        })),
      };
      const [with_, means] = [solved(problem), solved(sure)];
      if (!with_.plan || !means.plan) continue;
      // The plan of means, carried out where parts do fail.
      const cents = {
        with_: evaluate(problem, with_.plan).cents,
        means: evaluate(problem, means.plan).cents,
      };
      expect(cents.means).toBeLessThanOrEqual(cents.with_);
      worse += Number(cents.means < cents.with_);
    }
    expect(worse).toBeGreaterThan(2);
  });
});

test('what a part costs a build, by plain arithmetic', () => {
  const moves = {
    model: 'm',
    parts: [
      { part: 'camera', cents: 300, uses: {} },
      { part: 'button', cents: 80, uses: {} },
    ],
  };
  const lot = { id: 'l', of: 'c', grade: 'B', count: 1, worthCents: 1000 } as const;
  const need = { share: 0.8, moves };
  expect(centsOf({ is: 'lot', lot }, { share: 0.8 })).toBe(800);
  expect(centsOf({ is: 'lot', lot }, need)).toBe(800 + 380);
  const brings = { model: 'm', parts: ['camera'] };
  expect(centsOf({ is: 'lot', lot: { ...lot, brings } }, need)).toBe(800 + 80);
  expect(centsOf({ is: 'lot', lot: { ...lot, brings: { ...brings, model: 'other' } } }, need)).toBe(800 + 380);
  const offer = { id: 'o', of: 'c', grade: 'B', cents: 1600, worthCents: 1000, most: null, leadDays: 2 } as const;
  expect(centsOf({ is: 'offer', offer }, need)).toBe(1600 - 200 + 380);
  const given = { slot: 's', of: 'c', grade: 'B', chance: 0.9, worthCents: 1000, failCents: 1600 } as const;
  expect(centsOf({ is: 'donor', given }, { share: 0.8 })).toBe(720 + 160);
});
