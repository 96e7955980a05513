/** Three guesses of a length of time: at best, most likely, at worst. */
export interface Triangle {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/**
 * The value below which a share of the triangular distribution lies.
 *
 * @param share  in [0, 1]
 * @returns in [low, high]; that one value when all three are the same
 * @throws RangeError for a share outside, or guesses out of order
 * Source: inverse of the triangular distribution function
 */
export function triangleQuantile({ low, likely, high }: Triangle, share: number): number {
  if (!(share >= 0 && share <= 1)) throw new RangeError(`triangleQuantile: share ${share}`);
  if (!(low <= likely && likely <= high)) throw new RangeError(`triangleQuantile: ${low}, ${likely}, ${high}`);
  const width = high - low;
  if (width === 0) return low;
  return share <= (likely - low) / width
    ? low + Math.sqrt(share * width * (likely - low))
    : high - Math.sqrt((1 - share) * width * (high - likely));
}
