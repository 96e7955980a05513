import { setUpMinutes, type SequenceOperation, type SequenceProblem, type SetUpState } from './sequenceProblem';

/**
 * What entering the tools (or faces, postures, whole set-ups) that are still needed costs at least.
 *
 * Along a chain of operations that must come one after the other, two that need a tool, with one between them that cannot
 * be done with it, are two entries. Minutes are told apart by potentials: of c(a, b) the part p(a) is paid for leaving a,
 * so that entering b costs at least min over a of c(a, b) − p(a), and leaving it again p(b). The last tool is not left.
 */
export class Entries {
  private readonly plain: Float64Array;
  private readonly shifted: Float64Array;
  private readonly potential: Float64Array;
  private readonly mostAtEnd: number;
  /** Per operation and tool: entries from it downward when the tool is not in hand, and when it is. */
  private readonly fresh: Uint8Array;
  private readonly inHand: Uint8Array;
  private readonly most: Uint8Array;
  private readonly size: number;

  constructor(
    minutes: readonly (readonly number[])[],
    uses: readonly (readonly number[])[],
    followers: readonly (readonly number[])[],
    lastFirst: readonly number[],
    ends: readonly number[],
  ) {
    this.size = minutes.length;
    const others = (at: number) => minutes.map((_, other) => other).filter((other) => other !== at);
    const least = (values: readonly number[]) => (values.length > 0 ? Math.min(...values) : 0);
    const cost = (from: number, to: number) => minutes[from]?.[to] as number;
    this.potential = Float64Array.from(minutes, (_, from) => least(others(from).map((to) => cost(from, to))));
    this.plain = Float64Array.from(minutes, (_, to) => least(others(to).map((from) => cost(from, to))));
    this.shifted = Float64Array.from(
      minutes,
      (_, to) =>
        least(others(to).map((from) => cost(from, to) - (this.potential[from] as number))) +
        (this.potential[to] as number),
    );
    this.mostAtEnd = Math.max(0, ...ends.map((use) => this.potential[use] as number));
    this.fresh = new Uint8Array(uses.length * this.size);
    this.inHand = new Uint8Array(uses.length * this.size);
    this.most = new Uint8Array(this.size);
    for (const operation of lastFirst)
      this.count(operation, uses[operation] as number[], followers[operation] as number[]);
  }

  private count(operation: number, used: readonly number[], next: readonly number[]): void {
    for (let use = 0; use < this.size; use += 1) {
      let fresh = 0;
      let inHand = 0;
      for (const follower of next) {
        fresh = Math.max(fresh, this.fresh[follower * this.size + use] as number);
        inHand = Math.max(inHand, this.inHand[follower * this.size + use] as number);
      }
      const cell = operation * this.size + use;
      const isOnly = used.length === 1 && used[0] === use;
      // With another tool as well it may be done without an entry, and need not break the block.
      this.fresh[cell] = isOnly ? Math.min(255, inHand + 1) : fresh;
      this.inHand[cell] = used.includes(use) ? inHand : fresh;
    }
  }

  /** @param ready  operations that can be done now  @param current  what is in hand, −1 for something that is never needed */
  least(ready: Int16Array, readyCount: number, current: number): number {
    const { size, most } = this;
    most.fill(0);
    for (let index = 0; index < readyCount; index += 1) {
      const row = (ready[index] as number) * size;
      for (let use = 0; use < size; use += 1) {
        const own = (use === current ? this.inHand : this.fresh)[row + use] as number;
        if (own > (most[use] as number)) most[use] = own;
      }
    }
    let plain = 0;
    let shifted = (current === -1 ? 0 : (this.potential[current] as number)) - this.mostAtEnd;
    for (let use = 0; use < size; use += 1) {
      plain += (most[use] as number) * (this.plain[use] as number);
      shifted += (most[use] as number) * (this.shifted[use] as number);
    }
    return Math.max(plain, shifted);
  }
}

export interface LowerBounds {
  readonly tools: Entries;
  readonly faces: Entries;
  readonly postures: Entries;
  readonly types: Entries;
  /** Minutes from the start of an operation to the end of the longest chain that begins with it, waits included. */
  readonly tail: readonly number[];
}

/**
 * Computes once per problem what bounds every state of its search.
 *
 * @param types      whole set-ups (tool, face and posture together)
 * @param typeUses   per operation, the set-ups it can be done in
 * @param isCertain  operations that are done in any case; the others count for nothing
 * Cost: O((operations + arcs) · set-ups + set-ups²)
 */
export function lowerBoundsOf(
  problem: SequenceProblem,
  types: readonly SetUpState[],
  typeUses: readonly (readonly number[])[],
  isCertain: (operation: number) => boolean = () => true,
): LowerBounds {
  const { operations } = problem;
  const followers = certainFollowers(operations);
  const order = lastFirst(followers);
  const tail = new Array<number>(operations.length).fill(0);
  for (const at of order) {
    const { minutes, tools, wait } = operations[at] as SequenceOperation;
    const next = followers[at] as number[];
    // A wait beside the hand that nothing depends on need not be over.
    const waiting = next.length === 0 && wait?.isBeside ? 0 : (wait?.minutes ?? 0);
    tail[at] =
      minutes * Math.min(...tools.map(({ factor }) => factor)) +
      waiting +
      Math.max(0, ...next.map((follower) => tail[follower] as number));
  }
  const areAllCertain = operations.every((_, operation) => isCertain(operation));
  const entries = (minutes: readonly (readonly number[])[], uses: readonly (readonly number[])[]) =>
    new Entries(
      minutes,
      uses.map((own, operation) => (isCertain(operation) ? own : [])),
      followers,
      order,
      // Where more may be done than is certain, anything may be the end.
      uses.filter((_, operation) => !areAllCertain || followers[operation]?.length === 0).flat(),
    );
  return {
    tools: entries(
      problem.toolMinutes,
      operations.map(({ tools }) => tools.map(({ tool }) => tool)),
    ),
    faces: entries(
      problem.faceMinutes,
      operations.map(({ face }) => [face]),
    ),
    postures: entries(
      problem.postureMinutes,
      operations.map(({ posture }) => [posture]),
    ),
    types: entries(
      types.map((from) => types.map((to) => setUpMinutes(problem, from, to))),
      typeUses,
    ),
    tail,
  };
}

/** Operations that must come after each one, along clauses without alternatives. */
function certainFollowers(operations: readonly SequenceOperation[]): number[][] {
  const followers: number[][] = operations.map(() => []);
  operations.forEach(({ after }, at) => {
    for (const any of after) if (any.length === 1) followers[any[0] as number]?.push(at);
  });
  return followers;
}

function lastFirst(followers: readonly (readonly number[])[]): readonly number[] {
  const order: number[] = [];
  const isSeen = followers.map(() => false);
  const visit = (at: number): void => {
    if (isSeen[at]) return;
    isSeen[at] = true;
    for (const next of followers[at] as number[]) visit(next);
    order.push(at);
  };
  followers.forEach((_, at) => visit(at));
  return order;
}
