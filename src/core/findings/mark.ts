import type { Finding } from '@/core/procedure/vocabulary';

/** A mark on the drawing: the face is a keypad of nine fields, 7 8 9 on top, as under the right hand. */
export interface Mark {
  readonly kind: Finding;
  readonly face: string;
  readonly field: number;
  /** Of a dent: marking the same place again makes it a millimetre deeper. */
  readonly depthMm?: number;
}

/** All that was found on one unit: marks from outside, and what came to light inside, which has no place on a face. */
export interface Found {
  readonly marks: readonly Mark[];
  readonly found?: readonly Finding[];
}

/** Every kind of thing found, once. */
export const kindsFound = ({ marks, found = [] }: Found): readonly Finding[] => [
  ...new Set([...marks.map(({ kind }) => kind), ...found]),
];

/** What is known of a unit when its sheet knows of these findings too. */
export const withFindings = ({ marks }: Pick<Found, 'marks'>, findings: readonly Finding[]): Required<Found> => ({
  marks,
  found: findings.filter((finding) => !marks.some(({ kind }) => kind === finding)),
});
