import type { Part } from '@/core/entities/entities';
import * as words from '@/words/catalogue/labels';
import type { Knex } from 'knex';
import { binCode, readBinCode } from '@/core/shelf/binCode';
import { binsOf, rackOf } from '@/core/shelf/racks';
import { listRacks } from '@/data/shelf/rackRepository';
import { categoryNames } from '@/words/say/names';
import { parseTag } from '@/core/shared/tags';
import { findModel } from '@/data/models/modelRepository';
import { partKinds } from '@/data/models/partKinds';
import { findPart } from '@/data/parts/partRepository';
import { findUnit } from '@/data/units/unitRepository';
import { currentRules } from '@/data/rules/houseRulesRepository';
import type { LabelContent, LabelPaper } from '@/files/labelContent';

export interface LabelsToPrint {
  /** One; of a rack its own and those of all its bins. */
  readonly labels: readonly LabelContent[];
  readonly paper: LabelPaper;
}

/** What stands on the label of a unit, a part, a bin or a rack, and on what it is printed. */
export async function readLabels(db: Knex, text: string, now: Date): Promise<LabelsToPrint | undefined> {
  const bin = readBinCode(text);
  const [labels, { label: paper }] = await Promise.all([
    bin === null ? contentOf(db, text, now).then((content) => content && [content]) : labelsOfRack(db, bin),
    currentRules(db),
  ]);
  return labels && labels.length > 0 ? { labels, paper } : undefined;
}

/** Of a bin its label; of a rack, by its letters, its own and those of its bins in walking order. */
async function labelsOfRack(db: Knex, name: string): Promise<readonly LabelContent[]> {
  const rack = (await listRacks(db)).find(({ code }) => code === rackOf(name));
  if (!rack) return [];
  const kind = rack.category === null ? words.anyPart() : categoryNames[rack.category];
  const bins = binsOf(rack).map(({ code, room }, at) => ({
    tag: code,
    code: binCode(code),
    title: kind,
    fact: words.rowAndBox({ row: Math.floor(at / rack.boxes) + 1, box: (at % rack.boxes) + 1, room }),
  }));
  const own = {
    tag: rack.code,
    code: binCode(rack.code),
    title: words.rack({ kind }),
    fact: words.bins({ bins: bins.length }),
  };
  return name === rack.code ? [own, ...bins] : bins.filter(({ tag }) => tag === name);
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
