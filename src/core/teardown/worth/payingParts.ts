import type { Operation } from '@/core/procedure/operations';
import { bestClosure } from '../choice/bestClosure';
import { ChoiceOfWeights, type Closure } from '../choice/choiceOfWeights';
import type { ClosureProblem } from '../choice/closureProblem';
import { freeingClauses, operationClauses } from '../choice/operationClauses';

/** A part and what freeing it brings. */
export interface Prize {
  readonly part: string;
  /** What a sound one brings, in whole cents. */
  readonly soundCents: number;
  readonly chance: number;
  /** Each of two bound parts is worth something only together with the other. */
  readonly boundTo?: string;
}

export interface PayingParts {
  /** Operations that pay, in the order of `operations`. */
  readonly operations: readonly Operation[];
  /** Parts that are freed for their worth or come along. */
  readonly parts: readonly string[];
  /** Expected worth of them less the cost of the operations, in cents; set-up minutes are not in it. */
  readonly netCents: number;
  readonly isProven: boolean;
}

export interface BreakEven {
  readonly part: string;
  /** The least price of a sound one, in whole cents, at which freeing it pays; null when nothing can free it. */
  readonly payFromCents: number | null;
  /** False when the search for it was cut short: the price is then an upper bound. */
  readonly isProven: boolean;
  /** Operations that it needs beyond those that pay without it. */
  readonly extra: readonly string[];
}

/** Branches for each break-even of a model: few need one in ten of these. */
const mostBranches = 200;

/** Weights are thousandths of a cent, so that a cent of price always shows. */
const fine = 1000;

/** What there is to choose from, at which cost. */
export interface ChoiceGround {
  /** All operations of the situation. */
  readonly operations: readonly Operation[];
  /** Cents of one operation, not negative. */
  readonly cost: (operation: Operation) => number;
  /** False for operations that exist but must not be done. */
  readonly isAllowed: (operation: Operation) => boolean;
}

interface Weighed {
  readonly problem: ClosureProblem;
  /** The item that carries the worth of each prize: it needs its part, and the one that is bound to it. */
  readonly carriers: readonly number[];
}

/** Operations, parts and pairs of bound parts as items of one closure problem. */
function weigh({ operations, cost, isAllowed }: ChoiceGround, prizes: readonly Prize[]): Weighed {
  const clauses: (readonly (readonly number[])[])[] = [...operationClauses(operations)];
  const weights = operations.map((operation) => -Math.round(cost(operation) * fine) || 0);
  const freeing = freeingClauses(
    operations,
    prizes.map(({ part }) => part),
  );
  const partItems = freeing.map((any) => {
    weights.push(0);
    return clauses.push([any]) - 1;
  });
  const carriers = prizes.map((prize, index) => {
    const { part, boundTo } = prize;
    const partner = prizes.findIndex((other) => other.part === boundTo || other.boundTo === part);
    const both = partner === -1 ? [index] : [index, partner];
    weights.push(worthOf(prize, prize.soundCents));
    return clauses.push(both.map((own) => [partItems[own] as number])) - 1;
  });
  const barred = operations.flatMap((operation, index) => (isAllowed(operation) ? [] : [index]));
  return { problem: { weights, clauses, barred }, carriers };
}

const worthOf = ({ chance }: Prize, soundCents: number): number => Math.round(soundCents * chance * fine);

/**
 * The operations whose parts bring most over what they cost, exactly.
 *
 * Additive: each part brings its price times its chance when it is freed, each operation costs the same whenever it is
 * done. What changes of set-up and survival make of it is for `bestPlan` to say: this is where it begins, and its bound.
 */
export function payingParts(ground: ChoiceGround, prizes: readonly Prize[]): PayingParts {
  const { problem } = weigh(ground, prizes);
  const closure = bestClosure(problem) as Closure;
  return chosenBy(closure, ground, prizes);
}

function chosenBy(
  { items, isProven }: Closure,
  { operations, cost }: ChoiceGround,
  prizes: readonly Prize[],
): PayingParts {
  const taken = new Set(items);
  const chosen = operations.filter((_, index) => taken.has(index));
  const freed = new Set(chosen.flatMap(({ frees }) => frees));
  const parts = prizes.filter(({ part }) => freed.has(part)).map(({ part }) => part);
  const isWhole = ({ part, boundTo }: Prize) => {
    const partner = boundTo ?? prizes.find((other) => other.boundTo === part)?.part;
    return partner === undefined || !prizes.some((other) => other.part === partner) || freed.has(partner);
  };
  const worth = prizes
    .filter((prize) => freed.has(prize.part) && isWhole(prize))
    .reduce((sum, { soundCents, chance }) => sum + soundCents * chance, 0);
  const spent = chosen.reduce((sum, operation) => sum + cost(operation), 0);
  return { operations: chosen, parts, netCents: worth - spent, isProven };
}

/**
 * From which price of a sound one each part pays, everything else as it is: at that very cent the plan takes it, a cent
 * below it does not.
 *
 * The best without the part's worth, less the best that is forced to free it, is what its worth must make good.
 *
 * Cost: one closure for each part
 */
export function breakEvens(ground: ChoiceGround, prizes: readonly Prize[]): readonly BreakEven[] {
  const { problem, carriers } = weigh(ground, prizes);
  const choice = new ChoiceOfWeights(problem);
  const now = choice.best({}) as Closure;
  const isTaken = new Set(now.items);
  return prizes.map((prize, index) => {
    const carrier = carriers[index] as number;
    const own = worthOf(prize, prize.soundCents);
    // What is in the best plan stays in it when it is forced, and what is not changes nothing by losing its worth.
    const isIn = isTaken.has(carrier);
    const without = isIn ? (choice.best({ isOut: [carrier], mostNodes: mostBranches }) as Closure) : now;
    const withIt = isIn ? now : choice.best({ isIn: [carrier], mostNodes: mostBranches });
    if (!withIt) return { part: prize.part, payFromCents: null, isProven: true, extra: [] };
    const missing = without.weight - (withIt.weight - own);
    const before = new Set(without.items);
    return {
      part: prize.part,
      payFromCents: leastPrice(prize, missing),
      isProven: without.isProven && withIt.isProven,
      extra: withIt.items.flatMap((item) => (before.has(item) ? [] : (ground.operations[item]?.id ?? []))),
    };
  });
}

/** The least whole price whose worth makes a sum good. Never, where the part has no chance. */
function leastPrice(prize: Prize, missing: number): number | null {
  if (missing <= 0) return 0;
  if (prize.chance <= 0) return null;
  let price = Math.max(0, Math.floor(missing / (prize.chance * fine)) - 1);
  while (worthOf(prize, price) < missing) price += 1;
  return price;
}
