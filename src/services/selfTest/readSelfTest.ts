import type { Knex } from 'knex';
import { askedOfPart, askedOfUnit } from '@/core/selfTest/asked';
import { readSelfTestCode } from '@/core/selfTest/code';
import { selfTestKinds, type SelfTestKind } from '@/core/selfTest/reads';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { findModel } from '@/data/models/modelRepository';
import { findPart } from '@/data/parts/partRepository';
import { findSelfTest, saveOpened } from '@/data/selfTest/selfTestRepository';
import { findUnit } from '@/data/units/unitRepository';

/** What the page on a unit shows: what is tested there, and nothing else of the shop. */
export interface SelfTestView {
  readonly code: string;
  /** Of the part where one is read, else of the unit. */
  readonly tag: string;
  /** Empty where nobody knows it yet. */
  readonly modelName: string;
  readonly asked: readonly SelfTestKind[];
  readonly done: readonly SelfTestKind[];
}

/**
 * The page behind a code; from now on the bench sees that a unit has opened it.
 *
 * @refuses 'self-test-over' for a code that nobody made, or that holds no more
 */
export async function readSelfTest(db: Knex, text: string, now: Date): Promise<Outcome<SelfTestView>> {
  const code = readSelfTestCode(text) ?? '';
  const test = await findSelfTest(db, code, now);
  const unit = test && (await findUnit(db, { id: test.unitId }));
  if (!test || !unit) return refuse('self-test-over', { code: text.slice(0, 12) });
  await saveOpened(db, code, now);
  const part = test.part === null ? undefined : await findPart(db, { tag: test.part });
  const model =
    unit.modelId !== null && unit.modelVersion !== null
      ? await findModel(db, unit.modelId, unit.modelVersion)
      : undefined;
  const ofUnit = model ? askedOfUnit(model) : selfTestKinds;
  return accept({
    code,
    tag: part?.tag ?? unit.tag,
    modelName: model?.name ?? '',
    asked: part ? askedOfPart(part.category) : ofUnit,
    done: test.done,
  });
}
