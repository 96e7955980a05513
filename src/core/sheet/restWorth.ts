import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { operationsFor } from '@/core/procedure/situation';
import { modelBySchools } from '@/core/schools/modelBySchools';
import type { HouseRules } from '@/core/shared/houseRules';
import { expectedMinutes, meanMinutes } from '@/core/teardown/attendedMinutes';
import type { PartKnowledge } from '@/core/teardown/plan/teardownPlan';
import { operationsLeft } from '@/core/teardown/sheet/keptSteps';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { sparedBy } from '@/core/teardown/worth/survival';
import { payingParts } from '@/core/teardown/worth/payingParts';
import type { SheetState, Unit } from '../entities/entities';

/** What the rest of a teardown still brings. */
export interface RestWorth {
  /** Worth of the parts still wanted, less the labour still to be done, in expected cents. */
  readonly cents: number;
  readonly minutes: number;
  /** Parts still wanted that pay from here on; when some do not, leaving them brings `gainCents` more. */
  readonly paying: readonly string[];
  readonly gainCents: number;
}

/**
 * What is still to come on a teardown sheet from where it stands: what is done costs nothing any more, what is broken or
 * missing brings nothing. Which of the wanted parts still pay is exact in the additive model (`payingParts`).
 *
 * @param known  worth and chance of the model's parts today
 */
export function restWorth(
  written: Model,
  unit: Unit & { readonly sheet: SheetState },
  sheet: RunSheet,
  known: readonly PartKnowledge[],
  { labourCentsPerMinute }: HouseRules,
): RestWorth {
  const { sheet: state } = unit;
  const model = modelBySchools(written, state.rules);
  const steps = sheet.steps.filter(({ id }) => !state.doneStepIds.includes(id));
  const toFree = new Set(steps.flatMap(({ frees }) => frees));
  const ahead = model.operations.filter(({ id }) => steps.some(({ operationId }) => operationId === id));
  const prizes = known
    .filter(({ part }) => state.targets.includes(part) && toFree.has(part))
    .map(({ part, soundCents, chance: share, isSeen }) => ({
      part,
      soundCents,
      chance: state.partTroubles.some((trouble) => trouble.partRef === part && trouble.state !== 'suspect')
        ? 0
        : share * (isSeen ? 1 : sparedBy(ahead, part)),
    }));
  const minutes = steps.reduce((sum, step) => sum + meanMinutes(step.minutes), 0);
  const worth = prizes.reduce((sum, { soundCents, chance }) => sum + soundCents * chance, 0);
  const cents = Math.round(worth - minutes * labourCentsPerMinute);
  const done = new Set(
    sheet.steps.flatMap(({ id, operationId }) => (state.doneStepIds.includes(id) && operationId ? [operationId] : [])),
  );
  const best = payingParts(
    {
      operations: operationsLeft(operationsFor(model, { ...unit, findings: state.findings }), done),
      cost: (operation: Operation) => expectedMinutes(operation, state.findings) * labourCentsPerMinute,
      isAllowed: ({ id, destroys = [] }) => destroys.length === 0 && !state.barred.includes(id),
    },
    prizes,
  );
  const paying = prizes.filter(({ part }) => best.parts.includes(part)).map(({ part }) => part);
  return { cents, minutes, paying, gainCents: Math.max(0, Math.round(best.netCents) - cents) };
}
