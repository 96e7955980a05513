/** A part that was promised to a unit and does not lie on the shelf yet. */
export interface OnItsWay {
  readonly interchange: string;
  /** The unit that gets it. */
  readonly for: string;
  /** Tag of the part, or of the unit that it is still in. */
  readonly from: string;
  readonly at: 'teardown' | 'grade' | 'to-shelve';
}
