/** One line of an analyser's log. */
export interface Sample {
  /** Seconds since the log began. */
  readonly s: number;
  readonly volt: number;
  /** Either sign may be the discharge: analysers do not agree. */
  readonly ampere: number;
  readonly celsius?: number;
}
