import type { Model } from '@/core/procedure/model';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Unit } from '../entities/entities';
import type { Finder } from './define';
import type { UnitStage } from '../entities/stages';
import type { World } from './world';

/** Finds the unit a fact is about, refused unless it is at one of these stages. */
export const unitIn =
  (...stages: readonly UnitStage[]): Finder<Unit, unknown> =>
  (world, { subjectId }) => {
    const unit = world.find('unit', subjectId);
    if (!unit) return refuse('not-found', { id: subjectId });
    return stages.includes(unit.stage) ? accept(unit) : refuse('wrong-stage', { tag: unit.tag, stage: unit.stage });
  };

/** Finds the unit as `unitIn` does, with the model it was identified as. */
export const identifiedIn =
  (...stages: readonly UnitStage[]): Finder<{ readonly unit: Unit; readonly model: Model }, unknown> =>
  (world, fact) => {
    const unit = unitIn(...stages)(world, fact);
    if (!unit.ok) return unit;
    const model = modelOf(world, unit.value);
    return model.ok ? accept({ unit: unit.value, model: model.value }) : model;
  };

/** The model version a unit was identified as. */
export function modelOf(world: World, unit: Unit): Outcome<Model> {
  if (unit.modelId === null || unit.modelVersion === null) return refuse('not-identified', { tag: unit.tag });
  const model = world.findModel(unit.modelId, unit.modelVersion);
  return model ? accept(model) : refuse('unknown-model', { model: unit.modelId });
}
