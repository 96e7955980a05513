import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { operationsFor } from '@/core/procedure/situation';
import { modelBySchools } from '@/core/schools/modelBySchools';
import type { HouseRules } from '@/core/shared/houseRules';
import { meanMinutes } from '@/core/teardown/attendedMinutes';
import { harvestPlan, placedOf } from '@/core/teardown/joint/harvestPlan';
import { centsAlong, chargedMinutes } from '@/core/teardown/joint/planMoney';
import { planProblemOf, type PlanSituation } from '@/core/teardown/joint/planProblemOf';
import type { PartKnowledge } from '@/core/teardown/plan/teardownPlan';
import type { ResistanceCount } from '@/core/teardown/policy/learnedOdds';
import { operationsLeft } from '@/core/teardown/sheet/keptSteps';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import { readStepId } from '@/core/teardown/sheet/sheetStep';
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
 * missing brings nothing, the tool is in hand. Reckoned as the planner reckons (`harvestPlan`).
 *
 * @param known  worth and chance of the model's parts today
 */
export function restWorth(
  written: Model,
  unit: Unit & { readonly sheet: SheetState },
  sheet: RunSheet,
  known: readonly PartKnowledge[],
  rules: HouseRules,
  resistances: readonly ResistanceCount[] = [],
): RestWorth {
  const { sheet: state } = unit;
  const model = modelBySchools(written, state.rules);
  const isDone = (stepId: string) => state.doneStepIds.includes(stepId);
  const steps = sheet.steps.filter(({ id }) => !isDone(id));
  const before = sheet.steps.filter(({ id, leg }) => leg === 'out' && isDone(id));
  const done = new Set(before.flatMap(({ operationId }) => operationId ?? []));
  const last = model.operations.find(({ id }) => id === before.at(-1)?.operationId);
  const situation: PlanSituation = {
    model,
    postures: model.postures,
    findings: state.findings,
    operations: operationsLeft(operationsFor(model, { ...unit, findings: state.findings }), done),
    isAllowed: ({ id, destroys = [] }) => destroys.length === 0 && !state.barred.includes(id),
    outParts: new Set(before.flatMap(({ frees }) => frees)),
    last,
    resistances,
  };
  const isLost = (part: string) =>
    state.partTroubles.some((trouble) => trouble.partRef === part && trouble.state !== 'suspect');
  const toFree = new Set(steps.flatMap(({ frees }) => frees));
  const worths = known
    .filter(({ part }) => state.targets.includes(part) && toFree.has(part))
    .map((entry) => (isLost(entry.part) ? { ...entry, chance: 0 } : entry));
  const asked = { worths, saved: [], wanted: [] };
  const operations = steps.flatMap(({ leg, id, tool }): readonly Operation[] => {
    const own = leg === 'out' ? situation.operations.find((one) => one.id === readStepId(id).id) : undefined;
    return own ? [{ ...own, tool }] : [];
  });
  // Of what the sheet does alone: what comes along with the end of another step is no step of its own.
  const onSheet = situation.operations.filter(({ id }) => operations.some((own) => own.id === id));
  const { problem } = planProblemOf({ ...situation, operations: onSheet }, asked, rules);
  const order = operations.map((operation) => placedOf(onSheet, operation));
  const beside = steps.filter(({ leg }) => leg !== 'out').reduce((sum, step) => sum + meanMinutes(step.minutes), 0);
  const minutes = chargedMinutes(problem, order) + beside;
  const cents = Math.round(centsAlong(problem, order) - beside * rules.labourCentsPerMinute);
  const best = harvestPlan(situation, asked, rules);
  const freed = new Set(best?.operations.flatMap(({ frees }) => frees));
  const paying = worths.filter(({ part, chance }) => chance > 0 && freed.has(part)).map(({ part }) => part);
  const gainCents = Math.max(0, Math.round((best?.best.cents ?? 0) - beside * rules.labourCentsPerMinute) - cents);
  return { cents, minutes, paying, gainCents };
}
