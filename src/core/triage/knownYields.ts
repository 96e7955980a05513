import type { KnownShare } from '@/core/teardown/worth/partChance';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import { pooledWeight } from '@/core/statistics/pooledWeight';
import { shrunkShare } from '@/core/statistics/shrunkShare';
import type { OutcomeCount } from '@/core/yields/harvestYield';

/** What share of a part comes out good: the middle of what is known, an 80 % range, and how many trials that is worth. */
export type KnownYield = KnownShare;

const level = 0.8;

/** What a shop expects that has sought nothing: as if one part had come out good, and another half. Hopeful, and wide. */
const start = { good: 1.5, sought: 2 };
/** So many trials what is known of other parts counts for, before the counts say it. */
const startingPartWeight = 4;

/** A part that was never sought in a shop that has sought none. */
export const unseenYield: KnownYield = shrunkShare(0, 0, start.good / start.sought, start.sought, level);

interface Tried {
  readonly good: number;
  readonly sought: number;
}

/** Each drawn towards what the others give: the less is known of it, the more, and by as much as they are alike. */
function pooled(counts: readonly Tried[], before: Tried, startingWeight: number): readonly KnownYield[] {
  const good = counts.reduce((sum, count) => sum + count.good, before.good);
  const sought = counts.reduce((sum, count) => sum + count.sought, before.sought);
  const known = counts.map((count) => ({ ...count, prior: (good - count.good) / (sought - count.sought) }));
  const weight = pooledWeight(known, startingWeight);
  return known.map((count) => shrunkShare(count.good, count.sought, count.prior, weight, level));
}

/**
 * Yields by model and part. Of a part that was seldom sought little is believed: it is drawn towards what the others of the
 * shop give, by a weight that the counts themselves say. Computed once on the server: the quantiles are too heavy for a first
 * load.
 */
export function knownYields(
  counts: readonly OutcomeCount[],
): Readonly<Record<string, Readonly<Record<string, KnownYield>>>> {
  const yields: Record<string, Record<string, KnownYield>> = {};
  pooled(counts, start, startingPartWeight).forEach((known, at) => {
    const { modelId, partRef } = counts[at] as OutcomeCount;
    (yields[modelId] ??= {})[partRef] = known;
  });
  return yields;
}

/** What to expect of a part that was never sought: what the shop's parts give, as widely as they differ. */
export const knownUnseen = (counts: readonly OutcomeCount[]): KnownYield =>
  pooled([...counts, { good: 0, sought: 0 }], start, start.sought).at(-1) as KnownYield;

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
    return { ...count, prior: (good + start.good) / (sought + start.sought) };
  });
  const weight = pooledWeight(known, startingWeight);
  const yields: Record<string, Partial<Record<Finding, Record<string, KnownYield>>>> = {};
  for (const { modelId, partRef, finding, good, sought, prior } of known) {
    const ofModel = (yields[modelId] ??= {});
    (ofModel[finding] ??= {})[partRef] = shrunkShare(good, sought, prior, weight, level);
  }
  return yields;
}

/** Quick tests before any was noted: as if ten had been, and most were sound. */
const startingTests: Tried = { good: 8.5, sought: 10 };

/** What is assumed of a test that was never noted on any unit. */
export const unknownTest: KnownYield = shrunkShare(
  0,
  0,
  startingTests.good / startingTests.sought,
  startingTests.sought,
  level,
);

/** How often quick tests come out sound, from what was noted on units so far, each drawn towards the others. */
export function knownTests(
  counts: readonly { readonly test: DeviceTest; readonly sound: number; readonly noted: number }[],
): Readonly<Partial<Record<DeviceTest, KnownYield>>> {
  const known = pooled(
    counts.map(({ sound, noted }) => ({ good: sound, sought: noted })),
    startingTests,
    startingTests.sought,
  );
  return Object.fromEntries(counts.map(({ test }, at) => [test, known[at] as KnownYield]));
}
