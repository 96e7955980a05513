import type { Part } from '@/core/entities/entities';
import * as words from '@/words/catalogue/labels';
import type { Knex } from 'knex';
import { parseTag } from '@/core/shared/tags';
import { findModel } from '@/data/models/modelRepository';
import { partKinds } from '@/data/models/partKinds';
import { findPart } from '@/data/parts/partRepository';
import { findUnit } from '@/data/units/unitRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import type { LabelContent, LabelPaper } from '@/files/labelContent';

export interface LabelToPrint {
  readonly content: LabelContent;
  readonly paper: LabelPaper;
}

/** What stands on the label of a unit or part, and on what it is printed. */
export async function readLabel(db: Knex, text: string, now: Date): Promise<LabelToPrint | undefined> {
  const [content, { label }] = await Promise.all([contentOf(db, text, now), currentRules(db)]);
  return content && { content, paper: label };
}

async function contentOf(db: Knex, text: string, now: Date): Promise<LabelContent | undefined> {
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
    const kind = (await partKinds(db, now))[`${part.modelId}/${part.partRef}`];
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
