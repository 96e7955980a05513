import type { Knex } from 'knex';
import type { Unit } from '@/core/entities/entities';
import type { Model } from '@/core/procedure/model';
import type { PlanGround } from '@/core/teardown/plan/knowledgeOf';
import { findModel, newestVersion } from '@/data/models/modelRepository';
import { priceBook } from '@/data/prices/priceBook';
import { planGround } from '@/data/plans/planGround';
import { findUnit, unitsAt } from '@/data/units/unitRepository';

export interface PlannerView {
  readonly model: Model;
  readonly ground: PlanGround;
  /** The unit that is planned, when one was named. */
  readonly unit: Unit | null;
  /** Donors of this model that wait for a sheet. */
  readonly donors: readonly Unit[];
}

/**
 * A model with what the shop knows of its parts: yields from the log, stock, and how fast it is used. For a unit in the
 * version that the unit has, else in the newest.
 */
export async function readPlanner(
  db: Knex,
  modelId: string,
  now: Date,
  tag?: string,
): Promise<PlannerView | undefined> {
  const named = tag === undefined ? undefined : await findUnit(db, { tag });
  const unit = named?.modelId === modelId ? named : null;
  const wanted = unit?.modelVersion ?? (await newestVersion(db, modelId));
  const model = wanted === undefined ? undefined : await findModel(db, modelId, wanted);
  if (!model) return undefined;
  const [ground, units, { price }] = await Promise.all([
    planGround(db, modelId, now),
    unitsAt(db, ['teardown']),
    priceBook(db, now),
  ]);
  return {
    model: price(model),
    unit,
    ground,
    donors: units.filter((unit) => unit.modelId === modelId && (unit.sheet?.doneStepIds.length ?? 0) === 0),
  };
}
