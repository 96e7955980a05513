import type { Knex } from 'knex';
import type { Parcel } from '@/core/entities/entities';
import { parcelDifferences, type Difference } from '@/core/intake/parcelDifferences';
import type { UnitOfParcel } from './parcelUnits';
import { linesOfParcel } from './parcelRepository';

/** Where a parcel is not what its supplier promised. */
export async function parcelClaim(
  db: Knex,
  { id, pricePaidCents, transportCents, isCounted }: Parcel,
  units: readonly UnitOfParcel[],
): Promise<readonly Difference[]> {
  const counted = units.map(({ unit, model }) => ({ unit, model: model ? `${model.maker} ${model.name}` : null }));
  return parcelDifferences(await linesOfParcel(db, id), counted, pricePaidCents + transportCents, isCounted);
}
