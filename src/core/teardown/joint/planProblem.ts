import type { Placed, SequenceProblem } from '../order/sequenceProblem';

/**
 * What to take apart and in which order, as one problem: numbers only. Operations are 0…n−1 as in `sequence`, parts are
 * 0…m−1.
 */
export interface PlanProblem {
  /** Every operation that could be done, with its set-ups, its clauses and its minutes. */
  readonly sequence: SequenceProblem;
  /** Cents of a minute of the hand. Waits away from the hand cost nothing; those beside it that nothing fills do. */
  readonly centsPerMinute: number;
  readonly operations: readonly PlanOperation[];
  readonly partCount: number;
  readonly prizes: readonly Prize[];
  /** An assembly that comes out with a part still on it saves whoever fits it the move: cents of that, not negative. */
  readonly carried: readonly Carried[];
  /** Parts that must be freed, whatever that costs. */
  readonly wanted: readonly number[];
}

export interface PlanOperation {
  /** Cents beside the labour, not negative. */
  readonly cents: number;
  /** Chance that it is done once it is begun. What needs it is come to as seldom. */
  readonly yields: number;
  /** It exists and must not be done. */
  readonly isBarred: boolean;
  readonly frees: readonly number[];
  /** What it breaks, while that is still in. */
  readonly risks: readonly { readonly part: number; readonly chance: number }[];
}

/** Brings its money when all of its parts are out and whole: one part, or two that are worth nothing apart. */
export interface Prize {
  readonly parts: readonly number[];
  /** Expected cents when nothing on the way breaks them. */
  readonly cents: number;
}

export interface Carried {
  readonly assembly: number;
  readonly part: number;
  readonly cents: number;
}

/** A plan: what is done, in its order, and what that brings. */
export interface BestPlan {
  readonly order: readonly Placed[];
  /** Expected cents of all it frees, less all it costs. */
  readonly cents: number;
  /** No plan brings more. */
  readonly upperBound: number;
  readonly isProven: boolean;
  /** States that were looked at. */
  readonly states: number;
}

export interface PlanBudget {
  /** States to look at before the best so far is returned. */
  readonly states: number;
}

/** Sums of cents that differ by less are the same. */
export const slack = 1e-6;
