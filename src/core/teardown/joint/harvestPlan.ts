import type { Operation } from '@/core/procedure/operations';
import { payingParts } from '../worth/payingParts';
import { asPlaced, orderOperations, sheetBudget } from '../orderOperations';
import { expectedMinutes } from '../attendedMinutes';
import type { Placed } from '../order/sequenceProblem';
import { bestPlan } from './bestPlan';
import { centsAlong, reachOf } from './planMoney';
import type { BestPlan, PlanBudget, PlanProblem } from './planProblem';
import { trimmed } from './trimmed';
import {
  planProblemOf,
  prizesOfChoice,
  type NumberedPlan,
  type PlanAsked,
  type PlanRules,
  type PlanSituation,
} from './planProblemOf';

/** How far to take a unit apart, in which order, and what that brings. */
export interface HarvestPlan extends NumberedPlan {
  /** In the order in which they are done, each with its tool. */
  readonly operations: readonly Operation[];
  readonly best: BestPlan;
}

/** What proposals and sheets may take: they prove what devices come with in milliseconds. */
export const proposalBudget: PlanBudget = { states: 2000 };

/** From so many operations on a search begins with what the cut would choose. */
const many = 60;

/**
 * Which parts pay, which operations that takes, and in which order: one question, answered for the planner, for proposals
 * and for the rest of a sheet alike (`bestPlan`).
 *
 * @returns null when a wanted part cannot be freed
 */
export function harvestPlan(
  situation: PlanSituation,
  asked: PlanAsked,
  rules: PlanRules,
  budget: PlanBudget = proposalBudget,
): HarvestPlan | null {
  const numbered = planProblemOf(situation, asked, rules);
  const { operations } = situation;
  const start = operations.length >= many && asked.wanted.length === 0 ? byTheCut(situation, asked, rules) : undefined;
  const found = bestPlan(numbered.problem, budget, start);
  const best = found && !found.isProven ? withoutWaste(numbered.problem, found) : found;
  return best && { operations: best.order.map((placed) => asPlaced(operations, placed)), best, ...numbered };
}

/** A plan that is not proven may hold what it is better without; a better one is not. */
function withoutWaste(problem: PlanProblem, found: BestPlan): BestPlan {
  const reach = reachOf(problem);
  const order = trimmed(problem, found.order, reach);
  return { ...found, order, cents: centsAlong(problem, order, reach) };
}

/** What the cut chooses where changes cost nothing, in a short order: a plan to begin with where there are many. */
function byTheCut(situation: PlanSituation, { worths }: PlanAsked, rules: PlanRules): readonly Placed[] {
  const { model, operations, isAllowed, findings } = situation;
  const paying = payingParts(
    {
      operations,
      isAllowed,
      cost: (operation) => expectedMinutes(operation, findings) * rules.labourCentsPerMinute,
    },
    prizesOfChoice(model, worths),
  );
  const ordered = orderOperations(paying.operations, situation, rules, sheetBudget);
  return ordered.operations.map((operation) => placedOf(operations, operation));
}

/** Which of the operations one is, and by which of its tools it is done. */
export function placedOf(operations: readonly Operation[], { id, tool }: Operation): Placed {
  const operation = operations.findIndex((other) => other.id === id);
  const other = operations[operation]?.orTools?.findIndex((own) => own.tool === tool) ?? -1;
  return { operation, choice: operations[operation]?.tool === tool ? 0 : other + 1 };
}
