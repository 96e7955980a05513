/** One cause in a Pareto: how often, and the share of all up to and with it. */
export interface ParetoBar<T> {
  readonly item: T;
  readonly count: number;
  readonly cumulativeShare: number;
}

/**
 * Orders causes by how often they came, with running shares.
 *
 * @param causes  counts, not negative; ties keep their order
 * @throws RangeError for a negative count
 */
export function pareto<T>(causes: readonly { readonly item: T; readonly count: number }[]): readonly ParetoBar<T>[] {
  if (causes.some(({ count }) => count < 0)) throw new RangeError('pareto: a count is negative');
  const total = causes.reduce((sum, { count }) => sum + count, 0);
  let running = 0;
  return [...causes]
    .sort((a, b) => b.count - a.count)
    .map(({ item, count }) => {
      running += count;
      return { item, count, cumulativeShare: total === 0 ? 0 : running / total };
    });
}
