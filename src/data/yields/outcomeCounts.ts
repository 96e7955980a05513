import type { Finding } from '@/core/procedure/vocabulary';
import type { OutcomeGiven } from '@/core/triage/knownYields';
import type { ParcelOutcome } from '@/core/yields/parcelOutcomes';
import type { Tallies } from '@/data/tallies/readTallies';
import type { Tally } from '@/core/tallies/tally';

const toOutcome = ({ parcelId, modelId, about, good, count }: Tally): ParcelOutcome => ({
  parcelId,
  modelId,
  partRef: about,
  good,
  sought: count,
});

/**
 * Harvest outcomes per parcel, model and part, first parcels first. Sought: every part of a donor whose fate is known. Good:
 * whatever can be sold, graded A to D by the last standing grade; what a good one brings is reckoned over the same grades.
 */
export const outcomeCounts = ({ sought }: Tallies<'sought'>): readonly ParcelOutcome[] =>
  sought.filter(({ more }) => more === '').map(toOutcome);

/** The same from units on which something was found at triage. */
export const outcomeCountsGiven = ({ sought }: Tallies<'sought'>): readonly OutcomeGiven[] =>
  sought.filter(({ more }) => more !== '').map((tally) => ({ ...toOutcome(tally), finding: tally.more as Finding }));
