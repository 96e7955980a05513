import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { GroupCount } from '@/core/statistics/strayWeight';
import { partKey, type ParcelOutcome } from '@/core/yields/parcelOutcomes';
import { marksByParcel, type LookGround } from './knownLooks';
import type { TestCount } from './knownYields';

/** What one parcel has shown of itself so far. */
export interface SeenInParcel {
  /** Sound ones of a quick test among those noted. */
  readonly sound: Readonly<Partial<Record<DeviceTest, GroupCount>>>;
  /** Units on which something was found, among those decided about. */
  readonly found: Readonly<Partial<Record<Finding, GroupCount>>>;
  /** Good parts among those sought, by `partKey`. */
  readonly parts: Readonly<Record<string, GroupCount>>;
}

/** A parcel of which nobody has seen a unit. */
export const nothingSeen: SeenInParcel = { sound: {}, found: {}, parts: {} };

/** The counts of one parcel among those of all. */
export function seenInParcel(
  parcelId: string,
  ground: {
    readonly outcomes: readonly ParcelOutcome[];
    readonly tests: readonly TestCount[];
    readonly looks: LookGround;
  },
): SeenInParcel {
  const isHere = (row: { readonly parcelId: string }) => row.parcelId === parcelId;
  return {
    sound: Object.fromEntries(ground.tests.filter(isHere).map(({ test, good, sought }) => [test, { good, sought }])),
    found: Object.fromEntries(
      [...marksByParcel(ground.looks)].flatMap(([finding, { counts }]) =>
        counts.filter(isHere).map(({ good, sought }) => [finding, { good, sought }]),
      ),
    ),
    parts: Object.fromEntries(
      ground.outcomes.filter(isHere).map((own) => [partKey(own), { good: own.good, sought: own.sought }]),
    ),
  };
}
