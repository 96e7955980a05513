import { Entries } from './entries';
import { setUpMinutes, type SequenceOperation, type SequenceProblem, type SetUpState } from './sequenceProblem';

/** Bounds on what is still to come, for every state of a search. */
export class LowerBounds {
  private readonly parts: readonly { readonly entries: Entries; readonly of: (type: number) => number }[];
  private readonly types: Entries;
  /** Operations of the same number need the same changes downward: one of them counts for all. */
  private readonly kindOf: Int32Array;
  private readonly seen: Int32Array;
  private stamp = 0;
  private readonly some: Int16Array;

  constructor(
    setUps: readonly SetUpState[],
    { tools, faces, postures, types }: Readonly<Record<'tools' | 'faces' | 'postures' | 'types', Entries>>,
    /** Minutes from the start of an operation to the end of the longest chain that begins with it, waits included. */
    readonly tail: readonly number[],
  ) {
    const numbers = (own: (setUp: SetUpState) => number) => {
      const all = Int32Array.from(setUps, own);
      return (type: number) => all[type] as number;
    };
    this.parts = [
      { entries: tools, of: numbers(({ tool }) => tool) },
      { entries: faces, of: numbers(({ face }) => face) },
      { entries: postures, of: numbers(({ posture }) => posture) },
    ];
    this.types = types;
    const kinds = new Map<string, number>();
    this.kindOf = Int32Array.from(tail, (_, operation) => {
      const key = [tools, faces, postures, types].map(({ kindOf }) => kindOf[operation]).join();
      const known = kinds.get(key) ?? kinds.size;
      kinds.set(key, known);
      return known;
    });
    this.seen = new Int32Array(kinds.size);
    this.some = new Int16Array(kinds.size);
  }

  /**
   * Minutes of changes at least, until everything is done.
   *
   * @param ready  operations that can be done now, one at least
   * @param type   the set-up in hand
   */
  changes(ready: Int16Array, readyCount: number, type: number): number {
    const count = this.gather(ready, readyCount);
    let apart = 0;
    for (const { entries, of } of this.parts) apart += entries.least(this.some, count, of(type));
    return Math.max(apart, this.types.least(this.some, count, type));
  }

  /** Looks for what bounds this state better, and keeps it for all. */
  tune(ready: Int16Array, readyCount: number, type: number): void {
    const count = this.gather(ready, readyCount);
    for (const { entries, of } of this.parts) entries.tune(this.some, count, of(type));
    this.types.tune(this.some, count, type);
  }

  private gather(ready: Int16Array, readyCount: number): number {
    const { kindOf, seen, some } = this;
    this.stamp += 1;
    let count = 0;
    for (let index = 0; index < readyCount; index += 1) {
      const operation = ready[index] as number;
      const kind = kindOf[operation] as number;
      if (seen[kind] === this.stamp) continue;
      seen[kind] = this.stamp;
      some[count] = operation;
      count += 1;
    }
    return count;
  }
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
  return new LowerBounds(
    types,
    {
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
    },
    tail,
  );
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
