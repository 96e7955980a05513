/** What the cut says at some prices: a bound, and how far each clause is from being met exactly. */
export interface Priced {
  readonly bound: number;
  /** Per clause with alternatives: 1 for an item taken, less 1 for each alternative taken. */
  readonly lacking: readonly number[];
}

/** So often the prices are changed: each costs a whole cut. */
const rounds = 40;

/** So many changes without a better bound, and they get smaller. */
const patience = 3;

/**
 * Prices on clauses at which the bound is low: a clause that is not met gets dearer for its item, and more for its
 * alternatives.
 *
 * @param count  clauses with alternatives
 * @param found  the weight of the best choice so far, which a change may improve
 * @returns whole prices, none negative
 * Source: M. Held, P. Wolfe, H. Crowder, Validation of subgradient optimization, Mathematical Programming 6 (1974)
 */
export function tunedPrices(
  count: number,
  priced: (prices: readonly number[]) => Priced,
  found: () => number,
): readonly number[] {
  let prices: readonly number[] = new Array<number>(count).fill(0);
  let [best, lowest] = [prices, Infinity];
  let [scale, waited] = [1, 0];
  for (let round = 0; round < rounds; round += 1) {
    const { bound, lacking } = priced(prices);
    if (bound < lowest) [best, lowest, waited] = [prices, bound, 0];
    else waited += 1;
    const length = lacking.reduce((sum, own) => sum + own * own, 0);
    if (lowest <= found() || length === 0) break;
    if (waited >= patience) [scale, waited] = [scale / 2, 0];
    const step = (scale * (bound - found())) / length;
    prices = prices.map((price, at) => Math.max(0, Math.round(price + step * (lacking[at] as number))));
  }
  return best;
}
