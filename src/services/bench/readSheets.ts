import type { Knex } from 'knex';
import type { Unit } from '@/core/bench/entities';
import { defaultTargets, sheetOf } from '@/core/bench/sheetOf';
import { slotNeeds } from '@/core/bench/slots';
import type { Minutes } from '@/core/procedure/operations';
import { sumMinutes, type SheetKind } from '@/core/teardown/sheet/runSheet';
import { findModel } from '@/data/models/modelRepository';
import { unitsAt } from '@/data/units/unitRepository';

/** A unit that waits for the bench, or lies on it. */
export interface SheetSummary {
  readonly unit: Unit;
  readonly modelName: string;
  readonly done: number;
  readonly steps: number;
  readonly minutesLeft: Minutes;
  readonly next: string;
  readonly wanted: readonly string[];
}

/** Units of one leg of the line with how much work is left in each. */
export async function readSheets(db: Knex, kind: SheetKind): Promise<readonly SheetSummary[]> {
  const units = await unitsAt(db, [kind]);
  const summaries = await Promise.all(units.map((unit) => summarise(db, unit, kind)));
  return summaries.filter((summary) => summary !== undefined).sort((a, b) => b.done - a.done);
}

async function summarise(db: Knex, unit: Unit, kind: SheetKind): Promise<SheetSummary | undefined> {
  const model =
    unit.modelId && unit.modelVersion !== null ? await findModel(db, unit.modelId, unit.modelVersion) : undefined;
  if (!model) return undefined;
  const faulty = new Set(
    slotNeeds(model, unit)
      .filter(({ isNeeded }) => isNeeded)
      .map(({ part }) => part.id),
  );
  const likely =
    kind === 'rebuild'
      ? Object.keys(unit.assigned)
      : defaultTargets(model, unit.configuration).filter((id) => !faulty.has(id));
  const asked = unit.sheet && !unit.sheet.isClosed ? unit.sheet : { kind, targets: likely };
  const sheet = sheetOf(model, unit, asked);
  if (!sheet.ok) return undefined;
  const doneIds = unit.sheet?.doneStepIds ?? [];
  const left = sheet.value.steps.filter(({ id }) => !doneIds.includes(id));
  return {
    unit,
    modelName: `${model.maker} ${model.name}`,
    done: doneIds.length,
    steps: sheet.value.steps.length,
    minutesLeft: sumMinutes(left),
    next: left[0]?.title ?? '',
    wanted: asked.targets.map((id) => model.parts.find((part) => part.id === id)?.name ?? id),
  };
}
