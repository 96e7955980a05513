import type { CellLabel } from './pack';

/** How a cell came out, as its grade asks; what a step cannot know (that it was pried) is not among them. */
export const waysFreed = ['strip', 'unfastened', 'solvent', 'warmed'] as const;
export type WayFreed = (typeof waysFreed)[number];

/** What was found out about a cell beside its grade: its label, what its unit said of it, and the log that was counted. */
export interface CellRecord {
  /** Read at release. */
  readonly label?: CellLabel;
  /** The unit's own reading before it came out, in % of the label. */
  readonly gaugeShare?: number;
  /** By the analyser alone, in % of the label, and half of its 95 % interval. */
  readonly analyserShare?: number;
  readonly analyserPlusMinus?: number;
  /** What was counted between full and the cut-off. */
  readonly ampHours?: number;
  readonly wattHours?: number;
  readonly samples?: number;
  readonly gaps?: number;
  readonly celsius?: number;
  /** Of the whole pack at rest, when it was last put away or topped up, in volts. */
  readonly restVolt?: number;
}
