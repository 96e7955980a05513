import type { SheetState } from '@/core/entities/entities';
import { getModelPart, type Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import { partsToTag } from './sheetSteps';

export interface WantedParts {
  /** Ids of the parts that steps done so far have freed. */
  readonly had: ReadonlySet<string>;
  /** Ids of the parts the sheet is for that are still in the unit, in the order they were asked for. */
  readonly still: readonly string[];
  /** What something can be the matter with now: the parts this step frees, then those a teardown still wants. */
  readonly inReach: readonly ModelPart[];
}

/** What a sheet has yielded, what it still owes, and which parts a person at this step may speak of. */
export function wantedParts(model: Model, sheet: RunSheet, state: SheetState, step: SheetStep): WantedParts {
  const had = new Set(sheet.steps.filter(({ id }) => state.doneStepIds.includes(id)).flatMap(({ frees }) => frees));
  const still = state.targets.filter((id) => !had.has(id));
  const own = step.leg === 'out' ? partsToTag(model, state, step) : [];
  const others = state.kind === 'teardown' ? still.filter((id) => !own.some((part) => part.id === id)) : [];
  return { had, still, inReach: [...own, ...others.map((id) => getModelPart(model, id))] };
}
