'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Model } from '@/core/procedure/model';
import type { Refusal } from '@/core/shared/outcome';
import type { Openability } from '@/core/teardown/openability';
import { comparePlans, type PlanDifference } from '@/core/teardown/plan/comparePlans';
import type { PlanRequest, TeardownPlan } from '@/core/teardown/plan/teardownPlan';
import { PlanClient } from '@/workers/plan/planClient';
import { useHouseRules } from '@/ui/rules/RulesProvider';

export interface PlanState {
  /** The last good plan: it stays while the next is computed, and when none can be. */
  readonly plan: TeardownPlan | null;
  /** What is different from the plan before it. */
  readonly difference: PlanDifference | null;
  readonly openability: Openability | null;
  readonly refusal: Refusal | null;
  readonly isComputing: boolean;
  readonly hasCrashed: boolean;
}

const nothing: PlanState = {
  plan: null,
  difference: null,
  openability: null,
  refusal: null,
  isComputing: true,
  hasCrashed: false,
};

/** The plan for a request, computed beside the page; a new request drops the one before. */
export function usePlan(model: Model, request: PlanRequest): PlanState & { readonly again: () => void } {
  const rules = useHouseRules();
  const [state, setState] = useState<PlanState>(nothing);
  const [round, setRound] = useState(0);
  const client = useRef<PlanClient | null>(null);
  useEffect(() => {
    const started = new PlanClient({
      onAnswer: ({ outcome, openability }) =>
        setState((before) => ({
          plan: outcome.ok ? outcome.value : before.plan,
          difference: outcome.ok && before.plan ? comparePlans(before.plan, outcome.value) : before.difference,
          openability,
          refusal: outcome.ok ? null : outcome.refusal,
          isComputing: false,
          hasCrashed: false,
        })),
      onCrash: () => setState((before) => ({ ...before, isComputing: false, hasCrashed: true })),
    });
    client.current = started;
    return () => started.end();
  }, []);
  const asked = useMemo(() => JSON.stringify(request), [request]);
  useEffect(() => {
    client.current?.ask({ model, request: JSON.parse(asked) as PlanRequest, rules });
  }, [model, asked, round, rules]);
  return { ...state, again: () => setRound((before) => before + 1) };
}
