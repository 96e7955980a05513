/** A pair of operations and the logs that speak of both. */
export interface OrderPair {
  readonly before: string;
  readonly after: string;
  /** How many logs saw it this way round. */
  readonly seen: number;
}

/**
 * What several logs say together of the order of operations: a pair stands when every log that has both saw it the same
 * way round. Of the pairs that stand only those are returned that do not follow from others; of the pairs that fall, all.
 *
 * Two orders that differ cannot both be forced, so what one log contradicts is not needed. What all agree on may still be
 * habit: that is for a person, or a third log, to say.
 *
 * @param logs  keys of operations in the order they were done, each key once in a log
 * Cost: O(n³) bits for n operations: 300 take some milliseconds
 */
export function supportedOrder(logs: readonly (readonly string[])[]): {
  readonly arcs: readonly OrderPair[];
  readonly contradicted: readonly OrderPair[];
} {
  const keys = [...new Set(logs.flat())];
  const places = logs.map((log) => new Map(log.map((key, at) => [key, at])));
  const stands: boolean[][] = keys.map(() => keys.map(() => false));
  const counts: number[][] = keys.map(() => keys.map(() => 0));
  const contradicted: OrderPair[] = [];
  keys.forEach((a, i) => {
    keys.forEach((b, k) => {
      if (i === k) return;
      const both = places.filter((place) => place.has(a) && place.has(b));
      const seen = both.filter((place) => (place.get(a) as number) < (place.get(b) as number)).length;
      (counts[i] as number[])[k] = seen;
      (stands[i] as boolean[])[k] = both.length > 0 && seen === both.length;
      if (seen > 0 && seen < both.length && i < k) contradicted.push({ before: a, after: b, seen });
    });
  });
  const arcs = keys.flatMap((before, i) =>
    keys.flatMap((after, k) => {
      if (!stands[i]?.[k]) return [];
      const followsFromOthers = keys.some((_, via) => via !== i && via !== k && stands[i]?.[via] && stands[via]?.[k]);
      return followsFromOthers ? [] : [{ before, after, seen: counts[i]?.[k] ?? 0 }];
    }),
  );
  return { arcs, contradicted };
}
