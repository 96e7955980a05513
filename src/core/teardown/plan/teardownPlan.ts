import type { Operation } from '@/core/procedure/operations';
import type { Situation } from '@/core/procedure/situation';
import type { TimedStep } from '../order/sequenceProblem';
import type { BatchMinutes } from './batchMinutes';
import type { ResistanceCount } from '../policy/learnedOdds';

/** What the lead asks for. */
export type PlanAim =
  | { readonly kind: 'pays' }
  | { readonly kind: 'everything' }
  | { readonly kind: 'parts'; readonly parts: readonly string[] };

/** What is known of a part of this unit that has a worth. */
export interface PartKnowledge {
  readonly part: string;
  /** What a sound one brings today, in whole cents. */
  readonly soundCents: number;
  /** Chance that it comes out sound, with its 80 % range. */
  readonly chance: number;
  readonly lowChance: number;
  readonly highChance: number;
  /** From units that were taken apart, so that what its own way risks is in the chance already. */
  readonly isSeen: boolean;
}

export interface PlanRequest extends Situation {
  readonly aim: PlanAim;
  readonly parts: readonly PartKnowledge[];
  /** Parts of this unit that are scrap already: a short cut may destroy them. */
  readonly scrap: readonly string[];
  /** How joints of this model have resisted so far. */
  readonly resistances?: readonly ResistanceCount[];
  /** Units that are planned alike, one unless said. */
  readonly units?: number;
}

/** What becomes of a part: freed for its worth, out because it lies on the way, left in, or out of reach. */
export type Verdict = 'free' | 'along' | 'leave' | 'unreachable';

export interface PlanLine extends PartKnowledge {
  readonly name: string;
  readonly verdict: Verdict;
  /** Least price of a sound one at which it pays; null when none does. */
  readonly payFromCents: number | null;
  /** False when the search for that price was cut short: it is then near it. */
  readonly isPriceProven: boolean;
  /** Cents that the plan adds for the moves a whole assembly saves, or takes off a part that leaves one bare. */
  readonly carriedCents: number;
  /** Expected attended minutes beyond what pays without it. */
  readonly extraMinutes: number;
}

export interface OrderCost {
  readonly minutes: number;
  readonly toolChanges: number;
  readonly turns: number;
  /** Minutes in which the hand waits. */
  readonly waiting: number;
}

export interface TeardownPlan {
  /** In the order in which they are done, each with its tool. */
  readonly operations: readonly Operation[];
  readonly steps: readonly TimedStep[];
  readonly cost: OrderCost;
  /** No choice and no order brings more. */
  readonly isProven: boolean;
  /** Cents that another plan could bring more at most; of a proven one, none. */
  readonly missingCents: number;
  /** The same operations as the author wrote them down. */
  readonly authorCost: OrderCost;
  readonly handMinutes: number;
  readonly lines: readonly PlanLine[];
  /** Expected worth of the parts less the labour: changes, and waits beside the hand that nothing fills, included. */
  readonly netCents: number;
  readonly curve: readonly CurvePoint[];
  readonly batch: BatchMinutes;
}

/** What a unit has brought after so many operations. */
export interface CurvePoint {
  readonly done: number;
  readonly operation: string | null;
  readonly frees: readonly string[];
  /** Expected worth of what is out, less the labour so far, with its 80 % range. */
  readonly cents: number;
  readonly lowCents: number;
  readonly highCents: number;
}
