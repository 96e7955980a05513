import type { Knex } from 'knex';
import { modelAmong } from '@/core/procedure/model';
import { previewRules, type RulesPreview } from '@/core/rules/previewRules';
import type { EditableRules } from '@/core/rules/ruleFields';
import { plainSerial } from '@/core/shared/serials';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { modelsOfUnits } from '@/data/models/modelsOfUnits';
import { knowledgeGround } from '@/data/triage/knowledgeGround';
import { reportedLost } from '@/data/triage/lostSerials';
import { unitsAt } from '@/data/units/unitRepository';

/** What other rules would change for the units that wait at triage now. Nothing is saved. */
export async function readRulesPreview(db: Knex, rules: EditableRules, now: Date): Promise<RulesPreview> {
  const [units, ground, today] = await Promise.all([
    unitsAt(db, ['triage']),
    knowledgeGround(db, now),
    currentRules(db),
  ]);
  const serials = units.flatMap(({ serial }) => (serial ? [plainSerial(serial)] : []));
  const [models, lost] = await Promise.all([modelsOfUnits(db, units), reportedLost(db, serials)]);
  const waiting = units.flatMap((unit) => {
    const model = modelAmong(models, unit);
    const isReportedLost =
      unit.serial !== null && lost[plainSerial(unit.serial)] !== undefined && !unit.isOwnershipSettled;
    return model ? [{ tag: unit.tag, model, unit: { ...unit, isReportedLost } }] : [];
  });
  return previewRules(waiting, ground, today, { ...rules, version: today.version });
}
