import type { Point } from '@/core/procedure/faces';

export interface Box {
  readonly xMm: number;
  readonly yMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** Parts of the height at which a name may stand: the middle first, then as near to it as there is room. */
const heights = [0.5, 0.36, 0.64, 0.24, 0.76, 0.14, 0.86];

/**
 * Where the middle of a name stands in its outline, so that no joint or sign is printed over it; where everything is
 * taken, where the fewest are.
 *
 * @param name       how large the name is, in millimetres
 * @param obstacles  middles of what is drawn over the outline
 * @param reach      how far those reach, in millimetres
 */
export function labelPlace(
  outline: Box,
  name: { readonly widthMm: number; readonly heightMm: number },
  obstacles: readonly Point[],
  reach: number,
): Point {
  const xMm = outline.xMm + outline.widthMm / 2;
  const fits = heights
    .map((share) => outline.yMm + outline.heightMm * share)
    .filter((yMm, at) => at === 0 || isInside(outline, yMm, name.heightMm));
  const hits = (yMm: number) =>
    obstacles.filter(
      (point) =>
        Math.abs(point.xMm - xMm) < name.widthMm / 2 + reach && Math.abs(point.yMm - yMm) < name.heightMm / 2 + reach,
    ).length;
  const yMm = fits.reduce((best, next) => (hits(next) < hits(best) ? next : best));
  return { xMm, yMm };
}

const isInside = (outline: Box, yMm: number, heightMm: number): boolean =>
  yMm - heightMm / 2 >= outline.yMm && yMm + heightMm / 2 <= outline.yMm + outline.heightMm;
