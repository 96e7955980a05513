/** What stands on a label: the code, what it is, and one line of fact. */
export interface LabelContent {
  readonly tag: string;
  readonly title: string;
  readonly fact: string;
}

/** A luggage label, 70 by 36 mm. */
export const labelMm = { width: 70, height: 36 } as const;
