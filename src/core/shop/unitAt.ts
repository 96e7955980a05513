import type { Model } from '@/core/procedure/model';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Unit } from '../entities/entities';
import type { Said } from './define';
import type { UnitStage } from '../entities/stages';
import type { World } from './world';

/** The unit a fact is about, refused unless it is at one of these stages. */
export function unitAt(
  world: World,
  fact: Pick<Said<unknown>, 'subjectId'>,
  ...stages: readonly UnitStage[]
): Outcome<Unit> {
  const unit = world.find('unit', fact.subjectId);
  if (!unit) return refuse('not-found', { id: fact.subjectId });
  return stages.includes(unit.stage) ? accept(unit) : refuse('wrong-stage', { tag: unit.tag, stage: unit.stage });
}

/** The model version a unit was identified as. */
export function modelOf(world: World, unit: Unit): Outcome<Model> {
  if (unit.modelId === null || unit.modelVersion === null) return refuse('not-identified', { tag: unit.tag });
  const model = world.findModel(unit.modelId, unit.modelVersion);
  return model ? accept(model) : refuse('unknown-model', { model: unit.modelId });
}
