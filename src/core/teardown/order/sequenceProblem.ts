/** Operations to be put in an order, as numbers. Operations are 0…n−1; tools, faces and postures likewise. */
export interface SequenceProblem {
  readonly operations: readonly SequenceOperation[];
  /** Minutes from one tool to another, one face to another, one posture to another: square, zero on the diagonal. */
  readonly toolMinutes: readonly (readonly number[])[];
  readonly faceMinutes: readonly (readonly number[])[];
  readonly postureMinutes: readonly (readonly number[])[];
  /** What is in hand and how the unit lies before the first operation. Left out, the first set-up costs nothing. */
  readonly start?: { readonly tool: number; readonly face: number; readonly posture: number };
}

export interface SequenceOperation {
  /** Attended minutes with the usual tool when nothing is in the way. */
  readonly minutes: number;
  /** The tools that do it, the usual one first, with what they do to the minutes (1 for the usual one). */
  readonly tools: readonly { readonly tool: number; readonly factor: number }[];
  readonly face: number;
  readonly posture: number;
  /** Of each clause, one operation must be done before. */
  readonly after: readonly (readonly number[])[];
  /** Slower until one of these is done. */
  readonly slowUntil?: readonly { readonly any: readonly number[]; readonly factor: number }[];
  /** Unattended minutes behind it. */
  readonly wait?: {
    readonly minutes: number;
    /** The unit stays at hand: what does not depend on the wait can be done meanwhile. */
    readonly isBeside: boolean;
  };
}

/** One operation of an order, and with which of its tools it is done. */
export interface Placed {
  readonly operation: number;
  /** Index into its tools. */
  readonly choice: number;
}

export interface TimedStep extends Placed {
  /** Minutes since the start, when the hand goes to it. */
  readonly from: number;
  /** Changing tool, face and posture, then waiting for what is not ready, then working. */
  readonly setUp: number;
  readonly waiting: number;
  readonly work: number;
}

/**
 * The minutes of a given order, step by step.
 *
 * A wait away from the hand (a hot plate) stops everything; one beside it only what depends on it.
 *
 * @throws RangeError when an operation comes before what it waits for, or twice
 */
export function timeOrder(problem: SequenceProblem, order: readonly Placed[]): readonly TimedStep[] {
  const doneAt = new Map<number, number>();
  let clock = 0;
  let setUp = problem.start;
  return order.map(({ operation, choice }) => {
    const { after, tools, face, posture, wait } = problem.operations[operation] as SequenceOperation;
    const tool = (tools[choice] as SequenceOperation['tools'][number]).tool;
    if (doneAt.has(operation)) throw new RangeError(`timeOrder: operation ${operation} comes twice`);
    const readyAt = Math.max(
      0,
      ...after.map((any) => Math.min(...any.map((before) => doneAt.get(before) ?? Infinity))),
    );
    if (readyAt === Infinity) throw new RangeError(`timeOrder: operation ${operation} comes too early`);
    const next = { tool, face, posture };
    const changing = setUp ? setUpMinutes(problem, setUp, next) : 0;
    const step = {
      operation,
      choice,
      from: clock,
      setUp: changing,
      waiting: Math.max(0, readyAt - clock - changing),
      work: workMinutes(problem, operation, choice, (other) => doneAt.has(other)),
    };
    setUp = next;
    clock += step.waiting + step.setUp + step.work + (wait && !wait.isBeside ? wait.minutes : 0);
    doneAt.set(operation, clock + (wait?.isBeside ? wait.minutes : 0));
    return step;
  });
}

export interface SetUpState {
  readonly tool: number;
  readonly face: number;
  readonly posture: number;
}

export function setUpMinutes(problem: SequenceProblem, from: SetUpState, to: SetUpState): number {
  return (
    (problem.toolMinutes[from.tool]?.[to.tool] as number) +
    (problem.faceMinutes[from.face]?.[to.face] as number) +
    (problem.postureMinutes[from.posture]?.[to.posture] as number)
  );
}

/** Attended minutes of one operation with one of its tools, by what is done already. */
export function workMinutes(
  problem: SequenceProblem,
  operation: number,
  choice: number,
  isDone: (operation: number) => boolean,
): number {
  const { minutes, tools, slowUntil = [] } = problem.operations[operation] as SequenceOperation;
  const slow = slowUntil.reduce((factor, { any, factor: own }) => (any.some(isDone) ? factor : factor * own), 1);
  return minutes * (tools[choice] as SequenceOperation['tools'][number]).factor * slow;
}

/** When everything is done that needs a hand or holds the unit, in minutes from the start. */
export function endOf(problem: SequenceProblem, steps: readonly TimedStep[]): number {
  const last = steps.at(-1);
  if (!last) return 0;
  const wait = problem.operations[last.operation]?.wait;
  return last.from + last.waiting + last.setUp + last.work + (wait && !wait.isBeside ? wait.minutes : 0);
}
