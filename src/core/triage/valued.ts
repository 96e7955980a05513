import type { Disposition } from '@/core/bench/stages';

/** A line of the arithmetic behind a figure. */
export interface Figure {
  readonly says: string;
  readonly cents: number;
}

/** What a choice for a unit is worth to the shop after parts and labour. */
export interface Valued {
  readonly disposition: Disposition;
  /** Expected cents. */
  readonly cents: number;
  /** Ends of the middle 80 %. */
  readonly lowCents: number;
  readonly highCents: number;
  /** The numbers that decide it, in a sentence. */
  readonly because: string;
  readonly isPossible: boolean;
  /** Its arithmetic; the sum is what it brings when all goes as expected. */
  readonly figures: readonly Figure[];
}
