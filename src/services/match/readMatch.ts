import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/entities/entities';
import { slotNeeds } from '@/core/sale/slots';
import { modelAmong, type Model } from '@/core/procedure/model';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { partsAssignedTo, shelfPartsOf } from '@/data/parts/partRepository';
import { unitsAt } from '@/data/units/unitRepository';

export interface MatchView {
  readonly units: readonly Unit[];
  readonly models: readonly Model[];
  /** Shelf parts of the classes that some slot takes, and parts already set aside. */
  readonly parts: readonly Part[];
}

/** Units to be built, and every part that could go into one of them. */
export async function readMatch(db: Knex, now: Date): Promise<MatchView> {
  const units = await unitsAt(db, ['match']);
  const models = await modelsOfUnits(db, units, now);
  const classes = new Set(
    units.flatMap((unit) => {
      const model = modelAmong(models, unit);
      return model ? slotNeeds(model, unit).map(({ part }) => part.interchange) : [];
    }),
  );
  const [stored, assigned] = await Promise.all([
    shelfPartsOf(db, [...classes]),
    partsAssignedTo(
      db,
      units.map(({ id }) => id),
    ),
  ]);
  return { units, models, parts: [...stored, ...assigned] };
}
