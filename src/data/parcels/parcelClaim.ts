import type { Knex } from 'knex';
import type { Parcel } from '@/core/bench/entities';
import { parcelDifferences, type Difference } from '@/core/intake/parcelDifferences';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { unitsOfParcel } from '@/data/units/unitRepository';
import { findParcel, linesOfParcel } from './parcelRepository';

export interface Claim {
  readonly parcel: Parcel;
  readonly differences: readonly Difference[];
}

const mostUnits = 20_000;

/** Where a parcel is not what its supplier promised. */
export async function parcelClaim(db: Knex, parcelId: string): Promise<Claim | undefined> {
  const parcel = await findParcel(db, parcelId);
  if (!parcel) return undefined;
  const [lines, units] = await Promise.all([linesOfParcel(db, parcelId), unitsOfParcel(db, parcelId, mostUnits)]);
  const models = await modelsOfUnits(db, units);
  const nameOf = (id: string | null, version: number | null) => {
    const model = models.find((candidate) => candidate.id === id && candidate.version === version);
    return model ? `${model.maker} ${model.name}` : null;
  };
  const counted = units.map((unit) => ({ unit, model: nameOf(unit.modelId, unit.modelVersion) }));
  const paid = parcel.pricePaidCents + parcel.transportCents;
  return { parcel, differences: parcelDifferences(lines, counted, paid, parcel.isCounted) };
}
