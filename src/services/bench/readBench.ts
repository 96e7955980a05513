import type { Knex } from 'knex';
import type { Part, Unit } from '@/core/bench/entities';
import type { Model } from '@/core/procedure/model';
import { findModel } from '@/data/models/modelRepository';
import { partsOfUnit } from '@/data/parts/partRepository';
import { findUnit } from '@/data/units/unitRepository';

export interface BenchView {
  readonly unit: Unit;
  readonly model: Model;
  readonly parts: readonly Part[];
}

/** A unit on the bench with its model and the parts that came out of it or are to go in. */
export async function readBench(db: Knex, tag: string): Promise<BenchView | undefined> {
  const unit = await findUnit(db, { tag });
  if (!unit?.modelId || unit.modelVersion === null) return undefined;
  const [model, parts] = await Promise.all([findModel(db, unit.modelId, unit.modelVersion), partsOfUnit(db, unit.id)]);
  return model && { unit, model, parts };
}
