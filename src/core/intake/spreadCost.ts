import type { CostRule } from '@/core/shared/costRule';

export interface CostItem {
  /** What the unit is expected to bring, in cents; null while nobody knows. */
  readonly expectedCents: number | null;
  /** List price of its model at grade B; null when the model is not known. */
  readonly listCents: number | null;
}

/**
 * What each unit of a parcel has cost, in whole cents that sum to what was paid.
 *
 * _Even_: the same for each. _By value_: in proportion to what each is expected to bring; one that brings nothing costs
 * nothing. _By model_: in proportion to list prices. What is not known counts as the mean of what is; when nothing is known,
 * the rule is even. Cents that are left over go to the units whose share was cut most (largest remainders).
 *
 * @throws RangeError for a negative or fractional amount
 */
export function spreadCost(paidCents: number, items: readonly CostItem[], rule: CostRule): readonly number[] {
  if (!Number.isInteger(paidCents) || paidCents < 0) throw new RangeError(`spreadCost: ${paidCents} cents`);
  if (items.length === 0) return [];
  const weights = weightsOf(items, rule);
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const exact = weights.map((weight) => (total > 0 ? (paidCents * weight) / total : paidCents / items.length));
  const cents = exact.map(Math.floor);
  const left = paidCents - cents.reduce((sum, share) => sum + share, 0);
  const byRemainder = exact
    .map((share, at) => ({ at, remainder: share - (cents[at] as number) }))
    .sort((a, b) => b.remainder - a.remainder || a.at - b.at);
  for (const { at } of byRemainder.slice(0, left)) cents[at] = (cents[at] as number) + 1;
  return cents;
}

function weightsOf(items: readonly CostItem[], rule: CostRule): readonly number[] {
  if (rule === 'even') return items.map(() => 1);
  const known = items.map(({ expectedCents, listCents }) => {
    const cents = rule === 'by-value' ? expectedCents : listCents;
    return cents === null ? null : Math.max(0, cents);
  });
  const sure = known.filter((cents) => cents !== null);
  const mean = sure.length > 0 ? sure.reduce((sum, cents) => sum + cents, 0) / sure.length : 1;
  return known.map((cents) => cents ?? mean);
}
