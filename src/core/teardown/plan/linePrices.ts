import type { HouseRules } from '@/core/shared/houseRules';
import { expectedMinutes } from '../attendedMinutes';
import { breakEven } from '../joint/breakEvens';
import type { HarvestPlan } from '../joint/harvestPlan';
import { planProblemOf, prizesOfChoice, type PlanAsked, type PlanSituation } from '../joint/planProblemOf';
import { breakEvens } from '../worth/payingParts';

/** From which price of a sound one a part pays, and what it takes beyond the plan without it. */
export interface LinePrice {
  readonly payFromCents: number | null;
  readonly isProven: boolean;
  /** Ids of operations. */
  readonly extra: readonly string[];
}

/** A plan of more operations, or that took more states to find, is too large for one more search per part. */
const mostOperations = 60;
const mostStates = 6000;

/**
 * Break-evens of all parts: of the whole plan, changes of set-up and survival included. For what is too large for that, of
 * the choice alone (`payingParts`), where changes cost nothing: said to be near it only.
 */
export function linePrices(
  situation: PlanSituation,
  asked: PlanAsked,
  { best, parts }: HarvestPlan,
  rules: HouseRules,
): ReadonlyMap<string, LinePrice> {
  const { model, operations, findings, isAllowed } = situation;
  const { worths } = asked;
  if (!best.isProven || best.states > mostStates || operations.length > mostOperations) {
    const near = breakEvens(
      { operations, isAllowed, cost: (operation) => expectedMinutes(operation, findings) * rules.labourCentsPerMinute },
      prizesOfChoice(model, worths),
    );
    return new Map(near.map((entry) => [entry.part, { ...entry, isProven: false }]));
  }
  const budget = { states: mostStates };
  return new Map(
    worths.map(({ part, soundCents }) => {
      const atPrice = (cents: number) =>
        planProblemOf(
          situation,
          { ...asked, worths: worths.map((known) => (known.part === part ? { ...known, soundCents: cents } : known)) },
          rules,
        ).problem;
      const even = breakEven(parts.indexOf(part), soundCents, atPrice, best, budget);
      return [part, { ...even, extra: even.extra.flatMap((at) => operations[at]?.id ?? []) }];
    }),
  );
}
