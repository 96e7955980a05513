import type { Model } from '@/core/procedure/model';
import type { Minutes } from '@/core/procedure/operations';
import { sumMinutes, type SheetKind } from '@/core/teardown/sheet/runSheet';
import type { Wording } from '@/core/shared/message';
import { sheetRulesOf, type HouseRules } from '@/core/shared/houseRules';
import type { Unit } from '../entities/entities';
import { sheetOf } from './sheetOf';

/** How far a unit's sheet is, or would be, and what it is for. */
export interface SheetProgress {
  readonly done: number;
  readonly steps: number;
  readonly minutesLeft: Minutes;
  readonly next: Wording<'sheet'>;
  readonly wanted: readonly string[];
}

/**
 * The sheet a unit has; before it has one, the one it would get. Undefined when there is none.
 *
 * @param proposed  what a teardown of it would be begun for; asked only of a unit without a sheet
 */
export function sheetProgress(
  model: Model,
  unit: Unit,
  kind: SheetKind,
  rules: HouseRules,
  proposed: () => readonly string[],
): SheetProgress | undefined {
  const isOpen = unit.sheet !== null && !unit.sheet.isClosed;
  const asked =
    unit.sheet && isOpen
      ? unit.sheet
      : { kind, targets: kind === 'rebuild' ? Object.keys(unit.assigned) : proposed(), rules: sheetRulesOf(rules) };
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
