import { certainNeeds } from '../choice/certainNeeds';
import { setUpMinutes, type SequenceOperation, type SequenceProblem, type SetUpState } from './sequenceProblem';

/** One way to do an operation: with one of its tools. */
export interface Way {
  readonly choice: number;
  /** The whole set-up, as a number. */
  readonly type: number;
  readonly factor: number;
}

/** A problem in the form its search reads fastest. */
export interface CompiledProblem {
  readonly count: number;
  /** Tool, face and posture together; the start, when it is given, among them. */
  readonly types: readonly SetUpState[];
  readonly startType: number;
  /** Minutes from set-up to set-up, row by row. */
  readonly typeMinutes: Float64Array;
  /** How much later at most, from one set-up instead of another, the next can begin: row by row. */
  readonly lateBy: Float64Array;
  readonly ways: readonly (readonly Way[])[];
  /** Minutes of an operation with its fastest tool and nothing in the way. */
  readonly leastMinutes: Float64Array;
  readonly leastFactor: Float64Array;
  /** Per set-up, what is done in it with the quickest tool. */
  readonly quickestIn: readonly (readonly { readonly operation: number; readonly way: Way }[])[];
  readonly waitAway: Float64Array;
  readonly waitBeside: Float64Array;
  readonly hasWaitsBeside: boolean;
  /** Clauses that an operation helps to satisfy. */
  readonly followers: readonly (readonly { readonly operation: number; readonly any: readonly number[] }[])[];
  /**
   * Operations that are never better done later than where they can be done at their least: no set-up of theirs is a
   * quicker way round between others.
   */
  readonly closes: readonly boolean[];
  /** Per operation, others that may go first wherever both can be done: the same set-up, and all that waits for it waits for them. */
  readonly letsFirst: readonly (readonly number[])[];
  /** Per operation that nothing waits for, others that are done in its set-up and in no other. */
  readonly comesAfter: readonly (readonly number[])[];
  /** Operations with a wait beside the hand, and what certainly comes before each. */
  readonly besides: readonly { readonly operation: number; readonly needs: ReadonlySet<number> }[];
}

const slack = 1e-9;

/** @throws RangeError when a time is negative or no number, or a table is not square */
export function compileProblem(problem: SequenceProblem): CompiledProblem {
  refuseBadFigures(problem);
  const { operations, start } = problem;
  const types: SetUpState[] = [];
  const numbers = new Map<string, number>();
  const numberOf = (type: SetUpState): number => {
    const key = `${type.tool} ${type.face} ${type.posture}`;
    const known = numbers.get(key);
    if (known !== undefined) return known;
    numbers.set(key, types.length);
    return types.push(type) - 1;
  };
  const startType = start ? numberOf(start) : -1;
  const ways = operations.map(({ tools, face, posture }) =>
    tools.map(({ tool, factor }, choice) => ({ choice, factor, type: numberOf({ tool, face, posture }) })),
  );
  const leastFactor = Float64Array.from(ways, (own) => Math.min(...own.map(({ factor }) => factor)));
  const typeMinutes = new Float64Array(types.length ** 2);
  types.forEach((from, row) =>
    types.forEach((to, column) => (typeMinutes[row * types.length + column] = setUpMinutes(problem, from, to))),
  );
  const isMetric = metricTypes(types.length, typeMinutes);
  const followers: { operation: number; any: readonly number[] }[][] = operations.map(() => []);
  operations.forEach(({ after }, operation) =>
    after.forEach((any) => any.forEach((before) => followers[before]?.push({ operation, any }))),
  );
  return {
    count: operations.length,
    types,
    startType,
    typeMinutes,
    lateBy: lateByOf(types.length, typeMinutes),
    ways,
    leastFactor,
    leastMinutes: Float64Array.from(operations, ({ minutes }, at) => minutes * (leastFactor[at] as number)),
    quickestIn: types.map((_, type) =>
      ways.flatMap((own, operation) => {
        const way = own.find((other) => other.type === type && other.factor <= (leastFactor[operation] as number));
        return way ? [{ operation, way }] : [];
      }),
    ),
    waitAway: Float64Array.from(operations, ({ wait }) => (wait && !wait.isBeside ? wait.minutes : 0)),
    waitBeside: Float64Array.from(operations, ({ wait }) => (wait?.isBeside ? wait.minutes : 0)),
    hasWaitsBeside: operations.some(({ wait }) => wait?.isBeside === true),
    followers,
    ...exchangesOf(operations, ways, followers),
    closes: ways.map((own) => own.every(({ type }) => isMetric[type])),
    besides: besidesOf(operations),
  };
}

function refuseBadFigures({ operations, toolMinutes, faceMinutes, postureMinutes }: SequenceProblem): void {
  for (const [name, table] of Object.entries({ toolMinutes, faceMinutes, postureMinutes })) {
    const isSound = table.every((row) => row.length === table.length && row.every((minutes) => minutes >= 0));
    if (!isSound) throw new RangeError(`bestOrder: ${name} is not a square of times`);
  }
  for (const [at, { minutes, wait }] of operations.entries()) {
    if (!(minutes >= 0) || !((wait?.minutes ?? 0) >= 0))
      throw new RangeError(`bestOrder: the minutes of operation ${at}`);
  }
}

function lateByOf(size: number, typeMinutes: Float64Array): Float64Array {
  const lateBy = new Float64Array(size ** 2);
  for (let own = 0; own < size; own += 1)
    for (let other = 0; other < size; other += 1) {
      let most = own === other ? 0 : -Infinity;
      for (let next = 0; next < size; next += 1) {
        const later = (typeMinutes[own * size + next] as number) - (typeMinutes[other * size + next] as number);
        most = Math.max(most, later);
      }
      lateBy[own * size + other] = most;
    }
  return lateBy;
}

/** Set-ups over which no change is quicker than directly. */
function metricTypes(size: number, typeMinutes: Float64Array): readonly boolean[] {
  const cost = (from: number, to: number) => typeMinutes[from * size + to] as number;
  const all = Array.from({ length: size }, (_, at) => at);
  return all.map((over) =>
    all.every((from) => all.every((to) => cost(from, to) <= cost(from, over) + cost(over, to) + slack)),
  );
}

/**
 * Where changes may be quicker over a third set-up, an operation may be kept back to be that way round. Of two of one set-up
 * that can both be done, the one behind which more waits then comes first; and what nothing waits for is kept back as long as
 * its set-up is entered again in any case. Exchanging them changes no minute, unless waits run or something is in the way.
 */
function exchangesOf(
  operations: readonly SequenceOperation[],
  ways: readonly (readonly Way[])[],
  followers: CompiledProblem['followers'],
): Pick<CompiledProblem, 'letsFirst' | 'comesAfter'> {
  if (operations.some(({ wait, slowUntil }) => wait?.isBeside || (slowUntil && slowUntil.length > 0))) {
    const none = operations.map(() => []);
    return { letsFirst: none, comesAfter: none };
  }
  const setUps = ways.map((own) =>
    own.every(({ factor }) => factor === own[0]?.factor) ? own.map(({ type }) => type).join() : null,
  );
  const clauses = followers.map((own) => new Set(own.map(({ any }) => any)));
  const likeIt = setUps.map((own, at) =>
    own === null ? [] : setUps.flatMap((other, index) => (index !== at && other === own ? [index] : [])),
  );
  return {
    letsFirst: likeIt.map((others, own) =>
      others.filter((other) => {
        const [mine, theirs] = [clauses[own] as Set<readonly number[]>, clauses[other] as Set<readonly number[]>];
        return [...mine].every((any) => theirs.has(any)) && (theirs.size > mine.size || other < own);
      }),
    ),
    comesAfter: likeIt.map((others, own) => (followers[own]?.length === 0 && ways[own]?.length === 1 ? others : [])),
  };
}

function besidesOf(operations: readonly SequenceOperation[]): CompiledProblem['besides'] {
  const waiting = operations.flatMap(({ wait }, at) => (wait?.isBeside && wait.minutes > 0 ? [at] : []));
  if (waiting.length === 0) return [];
  const needs = certainNeeds(
    operations.map(({ after }) => after),
    () => true,
  );
  return waiting.map((operation) => ({ operation, needs: needs[operation] ?? new Set() }));
}
