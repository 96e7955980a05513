import { jeffreysInterval, type ShareInterval } from '@/core/statistics/jeffreysInterval';
import { message, type Message } from '@/core/shared/message';

/** What became of the parts of one kind that were sought: from the log, nothing typed in. */
export interface OutcomeCount {
  readonly modelId: string;
  readonly partRef: string;
  readonly good: number;
  readonly sought: number;
}

export interface HarvestYield extends OutcomeCount {
  readonly interval: ShareInterval;
  /** "9 of 12 good; expect 47 to 91 %". */
  readonly says: Message<'yields'>;
}

/** Harvest yields with their intervals, most sought first, then by model and part. */
export function harvestYields(counts: readonly OutcomeCount[]): readonly HarvestYield[] {
  return counts
    .map((count) => {
      const interval = jeffreysInterval(count.good, count.sought);
      return { ...count, interval, says: sayYield(count, interval) };
    })
    .sort((a, b) => b.sought - a.sought || a.modelId.localeCompare(b.modelId) || a.partRef.localeCompare(b.partRef));
}

export function sayYield(
  { good, sought }: Pick<OutcomeCount, 'good' | 'sought'>,
  { low, high }: ShareInterval,
): Message<'yields'> {
  return message('yields.goodExpectTo', { good, sought, low: low * 100, high: high * 100 });
}
