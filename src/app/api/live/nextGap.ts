export const leastGapMs = 1000;
export const longestGapMs = 15_000;
const much = 0.7;
const little = 0.4;
const step = 1.3;

/**
 * How long screens should wait before they are read again once more: a second while the server has time, longer from look to
 * look while it is busy, since a bench that waits for its fact comes before a screen that follows.
 *
 * @param gapMs  so far
 * @param load   share of its time that the server was busy since the last look, 0 to 1
 */
export function nextGap(gapMs: number, load: number): number {
  if (load > much) return Math.min(longestGapMs, gapMs * step);
  if (load < little) return Math.max(leastGapMs, gapMs / step);
  return gapMs;
}
