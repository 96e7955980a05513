import type { KnownShare } from '@/core/teardown/worth/partChance';
import { jeffreysInterval } from '@/core/statistics/jeffreysInterval';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import { pooledWeight } from '@/core/statistics/pooledWeight';
import { shrunkShare } from '@/core/statistics/shrunkShare';
import type { OutcomeCount } from '@/core/yields/harvestYield';

/** What share of a part comes out good: the middle of what is known, an 80 % range, and how many trials that is worth. */
export type KnownYield = KnownShare;

const level = 0.8;
const known = (good: number, sought: number): KnownYield => {
  const { low, high } = jeffreysInterval(good, sought, level);
  // The mean of the same Beta that the interval is cut from: never quite 0 or 1.
  return { share: (good + 0.5) / (sought + 1), low, high, weight: sought + 1 };
};

/** A part that was never sought counts like one that came out good once: hopeful, and as wide as one trial is. */
export const unseenYield: KnownYield = known(1, 1);

/** Yields by model and part. Computed once on the server: the quantiles are too heavy for a first load. */
export function knownYields(
  counts: readonly OutcomeCount[],
): Readonly<Record<string, Readonly<Record<string, KnownYield>>>> {
  const yields: Record<string, Record<string, KnownYield>> = {};
  for (const { modelId, partRef, good, sought } of counts) (yields[modelId] ??= {})[partRef] = known(good, sought);
  return yields;
}

/** So many trials what is known of other units counts for, where one condition is asked about and nothing says how many. */
const startingWeight = 6;

/**
 * Yields of units on which something was found, by model, finding and part, drawn towards those of the units on which it
 * was not. How far is what the counts say: where findings change little, much.
 *
 * @param all  of all units, those with the finding among them
 */
export function knownYieldsGiven(
  counts: readonly (OutcomeCount & { readonly finding: Finding })[],
  all: readonly OutcomeCount[],
): Readonly<Record<string, Readonly<Partial<Record<Finding, Readonly<Record<string, KnownYield>>>>>>> {
  const whole = new Map(all.map((count) => [`${count.modelId}/${count.partRef}`, count]));
  const known = counts.map((count) => {
    const own = whole.get(`${count.modelId}/${count.partRef}`);
    const [good, sought] = [(own?.good ?? count.good) - count.good, (own?.sought ?? count.sought) - count.sought];
    return { ...count, prior: sought > 0 ? (good + 0.5) / (sought + 1) : unseenYield.share };
  });
  const weight = pooledWeight(known, startingWeight);
  const yields: Record<string, Partial<Record<Finding, Record<string, KnownYield>>>> = {};
  for (const { modelId, partRef, finding, good, sought, prior } of known) {
    const ofModel = (yields[modelId] ??= {});
    (ofModel[finding] ??= {})[partRef] = shrunkShare(good, sought, prior, weight, level);
  }
  return yields;
}

/** How often quick tests come out sound, from what was noted on units so far. */
export const knownTests = (
  counts: readonly { readonly test: DeviceTest; readonly sound: number; readonly noted: number }[],
): Readonly<Partial<Record<DeviceTest, KnownYield>>> =>
  Object.fromEntries(counts.map(({ test, sound, noted }) => [test, known(sound, noted)]));
