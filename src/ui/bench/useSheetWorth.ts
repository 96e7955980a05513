'use client';
import { useMemo } from 'react';
import type { SheetState } from '@/core/entities/entities';
import { withFindings } from '@/core/findings/mark';
import { restWorth, type RestWorth } from '@/core/sheet/restWorth';
import { meanMinutes } from '@/core/teardown/attendedMinutes';
import { knowledgeOf } from '@/core/teardown/plan/knowledgeOf';
import { learnedOdds } from '@/core/teardown/policy/learnedOdds';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import { policyOf } from '@/core/teardown/policy/policyOf';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { BenchProps } from './benchProps';
import { useHouseRules } from '@/ui/rules/RulesProvider';

/** What the rest of a teardown still brings, and how long a joint that resists is worth trying. Nothing on a rebuild. */
export function useSheetWorth(
  { unit, model, ground }: BenchProps,
  state: SheetState,
  sheet: RunSheet,
  step: SheetStep,
): { readonly rest: RestWorth | null; readonly policy: LadderPolicy | null } {
  const rules = useHouseRules();
  const known = useMemo(
    () => knowledgeOf(model, unit.configuration, ground, rules, withFindings(unit, state.findings)),
    [model, unit, state.findings, ground, rules],
  );
  return useMemo(() => {
    if (state.kind !== 'teardown') return { rest: null, policy: null };
    const rest = restWorth(model, { ...unit, sheet: state }, sheet, known, rules);
    const operation = model.operations.find(({ id }) => id === step.operationId);
    const odds = operation && learnedOdds(model, ground.resistances, operation);
    // What yielding is worth: all that still comes, the labour of this step not yet spent.
    const behindCents = rest.cents + meanMinutes(step.minutes) * rules.labourCentsPerMinute;
    const policy =
      operation && odds ? policyOf(operation, { findings: state.findings, odds, behindCents }, rules) : null;
    return { rest, policy };
  }, [model, unit, ground, known, state, sheet, step, rules]);
}
