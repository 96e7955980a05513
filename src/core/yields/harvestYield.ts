import { clearlyBelow } from '@/core/statistics/clearlyBelow';
import type { ShareInterval } from '@/core/statistics/jeffreysInterval';
import { pooledWeight } from '@/core/statistics/pooledWeight';
import { shrunkShare } from '@/core/statistics/shrunkShare';
import { message, type Message } from '@/core/shared/message';
import { grouped } from '@/core/shared/grouped';
import {
  outcomesAcross,
  partKey,
  partsAlike,
  startingPartWeight,
  type OutcomeCount,
  type ParcelOutcome,
} from './parcelOutcomes';

export interface HarvestYield extends OutcomeCount {
  /** Drawn towards what all parts together give, as far as the parts of this shop are alike. */
  readonly interval: ShareInterval;
  /** Worse than the others, and not by accident: see `clearlyBelow`. */
  readonly isBelow: boolean;
  /** "9 of 12 good; expect 47 to 91 %". */
  readonly says: Message<'yields'>;
}

/**
 * Harvest yields with their intervals, most sought first, then by model and part. Of a part that was sought seldom little
 * is believed: it is drawn towards all of them (partial pooling), by a weight that the counts themselves give. The parts of
 * one parcel say less than as many of different ones, by as much as parcels stray.
 *
 * @param alike  how far they stray, where that is known already
 */
export function harvestYields(
  outcomes: readonly ParcelOutcome[],
  alike = partsAlike(outcomes),
): readonly HarvestYield[] {
  const counts = outcomesAcross(outcomes, alike);
  const whole = [...grouped(outcomes, partKey).values()].map((own) => ({
    good: own.reduce((sum, { good }) => sum + good, 0),
    sought: own.reduce((sum, { sought }) => sum + sought, 0),
  }));
  const [good, sought] = [
    counts.reduce((sum, own) => sum + own.good, 0),
    counts.reduce((sum, own) => sum + own.sought, 0),
  ];
  const prior = (good + 0.5) / (sought + 1);
  const weight = pooledWeight(
    counts.map((own) => ({ ...own, prior })),
    startingPartWeight,
  );
  const below = clearlyBelow(counts.map(wholeTrials));
  return counts
    .map((count, at) => {
      const { share, low, high } = shrunkShare(count.good, count.sought, prior, weight, 0.95);
      const interval = { estimate: share, low, high };
      const seen = { ...count, ...(whole[at] as (typeof whole)[number]) };
      return { ...seen, interval, isBelow: below[at] === true, says: sayYield(seen, interval) };
    })
    .sort((a, b) => b.sought - a.sought || a.modelId.localeCompare(b.modelId) || a.partRef.localeCompare(b.partRef));
}

/** The whole trials that come nearest, rounded in favour of the part: nobody is named for a fraction. */
function wholeTrials({ good, sought }: OutcomeCount) {
  const bad = Math.floor(sought - good + rounding);
  return { good: Math.ceil(good - rounding), sought: Math.ceil(good - rounding) + bad };
}
const rounding = 1e-9;

export function sayYield(
  { good, sought }: Pick<OutcomeCount, 'good' | 'sought'>,
  { low, high }: ShareInterval,
): Message<'yields'> {
  return message('yields.goodExpectTo', { good, sought, low: low * 100, high: high * 100 });
}
