import type { Minutes } from '@/core/procedure/operations';
import { productLimitQuantile, type Span } from '@/core/statistics/productLimit';
import { triangleQuantile } from '@/core/statistics/triangle';

/** What the model's own guess counts for, against steps that were timed. */
const guessWeight = 10;
const guessPoints = 20;

/**
 * Seconds of work that nine of ten of a step stay under: the model's guess at first, and more and more what was timed.
 *
 * @param minutes  of the step by the model
 * @param timed    the same step on other units; the longer ones without an end do not shorten it
 */
export function usualSeconds(minutes: Minutes, timed: readonly Span[], share = 0.9): number {
  const guess = Array.from({ length: guessPoints }, (_, at) => ({
    // At the end of each part, so that what nine of ten stay under by the guess is there as just that.
    seconds: triangleQuantile(minutes, (at + 1) / guessPoints) * 60,
    isCensored: false,
    weight: guessWeight / guessPoints,
  }));
  if (timed.length === 0) return triangleQuantile(minutes, share) * 60;
  const all = [...guess, ...timed];
  return productLimitQuantile(all, share) ?? Math.max(...all.map(({ seconds }) => seconds));
}
