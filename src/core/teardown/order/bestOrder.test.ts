import fc from 'fast-check';
import { runsOf } from '../../../../tests/support/runs';
import { bestOrder } from './bestOrder';
import { endOf, timeOrder, type Placed, type SequenceOperation, type SequenceProblem } from './sequenceProblem';

/** The least minutes of all orders with all choices of tools. */
function bruteForce(problem: SequenceProblem): number {
  let best = Infinity;
  const go = (order: readonly Placed[], done: ReadonlySet<number>): void => {
    if (order.length === problem.operations.length) {
      best = Math.min(best, endOf(problem, timeOrder(problem, order)));
      return;
    }
    problem.operations.forEach(({ after, tools }, operation) => {
      if (done.has(operation) || !after.every((any) => any.some((before) => done.has(before)))) return;
      tools.forEach((_, choice) => go([...order, { operation, choice }], new Set(done).add(operation)));
    });
  };
  go([], new Set());
  return best;
}

const minutes = fc.integer({ min: 0, max: 8 }).map((quarters) => quarters / 4);
const table = (size: number) =>
  fc
    .array(fc.array(minutes, { minLength: size, maxLength: size }), { minLength: size, maxLength: size })
    .map((rows) => rows.map((row, from) => row.map((value, to) => (from === to ? 0 : value))));

/** Orders of up to six operations: any set-up minutes, alternatives, second tools, obstruction, waits of both kinds. */
const problems = fc.integer({ min: 1, max: 6 }).chain((count) => {
  const operationAt = (at: number): fc.Arbitrary<SequenceOperation> => {
    const before = fc.uniqueArray(fc.integer({ min: 0, max: Math.max(0, at - 1) }), { minLength: 1, maxLength: 2 });
    return fc.record(
      {
        minutes,
        tools: fc.uniqueArray(
          fc.record({ tool: fc.integer({ min: 0, max: 2 }), factor: fc.constantFrom(1, 1, 1.5, 2) }),
          { minLength: 1, maxLength: 2, selector: ({ tool }) => tool },
        ),
        face: fc.integer({ min: 0, max: 1 }),
        posture: fc.integer({ min: 0, max: 1 }),
        after: at === 0 ? fc.constant([]) : fc.array(before, { maxLength: 2 }),
        slowUntil: fc.array(
          fc.record({
            any: fc.uniqueArray(fc.integer({ min: 0, max: count - 1 }), { minLength: 1, maxLength: 2 }),
            factor: fc.constant(1.5),
          }),
          { maxLength: 1 },
        ),
        wait: fc.record({ minutes, isBeside: fc.boolean() }),
      },
      { requiredKeys: ['minutes', 'tools', 'face', 'posture', 'after'] },
    );
  };
  return fc.record(
    {
      operations: fc.tuple(...Array.from({ length: count }, (_, at) => operationAt(at))),
      toolMinutes: table(3),
      faceMinutes: table(2),
      postureMinutes: table(2),
      start: fc.record({ tool: fc.constant(0), face: fc.constant(0), posture: fc.constant(0) }),
    },
    { requiredKeys: ['operations', 'toolMinutes', 'faceMinutes', 'postureMinutes'] },
  );
});

/** Nothing but set-ups of any minutes: where an operation may be kept back to be a quicker way round. */
const bare = fc.integer({ min: 2, max: 6 }).chain((count) => {
  const operationAt = (at: number): fc.Arbitrary<SequenceOperation> =>
    fc.record({
      minutes: fc.constant(1),
      tools: fc.uniqueArray(fc.record({ tool: fc.integer({ min: 0, max: 3 }), factor: fc.constant(1) }), {
        minLength: 1,
        maxLength: 2,
        selector: ({ tool }) => tool,
      }),
      face: fc.constant(0),
      posture: fc.constant(0),
      after:
        at === 0
          ? fc.constant([])
          : fc.array(fc.uniqueArray(fc.integer({ min: 0, max: at - 1 }), { minLength: 1, maxLength: 2 }), {
              maxLength: 2,
            }),
    });
  return fc.record({
    operations: fc.tuple(...Array.from({ length: count }, (_, at) => operationAt(at))),
    toolMinutes: table(4),
    faceMinutes: fc.constant([[0]]),
    postureMinutes: fc.constant([[0]]),
  });
});

const plenty = { states: 1_000_000 };
const constant = (size: number, value: number) =>
  Array.from({ length: size }, (_, from) => Array.from({ length: size }, (_unused, to) => (from === to ? 0 : value)));
const simple = (operations: readonly Partial<SequenceOperation>[]): SequenceProblem => ({
  operations: operations.map((own) => ({
    minutes: 1,
    tools: [{ tool: 0, factor: 1 }],
    face: 0,
    posture: 0,
    after: [],
    ...own,
  })),
  toolMinutes: constant(3, 1),
  faceMinutes: constant(2, 2),
  postureMinutes: constant(1, 0),
});

describe('bestOrder', () => {
  test('takes as few minutes as the best of all orders, and proves it', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const best = bestOrder(problem, plenty);
        expect(best.minutes).toBeCloseTo(bruteForce(problem), 9);
        expect(best.isProven).toBe(true);
        expect(endOf(problem, timeOrder(problem, best.order))).toBeCloseTo(best.minutes, 9);
      }),
      runsOf(500, 2026),
    );
  });

  test('what is kept back to be a way round between set-ups, and what need not be, costs no order', () => {
    fc.assert(
      fc.property(bare, (problem) => {
        const best = bestOrder(problem, plenty);
        expect(best.isProven).toBe(true);
        expect(best.minutes).toBeCloseTo(bruteForce(problem), 9);
      }),
      runsOf(500, 11),
    );
  });

  test('from a narrow beam on, with bounds tuned after each, it finds and proves the same', () => {
    fc.assert(
      fc.property(fc.oneof(bare, problems), fc.integer({ min: 1, max: 12 }), (problem, states) => {
        const least = bruteForce(problem);
        const narrow = bestOrder(problem, { ...plenty, firstWidth: 1, tuneFrom: 0 });
        expect(narrow.minutes).toBeCloseTo(least, 9);
        expect(narrow.isProven).toBe(true);
        expect(bestOrder(problem, { states, firstWidth: 1, tuneFrom: 0 }).lowerBound).toBeLessThanOrEqual(least + 1e-9);
      }),
      runsOf(500, 12),
    );
  });

  test('what can begin by another alternative is not held up by the wait of the one that is done', () => {
    // The last needs the first, after its wait, or the second: first, second, last takes no minute at all.
    const alone = { minutes: 0, tools: [{ tool: 0, factor: 1 }], posture: 0 };
    const problem: SequenceProblem = {
      operations: [
        { ...alone, face: 0, after: [], wait: { minutes: 0.5, isBeside: true } },
        { ...alone, face: 1, after: [] },
        { ...alone, face: 1, after: [[1, 0]] },
      ],
      toolMinutes: [[0]],
      faceMinutes: [
        [0, 0],
        [0.25, 0],
      ],
      postureMinutes: [[0]],
    };
    const narrow = bestOrder(problem, { ...plenty, firstWidth: 1 });
    expect([narrow.minutes, narrow.isProven]).toEqual([0, true]);
  });

  test('stopped early it still answers, and its bound is a bound', () => {
    fc.assert(
      fc.property(problems, (problem) => {
        const hasty = bestOrder(problem, { states: 1 });
        const least = bruteForce(problem);
        expect(hasty.order).toHaveLength(problem.operations.length);
        expect(hasty.minutes).toBeGreaterThanOrEqual(least - 1e-9);
        expect(hasty.lowerBound).toBeLessThanOrEqual(least + 1e-9);
      }),
      runsOf(500, 3),
    );
  });

  test('one set-up that is a way round leaves the rule of the others: the answer comes after as few states', () => {
    const problem = (away: number) => ({
      ...simple(
        Array.from({ length: 16 }, (_, at) => ({
          tools: [{ tool: at === 15 ? 2 : at % 2, factor: 1 }],
          after: at < 2 ? [] : [[at - 2]],
        })),
      ),
      // From tool 0 to 1 takes two minutes; over tool 2, which one step needs, two times `away`.
      toolMinutes: [
        [0, 2, away],
        [2, 0, away],
        [away, away, 0],
      ],
    });
    const [usual, round] = [bestOrder(problem(1), plenty), bestOrder(problem(0.5), plenty)];
    expect([usual.isProven, round.isProven]).toEqual([true, true]);
    expect(round.states).toBeLessThan(3 * usual.states + 10);
  });

  test('fills a wait beside the hand with what does not depend on it', () => {
    const problem = simple([
      { wait: { minutes: 5, isBeside: true } },
      { after: [[0]] },
      { minutes: 2, tools: [{ tool: 1, factor: 1 }] },
    ]);
    const best = bestOrder(problem, plenty);
    expect(best.order.map(({ operation }) => operation)).toEqual([0, 2, 1]);
    // One minute, five of waiting in which the other tool does its two minutes, one minute.
    expect(best.minutes).toBe(7);
  });

  test('keeps the tool in hand for what is slower with it when changing twice would be slower still', () => {
    const both = [
      { tool: 1, factor: 1 },
      { tool: 0, factor: 1.5 },
    ];
    const best = bestOrder(simple([{}, { tools: both, after: [[0]] }, { after: [[1]] }]), plenty);
    expect(best.order[1]?.choice).toBe(1);
    expect(best.minutes).toBe(3.5);
  });

  test('can be stopped from outside, and tells of what it finds', () => {
    const problem = simple(
      Array.from({ length: 40 }, (_, at) => ({
        tools: [{ tool: at % 3, factor: 1 }],
        face: (at >> 2) % 2,
        after: at > 5 ? [[at - 5]] : [],
      })),
    );
    const told: number[] = [];
    const stopped = bestOrder(problem, {
      states: 1_000_000,
      goOn: () => false,
      onBetter: ({ minutes: found }) => told.push(found),
    });
    expect(stopped.order).toHaveLength(40);
    expect(told.at(-1)).toBe(stopped.minutes);
  });

  test('a circle and a time below nothing are a caller’s mistake', () => {
    expect(() => bestOrder(simple([{ after: [[1]] }, { after: [[0]] }]), plenty)).toThrow(RangeError);
    expect(() => bestOrder(simple([{ minutes: -1 }]), plenty)).toThrow(RangeError);
  });
});
