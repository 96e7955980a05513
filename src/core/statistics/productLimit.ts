/** A length of time, or the least that it was when nobody saw its end. */
export interface Span {
  readonly seconds: number;
  readonly isCensored: boolean;
  /** How many it counts for; 1 unless given. */
  readonly weight?: number;
}

/**
 * The length of time that a share of all spans stay under, with those of unknown end counted for as long as they were
 * seen.
 *
 * @param share  in (0, 1)
 * @returns null when too many are censored for the share to be reached, or there is none
 * Source: product-limit estimator (Kaplan and Meier, 1958)
 */
export function productLimitQuantile(spans: readonly Span[], share: number): number | null {
  if (!(share > 0 && share < 1)) throw new RangeError(`productLimitQuantile: share ${share}`);
  // At the same length an end is counted before a span that was lost sight of.
  const sorted = [...spans].sort((a, b) => a.seconds - b.seconds || Number(a.isCensored) - Number(b.isCensored));
  let atRisk = sorted.reduce((sum, { weight = 1 }) => sum + weight, 0);
  let lasting = 1;
  for (const { seconds, isCensored, weight = 1 } of sorted) {
    if (!isCensored) lasting *= 1 - weight / atRisk;
    atRisk -= weight;
    // A hair's breadth for what floating point leaves over.
    if (!isCensored && 1 - lasting >= share - 1e-12) return seconds;
  }
  return null;
}
