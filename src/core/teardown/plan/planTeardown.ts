import { authorOrder } from '@/core/procedure/authorOrder';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { operationsFor, type Situation } from '@/core/procedure/situation';
import { modelBySchools } from '@/core/schools/modelBySchools';
import type { HouseRules } from '@/core/shared/houseRules';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { takeable } from '../choice/closureProblem';
import { operationClauses } from '../choice/operationClauses';
import { expectedMinutes } from '../attendedMinutes';
import { harvestPlan, placedOf, type HarvestPlan } from '../joint/harvestPlan';
import type { PlanBudget } from '../joint/planProblem';
import { planProblemOf, type PlanAsked, type PlanSituation } from '../joint/planProblemOf';
import { endOf, timeOrder, type Placed, type SequenceProblem, type TimedStep } from '../order/sequenceProblem';
import { orderOperations } from '../orderOperations';
import { savedMoves, type SavedMove } from '../worth/savedMoves';
import { batchMinutes } from './batchMinutes';
import { curveAlong } from './curveAlong';
import { linePrices, type LinePrice } from './linePrices';
import type { OrderCost, PlanAim, PlanLine, PlanRequest, TeardownPlan, PartKnowledge } from './teardownPlan';

/** What a planner may take: proves what devices come with, in a second at the most. */
export const planBudget: PlanBudget = { states: 20_000 };

/**
 * How far to take a unit apart, which operations that needs, and in which order: one problem, solved exactly (`bestPlan`),
 * or with a bound on what could be missing. What is asked for comes out in any case; what pays is never worse than doing
 * nothing, nor than leaving any one part in.
 *
 * @refuses 'targets-unreachable' for asked parts that nothing frees; 'no-worth' when it is asked what pays and nothing has
 * a worth
 */
export function planTeardown(
  written: Model,
  request: PlanRequest,
  rules: HouseRules,
  budget: PlanBudget = planBudget,
): Outcome<TeardownPlan> {
  const model = modelBySchools(written, rules);
  const { aim, findings } = request;
  const scrap = new Set(request.scrap);
  const situation: PlanSituation = {
    model,
    postures: model.postures,
    findings,
    operations: operationsFor(model, request),
    isAllowed: ({ destroys = [] }) => destroys.every((part) => scrap.has(part)),
    ...(request.resistances && { resistances: request.resistances }),
  };
  const worths = request.parts.map((known) => (scrap.has(known.part) ? { ...known, chance: 0 } : known));
  if (aim.kind === 'pays' && worths.every(({ soundCents }) => soundCents <= 0)) return refuse('no-worth');
  const can = freeableParts(situation);
  const reachable = worths.filter(({ part }) => can.has(part));
  const wanted = wantedBy(aim, reachable);
  const sound = reachable.filter(({ chance }) => chance > 0).map(({ part }) => part);
  const asked: PlanAsked = { worths, saved: savedMoves(model, request, sound, rules), wanted: [] };
  // Who asks for parts asks what getting at them takes: others are no reason for a step.
  const only = (parts: readonly string[]): PlanAsked => ({ ...asked, saved: [], counted: parts, wanted: parts });
  const found = harvestPlan(situation, aim.kind === 'pays' ? asked : only(wanted), rules, budget);
  const all = harvestPlan(situation, only(reachable.map(({ part }) => part)), rules);
  if (!found || !all) {
    return refuse('targets-unreachable', { part: wanted.filter((part) => !can.has(part)).join(', ') });
  }
  // Measured by all that comes out, whatever was asked for.
  const numbered = planProblemOf(situation, asked, rules);
  const { problem } = numbered;
  const done = found.best.order;
  const further = furtherOrder(situation, found.operations, all.operations, rules);
  const steps = timeOrder(problem.sequence, done);
  const curve = curveAlong([...done, ...further], numbered, { ...situation, known: worths }, rules);
  const freed = new Set(found.operations.flatMap(({ frees }) => frees));
  const paying = aim.kind === 'pays' ? found : (harvestPlan(situation, asked, rules, budget) as HarvestPlan);
  const prices = linePrices(situation, asked, paying, rules);
  return accept({
    operations: found.operations,
    steps,
    cost: costOf(problem.sequence, steps),
    isProven: found.best.isProven,
    missingCents: found.best.upperBound - found.best.cents,
    authorCost: authorCost(model, request, situation.operations, done, problem.sequence),
    handMinutes: steps.reduce((sum, { setUp, work }) => sum + setUp + work, 0),
    lines: request.parts.map((known) => ({
      ...lineOf(situation, known, prices.get(known.part), freed, can),
      carriedCents: carriedBy(known.part, asked.saved, freed),
    })),
    netCents: curve[done.length]?.cents ?? 0,
    curve,
    batch: batchMinutes(problem.sequence, steps, request.units ?? 1, rules.moveMinutes),
  });
}

const wantedBy = (aim: PlanAim, reachable: readonly PartKnowledge[]): readonly string[] => {
  if (aim.kind === 'parts') return aim.parts;
  return aim.kind === 'everything' ? reachable.filter(({ chance }) => chance > 0).map(({ part }) => part) : [];
};

/** Parts that some operation can free, however dear that is. */
function freeableParts({ operations, isAllowed }: PlanSituation): ReadonlySet<string> {
  const can = takeable(operations.length, operationClauses(operations), (index) =>
    isAllowed(operations[index] as Operation),
  );
  return new Set(can.flatMap((index) => operations[index]?.frees ?? []));
}

/** What is left of taking everything out, once the plan is done. */
function furtherOrder(
  situation: PlanSituation,
  done: readonly Operation[],
  everything: readonly Operation[],
  rules: HouseRules,
): readonly Placed[] {
  const rest = everything.filter(({ id }) => !done.some((other) => other.id === id));
  const ids = new Set([...done, ...rest].map(({ id }) => id));
  const hasWay = ({ after }: Operation) =>
    after.every(({ any }) => any.some((other) => ids.has(other)) || any.every((other) => !ids.has(other)));
  const { operations } = orderOperations(
    rest.map(({ id }) => situation.operations.find((own) => own.id === id) as Operation).filter(hasWay),
    { ...situation, last: done.at(-1), outParts: new Set(done.flatMap(({ frees }) => frees)) },
    rules,
  );
  return operations.map((operation) => placedOf(situation.operations, operation));
}

/** What the plan adds for moves: an assembly that keeps its parts saves them, a part that leaves one bare costs its own. */
function carriedBy(part: string, saved: readonly SavedMove[], freed: ReadonlySet<string>): number {
  const keeps = saved.filter((move) => move.assembly === part && !freed.has(move.part));
  const leaves = saved.filter((move) => move.part === part && freed.has(part) && freed.has(move.assembly));
  const sum = (moves: readonly SavedMove[]) => moves.reduce((cents, move) => cents + move.cents, 0);
  return Math.round(sum(keeps) - sum(leaves));
}

function lineOf(
  { model, operations, findings }: PlanSituation,
  known: PartKnowledge,
  price: LinePrice | undefined,
  freed: ReadonlySet<string>,
  can: ReadonlySet<string>,
): Omit<PlanLine, 'carriedCents'> {
  const payFromCents = price?.payFromCents ?? null;
  const extra = operations.filter(({ id }) => price?.extra.includes(id));
  return {
    ...known,
    name: model.parts.find(({ id }) => id === known.part)?.name ?? known.part,
    payFromCents,
    isPriceProven: price?.isProven ?? true,
    extraMinutes: extra.reduce((sum, operation) => sum + expectedMinutes(operation, findings), 0),
    verdict: !can.has(known.part) ? 'unreachable' : !freed.has(known.part) ? 'leave' : payFromCents === 0 ? 'along' : 'free',
  };
}

/** The chosen operations in the author's order; one that only a short cut made possible comes where it can. */
function authorCost(
  model: Model,
  situation: Situation,
  operations: readonly Operation[],
  done: readonly Placed[],
  sequence: SequenceProblem,
): OrderCost {
  const place = new Map(authorOrder(model, situation).map(({ id }, at) => [id, at]));
  const placeOf = ({ operation }: Placed) => place.get(operations[operation]?.id ?? '') ?? -1;
  const isKnown = done.every((placed) => placeOf(placed) >= 0);
  const order = isKnown ? [...done].sort((a, b) => placeOf(a) - placeOf(b)) : done;
  return costOf(
    sequence,
    timeOrder(
      sequence,
      order.map(({ operation }) => ({ operation, choice: 0 })),
    ),
  );
}

function costOf(problem: SequenceProblem, steps: readonly TimedStep[]): OrderCost {
  const change = (of: (step: TimedStep) => number | string | undefined) =>
    steps.filter((step, at) => at > 0 && of(step) !== of(steps[at - 1] as TimedStep)).length;
  const own = ({ operation }: TimedStep) => problem.operations[operation];
  return {
    minutes: endOf(problem, steps),
    toolChanges: change((step) => own(step)?.tools[step.choice]?.tool),
    turns: change((step) => `${own(step)?.face} ${own(step)?.posture}`),
    waiting: steps.reduce((sum, { waiting }) => sum + waiting, 0),
  };
}
