import { clearlyBelow } from '@/core/statistics/clearlyBelow';
import type { ShareInterval } from '@/core/statistics/jeffreysInterval';
import { pooledWeight } from '@/core/statistics/pooledWeight';
import { shrunkShare } from '@/core/statistics/shrunkShare';
import { message, type Message } from '@/core/shared/message';

/** What became of the parts of one kind that were sought: from the log, nothing typed in. */
export interface OutcomeCount {
  readonly modelId: string;
  readonly partRef: string;
  readonly good: number;
  readonly sought: number;
}

export interface HarvestYield extends OutcomeCount {
  /** Drawn towards what all parts together give, as far as the parts of this shop are alike. */
  readonly interval: ShareInterval;
  /** Worse than the others, and not by accident: see `clearlyBelow`. */
  readonly isBelow: boolean;
  /** "9 of 12 good; expect 47 to 91 %". */
  readonly says: Message<'yields'>;
}

/** Trials that the share of all parts is worth for one part, before the counts say it. */
const startingWeight = 4;

/**
 * Harvest yields with their intervals, most sought first, then by model and part. Of a part that was sought seldom little
 * is believed: it is drawn towards all of them (partial pooling), by a weight that the counts themselves give.
 */
export function harvestYields(counts: readonly OutcomeCount[]): readonly HarvestYield[] {
  const [good, sought] = [
    counts.reduce((sum, own) => sum + own.good, 0),
    counts.reduce((sum, own) => sum + own.sought, 0),
  ];
  const prior = (good + 0.5) / (sought + 1);
  const weight = pooledWeight(
    counts.map((own) => ({ ...own, prior })),
    startingWeight,
  );
  const below = clearlyBelow(counts);
  return counts
    .map((count, at) => {
      const { share, low, high } = shrunkShare(count.good, count.sought, prior, weight, 0.95);
      const interval = { estimate: share, low, high };
      return { ...count, interval, isBelow: below[at] === true, says: sayYield(count, interval) };
    })
    .sort((a, b) => b.sought - a.sought || a.modelId.localeCompare(b.modelId) || a.partRef.localeCompare(b.partRef));
}

export function sayYield(
  { good, sought }: Pick<OutcomeCount, 'good' | 'sought'>,
  { low, high }: ShareInterval,
): Message<'yields'> {
  return message('yields.goodExpectTo', { good, sought, low: low * 100, high: high * 100 });
}
