import type { FactKind } from './facts';

/** What of the history somebody wants to see; what is left out is everything. */
export interface HistoryQuery {
  readonly personId?: string;
  readonly bench?: string;
  readonly kind?: FactKind;
  /** The shop's day, ISO. */
  readonly day?: string;
  /** Only what came before this position of the log. */
  readonly before?: number;
}
