import fc from 'fast-check';
import { centsAlong, reachOf } from '@/core/teardown/joint/planMoney';
import type { PlanOperation, PlanProblem } from '@/core/teardown/joint/planProblem';
import type { Placed, SequenceOperation } from '@/core/teardown/order/sequenceProblem';

/** The most that any set of operations brings in any order; null when nothing frees what is wanted. */
export function bestOfAll(problem: PlanProblem): number | null {
  const reach = reachOf(problem);
  const { operations, sequence, wanted } = problem;
  let best: number | null = null;
  const go = (order: readonly Placed[], done: ReadonlySet<number>): void => {
    const freed = new Set([...done].flatMap((at) => operations[at]?.frees ?? []));
    if (wanted.every((part) => freed.has(part))) best = Math.max(best ?? -Infinity, centsAlong(problem, order, reach));
    sequence.operations.forEach(({ after, tools }, operation) => {
      if (done.has(operation) || operations[operation]?.isBarred) return;
      if (!after.every((any) => any.some((before) => done.has(before)))) return;
      tools.forEach((_, choice) => go([...order, { operation, choice }], new Set(done).add(operation)));
    });
  };
  go([], new Set());
  return best;
}

const quarters = (most: number) => fc.integer({ min: 0, max: most * 4 }).map((value) => value / 4);
const chances = fc.constantFrom(0.1, 0.5, 0.9, 1);
const partCount = 4;
const part = fc.integer({ min: 0, max: partCount - 1 });

/** Set-up minutes as houses have them (constant, put down and pick up) and as nobody has them (any figures). */
const table = (size: number) =>
  fc.oneof(
    fc.constantFrom(0, 1, 2.5).map((value) => square(size, () => value)),
    fc
      .tuple(...Array.from({ length: size * 2 }, () => quarters(1)))
      .map((halves) => square(size, (from, to) => (halves[from] as number) + (halves[size + to] as number))),
    fc
      .array(quarters(2), { minLength: size * size, maxLength: size * size })
      .map((all) => square(size, (from, to) => all[from * size + to] as number)),
  );

const square = (size: number, minutes: (from: number, to: number) => number) =>
  Array.from({ length: size }, (_, from) =>
    Array.from({ length: size }, (_unused, to) => (from === to ? 0 : minutes(from, to))),
  );

const sequenceAt = (at: number, count: number): fc.Arbitrary<SequenceOperation> => {
  // Now and then behind one that comes later in the list, so that there are circles.
  const before = fc.uniqueArray(
    fc.oneof(
      { weight: 6, arbitrary: fc.integer({ min: 0, max: Math.max(0, at - 1) }) },
      { weight: 1, arbitrary: fc.integer({ min: 0, max: count - 1 }) },
    ),
    { minLength: 1, maxLength: 2 },
  );
  return fc.record(
    {
      minutes: quarters(3),
      tools: fc.uniqueArray(fc.record({ tool: fc.integer({ min: 0, max: 2 }), factor: fc.constantFrom(1, 1, 1.5) }), {
        minLength: 1,
        maxLength: count > 4 ? 1 : 2,
        selector: ({ tool }) => tool,
      }),
      face: fc.integer({ min: 0, max: 1 }),
      posture: fc.constant(0),
      after: at === 0 ? fc.constant([]) : fc.array(before, { maxLength: 2 }),
      slowUntil: fc.array(
        fc.record({
          any: fc.uniqueArray(fc.integer({ min: 0, max: count - 1 }), { maxLength: 2 }),
          factor: fc.constantFrom(1.5, 3),
        }),
        { maxLength: 1 },
      ),
      wait: fc.record({ minutes: quarters(2), isBeside: fc.boolean() }),
    },
    { requiredKeys: ['minutes', 'tools', 'face', 'posture', 'after'] },
  );
};

const moneyOf: fc.Arbitrary<PlanOperation> = fc.record({
  cents: fc.constantFrom(0, 0, 0, 5),
  yields: fc.constantFrom(1, 1, 1, 0.9),
  isBarred: fc.constantFrom(false, false, false, false, false, true),
  frees: fc.uniqueArray(part, { maxLength: 2 }),
  risks: fc.array(fc.record({ part, chance: chances }), { maxLength: 1 }),
});

/**
 * Small problems with everything that a plan can hang on: alternatives, circles, tools, turns, waits of both kinds,
 * obstruction, short cuts that are barred, risks, joints that do not yield, bound parts, assemblies, parts that are asked
 * for, a tool in hand.
 */
export const anyPlanProblem: fc.Arbitrary<PlanProblem> = fc.integer({ min: 1, max: 6 }).chain((count) =>
  fc
    .record({
      operations: fc.tuple(...Array.from({ length: count }, (_, at) => sequenceAt(at, count))),
      money: fc.tuple(...Array.from({ length: count }, () => moneyOf)),
      tables: fc.tuple(table(3), table(2)),
      hasStart: fc.boolean(),
      cents: fc.tuple(...Array.from({ length: partCount }, () => fc.integer({ min: 0, max: 60 }))),
      isBound: fc.boolean(),
      carried: fc.option(fc.record({ assembly: part, part, cents: fc.integer({ min: 1, max: 20 }) }), { freq: 2 }),
      wanted: fc.oneof(
        { weight: 3, arbitrary: fc.constant([]) },
        { weight: 1, arbitrary: fc.uniqueArray(part, { maxLength: 2 }) },
      ),
    })
    .map(({ operations, money, tables, hasStart, cents, isBound, carried, wanted }) => ({
      sequence: {
        operations,
        toolMinutes: tables[0],
        faceMinutes: tables[1],
        postureMinutes: [[0]],
        ...(hasStart && { start: { tool: 0, face: 0, posture: 0 } }),
      },
      centsPerMinute: 10,
      operations: money,
      partCount,
      prizes: [
        ...(isBound
          ? [{ parts: [0, 1], cents: cents[0] as number }]
          : [0, 1].map((at) => ({ parts: [at], cents: cents[at] as number }))),
        ...[2, 3].map((at) => ({ parts: [at], cents: cents[at] as number })),
      ],
      carried: carried && carried.assembly !== carried.part ? [carried] : [],
      wanted,
    })),
);

interface PlainOperation {
  readonly minutes: number;
  readonly tool?: number;
  readonly after?: readonly (readonly number[])[];
  readonly slowUntil?: SequenceOperation['slowUntil'];
  readonly frees: readonly number[];
  readonly risks?: PlanOperation['risks'];
}

/** A problem without any of that but what is said. */
export const plainProblem = (
  operations: readonly PlainOperation[],
  worths: readonly number[],
  {
    cents,
    change = 0,
    wanted = [],
  }: { readonly cents: number; readonly change?: number; readonly wanted?: readonly number[] },
): PlanProblem => ({
  sequence: {
    operations: operations.map(({ minutes, tool = 0, after = [], slowUntil }) => ({
      minutes,
      tools: [{ tool, factor: 1 }],
      face: 0,
      posture: 0,
      after,
      ...(slowUntil && { slowUntil }),
    })),
    toolMinutes: square(3, () => change),
    faceMinutes: [[0]],
    postureMinutes: [[0]],
  },
  centsPerMinute: cents,
  operations: operations.map(({ frees, risks = [] }) => ({ cents: 0, yields: 1, isBarred: false, frees, risks })),
  partCount: worths.length,
  prizes: worths.flatMap((worth, at) => (worth > 0 ? [{ parts: [at], cents: worth }] : [])),
  carried: [],
  wanted,
});
