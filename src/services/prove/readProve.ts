import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { partsAssignedTo } from '@/data/parts/partRepository';
import { unitsAt } from '@/data/units/unitRepository';

export interface ProveView {
  readonly units: readonly Unit[];
  readonly models: readonly Model[];
  readonly parts: readonly Part[];
}

/** Units whose tests, wipe and sale grade are to be settled. */
export async function readProve(db: Knex, now: Date): Promise<ProveView> {
  const units = await unitsAt(db, ['prove']);
  const [models, parts] = await Promise.all([
    modelsOfUnits(db, units, now),
    partsAssignedTo(
      db,
      units.map(({ id }) => id),
    ),
  ]);
  return { units, models, parts };
}
