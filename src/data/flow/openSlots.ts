import type { Knex } from 'knex';
import { modelAmong } from '@/core/procedure/model';
import { slotNeeds } from '@/core/sale/slots';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { unitsAt } from '@/data/units/unitRepository';

export interface OpenSlots {
  /** Tags of the units that want a part of a class, each as often as it has open slots for one. */
  readonly wantedBy: ReadonlyMap<string, readonly string[]>;
  /** Units that wait for parts. */
  readonly builds: number;
}

/** What the units that are to be built still want, by class. */
export async function openSlots(db: Knex, now: Date): Promise<OpenSlots> {
  const units = await unitsAt(db, ['match']);
  const models = await modelsOfUnits(db, units, now);
  const wantedBy = new Map<string, string[]>();
  for (const unit of units) {
    const model = modelAmong(models, unit);
    for (const { part, isNeeded } of model ? slotNeeds(model, unit) : []) {
      if (!isNeeded || unit.assigned[part.id] !== undefined) continue;
      const own = wantedBy.get(part.interchange);
      if (own) own.push(unit.tag);
      else wantedBy.set(part.interchange, [unit.tag]);
    }
  }
  return { wantedBy, builds: units.length };
}
