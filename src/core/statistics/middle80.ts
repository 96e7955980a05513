/**
 * The middle 80 % of drawn values: a tenth of them lies below, a tenth above.
 *
 * @param values  at least one, in any order
 * @throws RangeError without a value
 * Cost: O(n log n)
 */
export function middle80(values: readonly number[]): { readonly low: number; readonly high: number } {
  if (values.length === 0) throw new RangeError('middle80: no values');
  const sorted = [...values].sort((a, b) => a - b);
  const below = Math.floor(values.length / 10);
  return { low: sorted[below] as number, high: sorted[values.length - 1 - below] as number };
}
