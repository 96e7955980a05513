import type { Message } from '@/core/shared/message';
import type { Disposition } from '@/core/entities/stages';

/** A line of the arithmetic behind a figure. */
export interface Figure {
  readonly says: Message<'triage'>;
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
  readonly because: Message<'triage'>;
  readonly isPossible: boolean;
  /** Its arithmetic; the sum is what it brings when all goes as expected. */
  readonly figures: readonly Figure[];
}
