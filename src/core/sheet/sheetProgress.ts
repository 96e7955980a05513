import type { Model } from '@/core/procedure/model';
import type { Minutes } from '@/core/procedure/operations';
import { sumMinutes, type SheetKind } from '@/core/teardown/sheet/runSheet';
import type { Wording } from '@/core/shared/message';
import { sheetRulesOf, type HouseRules } from '@/core/shared/houseRules';
import type { Unit } from '../entities/entities';
import { defaultTargets, sheetOf } from './sheetOf';
import { slotNeeds } from '../sale/slots';

/** How far a unit's sheet is, or would be, and what it is for. */
export interface SheetProgress {
  readonly done: number;
  readonly steps: number;
  readonly minutesLeft: Minutes;
  readonly next: Wording<'sheet'>;
  readonly wanted: readonly string[];
}

/** The sheet a unit has; before it has one, the one it would get. Undefined when there is none. */
export function sheetProgress(model: Model, unit: Unit, kind: SheetKind, rules: HouseRules): SheetProgress | undefined {
  const faulty = new Set(
    slotNeeds(model, unit)
      .filter(({ isNeeded }) => isNeeded)
      .map(({ part }) => part.id),
  );
  const likely =
    kind === 'rebuild'
      ? Object.keys(unit.assigned)
      : defaultTargets(model, unit.configuration).filter((id) => !faulty.has(id));
  const asked = unit.sheet && !unit.sheet.isClosed ? unit.sheet : { kind, targets: likely, rules: sheetRulesOf(rules) };
  const sheet = sheetOf(model, unit, asked);
  if (!sheet.ok) return undefined;
  const doneIds = unit.sheet?.doneStepIds ?? [];
  const left = sheet.value.steps.filter(({ id }) => !doneIds.includes(id));
  return {
    done: doneIds.length,
    steps: sheet.value.steps.length,
    minutesLeft: sumMinutes(left),
    next: left[0]?.title ?? '',
    wanted: asked.targets.map((id) => model.parts.find((part) => part.id === id)?.name ?? id),
  };
}
