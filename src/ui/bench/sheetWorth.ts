import type { SheetState, Unit } from '@/core/entities/entities';
import { withFindings } from '@/core/findings/mark';
import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import { restWorth, type RestWorth } from '@/core/sheet/restWorth';
import { meanMinutes } from '@/core/teardown/attendedMinutes';
import { knowledgeOf, type PlanGround } from '@/core/teardown/plan/knowledgeOf';
import { oddsToTry } from '@/core/teardown/policy/learnedOdds';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import { policyOf } from '@/core/teardown/policy/policyOf';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';

export interface SheetWorth {
  readonly rest: RestWorth | null;
  readonly policy: LadderPolicy | null;
}

/** What the rest of a teardown still brings, and how long a joint that resists is worth trying. */
export function sheetWorth(
  { unit, model, ground }: { readonly unit: Unit; readonly model: Model; readonly ground: PlanGround },
  state: SheetState,
  sheet: RunSheet,
  step: SheetStep,
  rules: HouseRules,
): SheetWorth {
  const known = knowledgeOf(model, unit.configuration, ground, rules, withFindings(unit, state.findings));
  const rest = restWorth(model, { ...unit, sheet: state }, sheet, known, rules, ground.resistances);
  const operation = model.operations.find(({ id }) => id === step.operationId);
  const odds = operation && oddsToTry(model, ground.resistances, operation);
  // What yielding is worth: all that still comes, the labour of this step not yet spent.
  const behindCents = rest.cents + meanMinutes(step.minutes) * rules.labourCentsPerMinute;
  const policy = operation && odds ? policyOf(operation, { findings: state.findings, odds, behindCents }, rules) : null;
  return { rest, policy };
}
