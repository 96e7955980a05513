import type { KnownShare } from '@/core/teardown/worth/partChance';
import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import { pooledWeight } from '@/core/statistics/pooledWeight';
import { shrunkShare } from '@/core/statistics/shrunkShare';
import { grouped } from '@/core/shared/grouped';
import { acrossParcels } from '@/core/yields/byParcel';
import {
  outcomesAcross,
  partKey,
  partsAlike,
  startingOutcome as start,
  startingPartWeight,
  type OutcomeCount,
  type ParcelOutcome,
} from '@/core/yields/parcelOutcomes';

/** What share of a part comes out good: the middle of what is known, an 80 % range, and how many trials that is worth. */
export type KnownYield = KnownShare;

type ByPart<Known> = Readonly<Record<string, Known>>;

/** What is known of the yields of all parts. */
export interface KnownParts {
  /** By model and part; a part that is not listed was never sought. */
  readonly yields: Readonly<Record<string, ByPart<KnownYield>>>;
  /** The same of units on which something was found. */
  readonly yieldsGiven: Readonly<Record<string, Readonly<Partial<Record<Finding, ByPart<KnownYield>>>>>>;
  /** What to expect of a part that was never sought: what the shop's parts give, as widely as they differ. */
  readonly unseen: KnownYield;
  /** How far the yields of one parcel stray from these. */
  readonly alike: number;
}

const level = 0.8;

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

/** Outcomes of units on which something was found. */
export type OutcomeGiven = ParcelOutcome & { readonly finding: Finding };

/**
 * Yields by model and part. Of a part that was seldom sought little is believed: it is drawn towards what the others of the
 * shop give, by a weight that the counts themselves say; and parts of one parcel say less than as many of different ones.
 * Computed once on the server: the quantiles are too heavy for a first load.
 *
 * @param outcomes  of all units by parcel, those with findings among them
 */
export function knownParts(outcomes: readonly ParcelOutcome[], given: readonly OutcomeGiven[]): KnownParts {
  const alike = partsAlike(outcomes);
  const counts = outcomesAcross(outcomes, alike);
  const yields: Record<string, Record<string, KnownYield>> = {};
  pooled(counts, start, startingPartWeight).forEach((known, at) => {
    const { modelId, partRef } = counts[at] as OutcomeCount;
    (yields[modelId] ??= {})[partRef] = known;
  });
  return {
    alike,
    yields,
    yieldsGiven: knownGiven(given, outcomes, alike),
    unseen: pooled([...counts, { good: 0, sought: 0 }], start, start.sought).at(-1) as KnownYield,
  };
}

/** So many trials what is known of other units counts for, where one condition is asked about and nothing says how many. */
const startingWeight = 6;

/**
 * Yields of units on which something was found, by model, finding and part, drawn towards those of the units on which it
 * was not. How far is what the counts say: where findings change little, much.
 */
function knownGiven(
  given: readonly OutcomeGiven[],
  outcomes: readonly ParcelOutcome[],
  alike: number,
): KnownParts['yieldsGiven'] {
  const whole = grouped(outcomes, partKey);
  const known = [...grouped(given, (own) => `${partKey(own)}/${own.finding}`).values()].map((counts) => {
    const [{ modelId, partRef, finding }] = counts as readonly [OutcomeGiven];
    const found = new Map(counts.map((count) => [count.parcelId, count]));
    const others = (whole.get(partKey({ modelId, partRef })) ?? []).map(({ parcelId, good, sought }) => ({
      good: good - (found.get(parcelId)?.good ?? 0),
      sought: sought - (found.get(parcelId)?.sought ?? 0),
    }));
    const rest = acrossParcels(others, alike);
    const prior = (rest.good + start.good) / (rest.sought + start.sought);
    return { modelId, partRef, finding, ...acrossParcels(counts, alike), prior };
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
export const startingTests: Tried = { good: 8.5, sought: 10 };

/** What is assumed of a test that was never noted on any unit. */
export const unknownTest: KnownYield = shrunkShare(
  0,
  0,
  startingTests.good / startingTests.sought,
  startingTests.sought,
  level,
);

/** How a quick test came out on the units of one parcel, where it was noted. */
export interface TestCount {
  readonly test: DeviceTest;
  readonly parcelId: string;
  readonly good: number;
  readonly sought: number;
}

/**
 * How often quick tests come out sound, from what was noted on units so far, each drawn towards the others.
 *
 * @param alike  how far parcels stray
 */
export function knownTests(
  counts: readonly TestCount[],
  alike: number,
): Readonly<Partial<Record<DeviceTest, KnownYield>>> {
  const groups = [...grouped(counts, ({ test }) => test)];
  const known = pooled(
    groups.map(([, own]) => acrossParcels(own, alike)),
    startingTests,
    startingTests.sought,
  );
  return Object.fromEntries(groups.map(([test], at) => [test, known[at] as KnownYield]));
}
