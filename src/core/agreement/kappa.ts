import { per95 } from '@/core/statistics/per95';
import { grades, gradeRank, type Grade } from '@/core/shared/grades';

/** Two grades of one part, by two looks that knew nothing of each other. */
export interface GradePair {
  readonly first: Grade;
  readonly second: Grade;
}

export interface Kappa {
  readonly pairs: number;
  /** Share of pairs with one grade. */
  readonly agreed: number;
  /** Agreement beyond chance, 1 at most; null when both gave but one grade, where chance alone agrees. */
  readonly value: number | null;
  /** Its 95 % interval. */
  readonly low: number;
  readonly high: number;
}

const steps = grades.length - 1;
/** Agreement that two grades count as: all or nothing, or less the further they are apart. */
const weightsOf = {
  plain: (a: number, b: number) => (a === b ? 1 : 0),
  weighted: (a: number, b: number) => 1 - Math.abs(a - b) / steps,
} as const;

/**
 * Cohen's kappa, plain or with linear weights: κ = (po − pe) / (1 − pe), where po is the agreement seen and pe that of chance by
 * the margins. Its interval is from the variance for large samples (Fleiss, Cohen and Everitt 1969), taken of the table with one
 * pair more, spread evenly over its cells, so that a few pairs that all agree are not sure of everything.
 *
 * @param pairs  at least one
 */
export function kappa(pairs: readonly GradePair[], weights: keyof typeof weightsOf): Kappa {
  const weight = weightsOf[weights];
  const table = grades.map(() => grades.map(() => 0));
  for (const { first, second } of pairs) {
    const row = table[gradeRank(first)] as number[];
    row[gradeRank(second)] = (row[gradeRank(second)] ?? 0) + 1;
  }
  const seen = agreement(shares(table, pairs.length, 0), weight);
  const even = agreement(shares(table, pairs.length, 1), weight);
  const value = seen.expected > 1 - 1e-12 ? null : (seen.observed - seen.expected) / (1 - seen.expected);
  const half = per95 * Math.sqrt(even.variance / (pairs.length + 1));
  return {
    pairs: pairs.length,
    agreed: pairs.filter(({ first, second }) => first === second).length / pairs.length,
    value,
    low: Math.max(-1, (value ?? even.kappa) - half),
    high: Math.min(1, (value ?? even.kappa) + half),
  };
}

type Table = readonly (readonly number[])[];

/** @param more  pairs spread evenly over all cells */
const shares = (table: Table, pairs: number, more: number): Table =>
  table.map((row) => row.map((count) => (count + more / grades.length ** 2) / (pairs + more)));

function agreement(table: Table, weight: (a: number, b: number) => number) {
  const at = (a: number, b: number): number => table[a]?.[b] ?? 0;
  const ranks = grades.map((_, rank) => rank);
  const total = (of: (rank: number) => number) => ranks.reduce((sum, rank) => sum + of(rank), 0);
  const rows = ranks.map((a) => total((b) => at(a, b)));
  const columns = ranks.map((b) => total((a) => at(a, b)));
  const share = (margin: readonly number[], rank: number) => margin[rank] ?? 0;
  const both = (of: (a: number, b: number) => number) => total((a) => total((b) => of(a, b)));
  const observed = both((a, b) => weight(a, b) * at(a, b));
  const expected = both((a, b) => weight(a, b) * share(rows, a) * share(columns, b));
  const ofRow = ranks.map((a) => total((b) => weight(a, b) * share(columns, b)));
  const ofColumn = ranks.map((b) => total((a) => weight(a, b) * share(rows, a)));
  const spread = both(
    (a, b) => at(a, b) * (weight(a, b) * (1 - expected) - (share(ofRow, a) + share(ofColumn, b)) * (1 - observed)) ** 2,
  );
  const mean = observed * expected - 2 * expected + observed;
  const variance = Math.max(0, spread - mean ** 2) / (1 - expected) ** 4;
  return { observed, expected, variance, kappa: (observed - expected) / (1 - expected) };
}
