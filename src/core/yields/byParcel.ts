import { effectiveTrials, strayWeight, type GroupCount, type Series } from '@/core/statistics/strayWeight';

/** Successes among the trials of one thing in one parcel. */
export interface ParcelCount extends GroupCount {
  readonly parcelId: string;
}

/** So many trials a parcel's own share is expected to be worth about the shop's, before parcels say it. A guess of ours. */
const expectedAlike = 40;

/**
 * How far parcels stray from the shop's shares: units of one parcel come from one hand, and what is true of one is likelier
 * true of the next. See `strayWeight`.
 *
 * @param kinds  counts by parcel of things that stray alike, and what is expected of each before any is counted
 */
export const alikeParcels = (kinds: readonly { counts: readonly ParcelCount[]; prior: Series['prior'] }[]): number =>
  strayWeight(
    kinds.map(({ counts, prior }) => ({ groups: counts, prior })),
    expectedAlike,
  );

/** What the counts of several parcels say of the shop, as trials that have nothing to do with each other would. */
export function acrossParcels(counts: readonly GroupCount[], alike: number): GroupCount {
  let [good, sought] = [0, 0];
  for (const own of counts) {
    if (own.sought === 0) continue;
    const worth = effectiveTrials(own.sought, alike);
    good += (own.good / own.sought) * worth;
    sought += worth;
  }
  return { good, sought };
}
