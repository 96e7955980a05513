import { modelAmong } from '@/core/procedure/model';
import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { unitsAt } from '@/data/units/unitRepository';

export interface ApartView {
  readonly units: readonly Unit[];
  /** Maker and name by unit id, of those whose model is known. */
  readonly names: Readonly<Record<string, string>>;
}

/** Everything that is kept apart. */
export async function readApart(db: Knex): Promise<ApartView> {
  const units = await unitsAt(db, ['kept-apart']);
  const models = await modelsOfUnits(db, units);
  return {
    units,
    names: Object.fromEntries(
      units.flatMap((unit) => {
        const model = modelAmong(models, unit);
        return model ? [[unit.id, `${model.maker} ${model.name}`]] : [];
      }),
    ),
  };
}
