/** What stands on a label: the code, what it is, and one line of fact. */
export interface LabelContent {
  /** Read large, and by a scanner unless the code is another. */
  readonly tag: string;
  readonly code?: string;
  readonly title: string;
  readonly fact: string;
}

/** A luggage label as it is drawn, 70 by 36 mm. */
export const labelMm = { width: 70, height: 36 } as const;

/** The paper it is printed on. */
export type LabelPaper = Readonly<Record<'widthMm' | 'heightMm', number>>;

/** How the drawing goes onto a paper: as large as it fits, in the middle. */
export function fitted({ widthMm, heightMm }: LabelPaper) {
  const scale = Math.min(widthMm / labelMm.width, heightMm / labelMm.height);
  return {
    scale,
    leftMm: (widthMm - labelMm.width * scale) / 2,
    topMm: (heightMm - labelMm.height * scale) / 2,
  };
}
