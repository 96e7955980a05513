'use client';
import { useMemo } from 'react';
import type { SheetState } from '@/core/bench/entities';
import { restWorth, type RestWorth } from '@/core/bench/restWorth';
import { startingHouseRules } from '@/core/shared/houseRules';
import { meanMinutes } from '@/core/teardown/attendedMinutes';
import { knowledgeOf } from '@/core/teardown/plan/knowledgeOf';
import { learnedOdds } from '@/core/teardown/policy/learnedOdds';
import type { LadderPolicy } from '@/core/teardown/policy/ladderPolicy';
import { policyOf } from '@/core/teardown/policy/policyOf';
import type { RunSheet } from '@/core/teardown/sheet/runSheet';
import type { SheetStep } from '@/core/teardown/sheet/sheetStep';
import type { BenchProps } from './benchProps';

/** What the rest of a teardown still brings, and how long a joint that resists is worth trying. Nothing on a rebuild. */
export function useSheetWorth(
  { unit, model, ground }: BenchProps,
  state: SheetState,
  sheet: RunSheet,
  step: SheetStep,
): { readonly rest: RestWorth | null; readonly policy: LadderPolicy | null } {
  const known = useMemo(
    () => knowledgeOf(model, unit.configuration, ground, startingHouseRules),
    [model, unit.configuration, ground],
  );
  return useMemo(() => {
    if (state.kind !== 'teardown') return { rest: null, policy: null };
    const rest = restWorth(model, { ...unit, sheet: state }, sheet, known, startingHouseRules);
    const operation = model.operations.find(({ id }) => id === step.operationId);
    const odds = operation && learnedOdds(model, ground.resistances, operation);
    // What yielding is worth: all that still comes, the labour of this step not yet spent.
    const behindCents = rest.cents + meanMinutes(step.minutes) * startingHouseRules.labourCentsPerMinute;
    const policy =
      operation && odds
        ? policyOf(operation, { findings: state.findings, odds, behindCents }, startingHouseRules)
        : null;
    return { rest, policy };
  }, [model, unit, ground, known, state, sheet, step]);
}
