import type { SaleGrade } from '@/core/shared/grades';
import type { Fate } from './problem';

export const matchPlanFormat = 'plucky-parcel/match-plan@1';

/** Where the part of one slot comes from. */
export interface Fill {
  readonly slot: string;
  readonly is: 'lot' | 'offer' | 'donor';
  /** Of the lot or the offer; of a donor its tag. */
  readonly from: string;
  /** The donor's own slot. */
  readonly part?: string;
  readonly grade: SaleGrade;
  /** What it costs the build: `centsOf`. */
  readonly cents: number;
}

/** What becomes of one unit. */
export interface PlannedUnit {
  readonly tag: string;
  readonly fate: Fate;
  /** Of a build or a donor: which of its ways. */
  readonly way?: string;
  readonly sellsAt?: SaleGrade;
  readonly fills: readonly Fill[];
  /** The order that it goes to. */
  readonly order?: string;
  /** Days from now by which it is done. */
  readonly byDays: number;
}

/** A plan: what becomes of every unit. */
export interface MatchPlan {
  readonly format: typeof matchPlanFormat;
  readonly units: readonly PlannedUnit[];
  readonly missing: readonly { readonly order: string; readonly count: number }[];
}
