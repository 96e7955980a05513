import type { Knex } from 'knex';
import { modelAmong } from '@/core/procedure/model';
import type { Waiting } from '@/core/rules/previewRules';
import { plainSerial } from '@/core/shared/serials';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { unitsAt } from '@/data/units/unitRepository';
import { reportedLost } from './lostSerials';

/** The identified units that wait for a decision, with their models at the prices of today. */
export async function waitingAtTriage(db: Knex, now: Date): Promise<readonly Waiting[]> {
  const units = await unitsAt(db, ['triage']);
  const serials = units.flatMap(({ serial }) => (serial ? [plainSerial(serial)] : []));
  const [models, lost] = await Promise.all([modelsOfUnits(db, units, now), reportedLost(db, serials)]);
  return units.flatMap((unit) => {
    const model = modelAmong(models, unit);
    const isReportedLost =
      unit.serial !== null && lost[plainSerial(unit.serial)] !== undefined && !unit.isOwnershipSettled;
    return model ? [{ tag: unit.tag, model, unit: { ...unit, isReportedLost } }] : [];
  });
}
