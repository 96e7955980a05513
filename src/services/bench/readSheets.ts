import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import { sheetProgress, type SheetProgress } from '@/core/sheet/sheetProgress';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import type { HouseRules } from '@/core/shared/houseRules';
import { currentRules } from '@/data/rules/houseRulesRepository';
import { findModel } from '@/data/models/modelRepository';
import { unitsAt } from '@/data/units/unitRepository';

/** A unit that waits for the bench, or lies on it. */
export interface SheetSummary extends SheetProgress {
  readonly unit: Unit;
  readonly modelName: string;
}

/** Units of one leg of the line with how much work is left in each; what waits on a fixture comes last. */
export async function readSheets(db: Knex, kind: SheetKind): Promise<readonly SheetSummary[]> {
  const [units, rules] = await Promise.all([unitsAt(db, [kind]), currentRules(db)]);
  const summaries = await Promise.all(units.map((unit) => summarise(db, unit, kind, rules)));
  return summaries
    .filter((summary) => summary !== undefined)
    .sort((a, b) => Number(a.unit.timer !== null) - Number(b.unit.timer !== null) || b.done - a.done);
}

async function summarise(db: Knex, unit: Unit, kind: SheetKind, rules: HouseRules): Promise<SheetSummary | undefined> {
  const model =
    unit.modelId && unit.modelVersion !== null ? await findModel(db, unit.modelId, unit.modelVersion) : undefined;
  const progress = model && sheetProgress(model, unit, kind, rules);
  return progress && model && { ...progress, unit, modelName: `${model.maker} ${model.name}` };
}
