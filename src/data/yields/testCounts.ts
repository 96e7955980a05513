import type { DeviceTest } from '@/core/procedure/vocabulary';
import type { TestCount } from '@/core/triage/knownYields';
import type { Tallies } from '@/data/tallies/readTallies';

/** How each quick test came out on the units of each parcel, by the last result noted of each; first parcels first. */
export const testCounts = ({ tested }: Tallies<'tested'>): readonly TestCount[] =>
  tested.map(({ about, parcelId, good, count }) => ({ test: about as DeviceTest, parcelId, good, sought: count }));
