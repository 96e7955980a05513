import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { unitsOfParcel } from '@/data/units/unitRepository';

export interface UnitOfParcel {
  readonly unit: Unit;
  /** The version it was identified as; null while it is not. */
  readonly model: Model | null;
}

/** Every unit of a parcel with its model, newest first. */
export async function parcelUnits(db: Knex, parcelId: string): Promise<readonly UnitOfParcel[]> {
  const units = await unitsOfParcel(db, parcelId);
  const models = await modelsOfUnits(db, units);
  const byVersion = new Map(models.map((model) => [`${model.id}@${model.version}`, model]));
  return units.map((unit) => ({ unit, model: byVersion.get(`${unit.modelId}@${unit.modelVersion}`) ?? null }));
}
