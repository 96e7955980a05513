import type { DeviceTest, Finding } from '@/core/procedure/vocabulary';
import type { LookGround } from '@/core/triage/knownLooks';
import type { Tallies } from '@/data/tallies/readTallies';

/**
 * How closely units are looked at, and what is found on them: what a list of units not yet seen must expect. Of units that
 * were decided about, by model and parcel (first parcels first); those on which each quick test was made; those on which
 * each thing was found.
 */
export const lookCounts = (tallies: Tallies<'looked' | 'look-tested' | 'look-found'>): LookGround => ({
  units: tallies.looked.map(({ modelId, parcelId, count }) => ({ modelId, parcelId, units: count })),
  tests: tallies['look-tested'].map(({ modelId, about, count }) => ({
    modelId,
    test: about as DeviceTest,
    units: count,
  })),
  marks: tallies['look-found'].map(({ parcelId, about, count }) => ({
    parcelId,
    finding: about as Finding,
    units: count,
  })),
});
