import * as words from '@/words/catalogue/papers';
import type { Knex } from 'knex';
import { sheetOf } from '@/core/sheet/sheetOf';
import { findModel } from '@/data/models/modelRepository';
import { findUnit } from '@/data/units/unitRepository';
import type { PrintedSheet } from '@/files/writeRunSheet';

/** The sheet that a unit has, as it goes on paper; undefined while it has none. */
export async function readRunSheet(db: Knex, tag: string): Promise<PrintedSheet | undefined> {
  const unit = await findUnit(db, { tag });
  if (!unit?.sheet || !unit.modelId || unit.modelVersion === null) return undefined;
  const model = await findModel(db, unit.modelId, unit.modelVersion);
  const sheet = model && sheetOf(model, unit, unit.sheet);
  if (!model || !sheet?.ok) return undefined;
  const { kind, targets, doneStepIds } = unit.sheet;
  return {
    tag: unit.tag,
    title: words.runSheetTitle({ maker: model.maker, name: model.name, revision: unit.revision ?? '', kind }),
    wanted: targets.map((id) => model.parts.find((part) => part.id === id)?.name ?? id),
    sheet: sheet.value,
    doneStepIds,
    faces: Object.fromEntries(model.faces.map(({ id, name }) => [id, name])),
  };
}
