import type { Model } from '@/core/procedure/model';
import type { HouseRules } from '@/core/shared/houseRules';
import type { Outcome } from '@/core/shared/outcome';
import { openability, type Openability } from '@/core/teardown/openability';
import { planTeardown } from '@/core/teardown/plan/planTeardown';
import type { PlanRequest, TeardownPlan } from '@/core/teardown/plan/teardownPlan';

export interface PlanQuestion {
  readonly number: number;
  readonly model: Model;
  readonly request: PlanRequest;
  readonly rules: HouseRules;
}

export interface PlanAnswer {
  readonly number: number;
  readonly outcome: Outcome<TeardownPlan>;
  readonly openability: Openability;
}

/** The planner beside the page: one question in, one answer out. The page ends it when it no longer wants the answer. */
addEventListener('message', ({ data }: MessageEvent<PlanQuestion>) => {
  const { number, model, request, rules } = data;
  const answer: PlanAnswer = {
    number,
    outcome: planTeardown(model, request, rules),
    openability: openability(model, request, rules),
  };
  postMessage(answer);
});
