import type { Tally } from '@/core/tallies/tally';
import type { TallyRow, UnitTalliesRow } from '@/data/rows';

export const toTally = ({ kind, model_id, parcel_id, about, more, n, good }: TallyRow): Tally => ({
  kind,
  modelId: model_id,
  parcelId: parcel_id,
  about,
  more,
  count: n,
  good,
});

export const fromTally = (
  { kind, modelId, parcelId, about, more, count, good }: Tally,
  at: Pick<TallyRow, 'generation' | 'revision'>,
): TallyRow => ({ ...at, kind, model_id: modelId, parcel_id: parcelId, about, more, n: count, good });

type UnitTally = UnitTalliesRow['tallies'][number];

export const toUnitTally = ([kind, modelId, parcelId, about, more, count, good]: UnitTally): Tally => ({
  kind,
  modelId,
  parcelId,
  about,
  more,
  count,
  good,
});

export const fromUnitTally = ({ kind, modelId, parcelId, about, more, count, good }: Tally): UnitTally => [
  kind,
  modelId,
  parcelId,
  about,
  more,
  count,
  good,
];
