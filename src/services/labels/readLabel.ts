import type { Part } from '@/core/entities/entities';
import * as words from '@/words/catalogue/labels';
import type { Knex } from 'knex';
import { parseTag } from '@/core/shared/tags';
import { findModel } from '@/data/models/modelRepository';
import { partKinds } from '@/data/models/partKinds';
import { findPart } from '@/data/parts/partRepository';
import { findUnit } from '@/data/units/unitRepository';
import type { LabelContent } from '@/files/labelContent';

/** What stands on the label of a unit or part. */
export async function readLabel(db: Knex, text: string): Promise<LabelContent | undefined> {
  const parsed = parseTag(text);
  if (parsed?.letter === 'U') {
    const unit = await findUnit(db, { tag: parsed.tag });
    if (!unit) return undefined;
    const model =
      unit.modelId && unit.modelVersion !== null ? await findModel(db, unit.modelId, unit.modelVersion) : undefined;
    const serial = unit.serial ?? words.serialNotRead();
    const fact = unit.saleGrade ? words.gradeAndSerial({ grade: unit.saleGrade, serial }) : serial;
    return { tag: unit.tag, title: model ? `${model.maker} ${model.name}` : words.modelNotKnown(), fact };
  }
  if (parsed?.letter === 'P') {
    const part = await findPart(db, { tag: parsed.tag });
    if (!part) return undefined;
    const kind = (await partKinds(db, new Date()))[`${part.modelId}/${part.partRef}`];
    return {
      tag: part.tag,
      title: kind ? `${kind.modelName} ${kind.name}` : part.partRef,
      fact: sayGradeAndBin(part),
    };
  }
  return undefined;
}

function sayGradeAndBin({ grade, bin }: Pick<Part, 'grade' | 'bin'>): string {
  if (grade && bin) return words.gradeAndBin({ grade, bin });
  if (grade) return words.gradeOnly({ grade });
  return bin ? words.binOnly({ bin }) : words.notGraded();
}
