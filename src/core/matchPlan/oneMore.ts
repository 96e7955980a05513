import type { SaleGrade } from '@/core/shared/grades';
import type { Formulation } from './formulate';
import { centsOf, rankOf, type Lot, type MatchProblem } from './problem';

/** What there could be one more of: a part of a class and grade, or a unit like those of a group. */
export type Wanted =
  | { readonly is: 'part'; readonly of: string; readonly grade: SaleGrade; readonly worthCents: number }
  | { readonly is: 'unit'; readonly group: string };

/** Parts are asked for in this grade: what is usual. */
const askedGrade = 'B';

const extraLot = 'one-more';

/** A lot of the one part that is asked for. */
const lotOf = ({ of, grade, worthCents }: Extract<Wanted, { is: 'part' }>): Lot => ({
  id: extraLot,
  of,
  grade,
  count: 1,
  worthCents,
});

/**
 * What one more of would bring most, as the relaxed programme has it: where to look, no answer. The answer is what the plan brings
 * more `withOneMore`.
 *
 * @param duals  what one more of each row's bound is worth, as the solver gives it for the relaxed programme: a column's reduced cost is its
 *   gain less those of its rows
 * @param most  so many parts, and so many units
 * Source: shadow prices, any text on linear programming
 */
export function mostWanted(
  problem: MatchProblem,
  { slotRows, unitRows, kinds }: Pick<Formulation, 'slotRows' | 'unitRows' | 'kinds'>,
  duals: ArrayLike<number>,
  most: { readonly parts: number; readonly units: number },
): readonly Wanted[] {
  const worthOf = new Map<string, number>();
  for (const { of, grade, worthCents } of [...problem.lots, ...problem.offers])
    if (grade === askedGrade) worthOf.set(of, worthCents);
  const rank = rankOf(askedGrade);
  const best = new Map<string, number>();
  for (const { key, need } of kinds) {
    const lot = lotOf({ is: 'part', of: need.of, grade: askedGrade, worthCents: worthOf.get(need.of) ?? 0 });
    const byDue = new Map<number, number>();
    for (const row of slotRows)
      if (row.kind === key && row.rank >= rank)
        byDue.set(row.by, (byDue.get(row.by) ?? 0) - (duals[row.row] as number));
    for (const gain of byDue.values())
      best.set(need.of, Math.max(best.get(need.of) ?? 0, gain - centsOf({ is: 'lot', lot }, need)));
  }
  const parts = [...best]
    .filter(([, gain]) => gain > 1)
    .sort(([, a], [, b]) => b - a)
    .slice(0, most.parts)
    .map(([of]): Wanted => ({ is: 'part', of, grade: askedGrade, worthCents: worthOf.get(of) ?? 0 }));
  const units = unitRows
    .map(({ row, group }) => ({ group, gain: duals[row] as number }))
    .filter(({ gain }) => gain > 1)
    .sort((a, b) => b.gain - a.gain)
    .slice(0, most.units)
    .map(({ group }): Wanted => ({ is: 'unit', group }));
  return [...parts, ...units];
}

/** The same problem with one more. */
export function withOneMore(problem: MatchProblem, wanted: Wanted): MatchProblem {
  if (wanted.is === 'part') return { ...problem, lots: [...problem.lots, lotOf(wanted)] };
  const units = problem.units.map((group) =>
    group.id === wanted.group ? { ...group, tags: [...group.tags, extraLot] } : group,
  );
  return { ...problem, units };
}
