import type { Knex } from 'knex';
import type { Unit } from '@/core/bench/entities';
import { sheetProgress, type SheetProgress } from '@/core/bench/sheetSummary';
import type { SheetKind } from '@/core/teardown/sheet/runSheet';
import { findModel } from '@/data/models/modelRepository';
import { unitsAt } from '@/data/units/unitRepository';

/** A unit that waits for the bench, or lies on it. */
export interface SheetSummary extends SheetProgress {
  readonly unit: Unit;
  readonly modelName: string;
}

/** Units of one leg of the line with how much work is left in each; what waits on a fixture comes last. */
export async function readSheets(db: Knex, kind: SheetKind): Promise<readonly SheetSummary[]> {
  const units = await unitsAt(db, [kind]);
  const summaries = await Promise.all(units.map((unit) => summarise(db, unit, kind)));
  return summaries
    .filter((summary) => summary !== undefined)
    .sort((a, b) => Number(a.unit.timer !== null) - Number(b.unit.timer !== null) || b.done - a.done);
}

async function summarise(db: Knex, unit: Unit, kind: SheetKind): Promise<SheetSummary | undefined> {
  const model =
    unit.modelId && unit.modelVersion !== null ? await findModel(db, unit.modelId, unit.modelVersion) : undefined;
  const progress = model && sheetProgress(model, unit, kind);
  return progress && model && { ...progress, unit, modelName: `${model.maker} ${model.name}` };
}
