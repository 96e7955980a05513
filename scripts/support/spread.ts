export interface Spread {
  readonly median: number;
  readonly p95: number;
}

/** Half of the values are at most the median, and all but one of twenty at most `p95`. */
export function spreadOf(values: readonly number[]): Spread {
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
  return { median: at(0.5), p95: at(0.95) };
}
