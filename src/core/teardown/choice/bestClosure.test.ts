import fc from 'fast-check';
import { bestClosure } from './bestClosure';
import { ChoiceOfWeights } from './choiceOfWeights';
import { takeable, type ClosureProblem } from './closureProblem';

/** The best of all subsets that can be taken in some order. */
function bruteForce({ weights, clauses, forced = [], barred = [] }: ClosureProblem): number | undefined {
  let best: number | undefined;
  for (let mask = 0; mask < 1 << weights.length; mask += 1) {
    const has = (item: number) => (mask & (1 << item)) !== 0;
    if (!forced.every(has) || barred.some(has)) continue;
    const size = weights.filter((_, item) => has(item)).length;
    if (takeable(weights.length, clauses, has).length < size) continue;
    const weight = weights.reduce((sum, own, item) => sum + (has(item) ? own : 0), 0);
    if (best === undefined || weight > best) best = weight;
  }
  return best;
}

/** Small problems with alternatives, circles and clauses that can never be met. */
const problems = fc.integer({ min: 1, max: 10 }).chain((count) => {
  const item = fc.integer({ min: 0, max: count - 1 });
  return fc.record({
    weights: fc.array(fc.integer({ min: -9, max: 9 }), { minLength: count, maxLength: count }),
    clauses: fc.array(fc.array(fc.uniqueArray(item, { minLength: 1, maxLength: 3 }), { maxLength: 3 }), {
      minLength: count,
      maxLength: count,
    }),
    forced: fc.uniqueArray(item, { maxLength: 1 }),
    barred: fc.uniqueArray(item, { maxLength: 1 }),
  });
});

describe('bestClosure', () => {
  test('weighs as much as the best of all subsets, and says so', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const closure = bestClosure(problem);
        expect(closure?.weight).toBe(bruteForce(problem));
        if (!closure) return;
        expect(closure.isProven).toBe(true);
        expect(closure.upperBound).toBe(closure.weight);
        const taken = new Set(closure.items);
        expect(takeable(problem.weights.length, problem.clauses, (item) => taken.has(item))).toHaveLength(taken.size);
      }),
      { numRuns: 1500, seed: 2026 },
    );
  });

  test('nothing is taken for nothing: without any one item that brings nothing, something falls', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const { weights, clauses, forced } = problem;
        const closure = bestClosure(problem);
        if (!closure) return;
        const ends = closure.items.filter((item) => (weights[item] as number) > 0 || forced.includes(item));
        for (const left of closure.items.filter((item) => !ends.includes(item))) {
          const rest = new Set(closure.items.filter((item) => item !== left));
          const still = takeable(weights.length, clauses, (item) => rest.has(item));
          expect(ends.every((end) => still.includes(end))).toBe(false);
        }
      }),
      { numRuns: 500, seed: 7 },
    );
  });

  test('what brings exactly what it costs is taken; a cent less, and it is not', () => {
    const behindDoor = (worth: number): ClosureProblem => ({ weights: [worth, -12], clauses: [[[1]], []] });
    expect(bestClosure(behindDoor(12))?.items).toEqual([1, 0]);
    expect(bestClosure(behindDoor(11))?.items).toEqual([]);
  });

  test('two that wait only for each other cannot be forced', () => {
    expect(bestClosure({ weights: [5, 5], clauses: [[[1]], [[0]]], forced: [0] })).toBeUndefined();
  });

  test('gives up its proof, not its answer, when it may not look any further', () => {
    let given = 0;
    fc.assert(
      fc.property(problems, (problem) => {
        const closure = bestClosure(problem, 0);
        const best = bruteForce(problem);
        if (closure === undefined || best === undefined) return expect(closure).toBe(best);
        expect(closure.weight).toBeLessThanOrEqual(best);
        expect(closure.upperBound).toBeGreaterThanOrEqual(best);
        expect(closure.isProven).toBe(closure.weight === closure.upperBound);
        given += Number(!closure.isProven);
      }),
      { numRuns: 1500, seed: 11 },
    );
    expect(given).toBeGreaterThan(0);
  });

  test('of equals, the one with most of what brings something', () => {
    const best = (problem: ClosureProblem, weight: number): number => {
      let most = 0;
      for (let mask = 0; mask < 1 << problem.weights.length; mask += 1) {
        const items = problem.weights.flatMap((_, item) => (mask & (1 << item) ? [item] : []));
        const has = (item: number) => items.includes(item);
        if (takeable(problem.weights.length, problem.clauses, has).length < items.length) continue;
        if (!(problem.forced ?? []).every(has) || (problem.barred ?? []).some(has)) continue;
        if (items.reduce((sum, item) => sum + (problem.weights[item] as number), 0) !== weight) continue;
        most = Math.max(most, items.filter((item) => (problem.weights[item] as number) > 0).length);
      }
      return most;
    };
    fc.assert(
      fc.property(problems, (problem) => {
        const closure = bestClosure(problem);
        if (!closure) return;
        const brings = closure.items.filter((item) => (problem.weights[item] as number) > 0);
        expect(brings.length).toBe(best(problem, closure.weight));
      }),
      { numRuns: 500, seed: 3 },
    );
  });

  test('asked again and again with things forced in or left out, each answer is the best of all subsets', () => {
    let [asked, forced] = [0, 0];
    fc.assert(
      fc.property(problems, ({ weights, clauses, barred }) => {
        const choice = new ChoiceOfWeights({ weights, clauses, barred });
        // The first answer leaves branches behind that all others begin from.
        const now = choice.best({});
        expect(now?.weight).toBe(bruteForce({ weights, clauses, barred }));
        weights.forEach((_, item) => {
          const without = choice.best({ isOut: [item] });
          const withIt = choice.best({ isIn: [item] });
          expect(without?.weight).toBe(bruteForce({ weights, clauses, barred: [...(barred ?? []), item] }));
          expect(withIt?.weight).toBe(bruteForce({ weights, clauses, barred, forced: [item] }));
          expect([without, withIt].every((own) => !own || own.isProven)).toBe(true);
          expect(without?.items.includes(item)).not.toBe(true);
          asked += 2;
          forced += Number(withIt !== undefined);
        });
      }),
      { numRuns: 400, seed: 2027 },
    );
    expect(forced).toBeGreaterThan(asked / 8);
  });

  test('weights in parts of a cent are a caller’s mistake', () => {
    expect(() => bestClosure({ weights: [0.5], clauses: [[]] })).toThrow(RangeError);
  });
});
