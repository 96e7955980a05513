import type { Model } from '@/core/procedure/model';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Unit } from './entities';
import type { BenchEvent, EventType } from './events';
import type { UnitStage } from './stages';
import type { World } from './world';

/** The unit a fact is about, refused unless it is at one of these stages. */
export function unitAt(world: World, event: BenchEvent<EventType>, ...stages: readonly UnitStage[]): Outcome<Unit> {
  const unit = world.find('unit', event.subjectId);
  if (!unit) return refuse('not-found', { id: event.subjectId });
  return stages.includes(unit.stage) ? accept(unit) : refuse('wrong-stage', { tag: unit.tag, stage: unit.stage });
}

/** The model version a unit was identified as. */
export function modelOf(world: World, unit: Unit): Outcome<Model> {
  if (unit.modelId === null || unit.modelVersion === null) return refuse('not-identified', { tag: unit.tag });
  const model = world.findModel(unit.modelId, unit.modelVersion);
  return model ? accept(model) : refuse('unknown-model', { model: unit.modelId });
}
