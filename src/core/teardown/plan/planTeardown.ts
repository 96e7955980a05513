import { authorOrder } from '@/core/procedure/authorOrder';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { isReady, operationsFor, type Situation } from '@/core/procedure/situation';
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
  const isDone = (id: string) => done.some((other) => other.id === id);
  const left = everything.filter(({ id }) => !isDone(id));
  // What the plan reached by another way than taking everything out would, stays as it is.
  const byId = new Map(situation.operations.map((operation) => [operation.id, operation]));
  const reached = new Set(done.map(({ id }) => id));
  for (let before = -1; before < reached.size;) {
    before = reached.size;
    for (const { id } of left) if (isReady(byId.get(id) as Operation, reached, byId)) reached.add(id);
  }
  const rest = left.filter(({ id }) => reached.has(id)).map(({ id }) => byId.get(id) as Operation);
  const { operations } = orderOperations(
    rest,
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
    verdict: !can.has(known.part)
      ? 'unreachable'
      : !freed.has(known.part)
        ? 'leave'
        : payFromCents === 0
          ? 'along'
          : 'free',
  };
}

/** The chosen operations as their author wrote them down: always the first one that can be done. */
function authorCost(
  model: Model,
  situation: Situation,
  operations: readonly Operation[],
  done: readonly Placed[],
  sequence: SequenceProblem,
): OrderCost {
  const place = new Map(authorOrder(model, situation).map(({ id }, at) => [id, at]));
  const placeOf = ({ operation }: Placed) => place.get(operations[operation]?.id ?? '') ?? Infinity;
  const left = [...done].sort((a, b) => placeOf(a) - placeOf(b));
  const over = new Set<number>();
  const order: Placed[] = [];
  while (left.length > 0) {
    const isReady = ({ operation }: Placed) =>
      sequence.operations[operation]?.after.every((any) => any.some((before) => over.has(before))) === true;
    const [{ operation }] = left.splice(left.findIndex(isReady), 1) as [Placed];
    over.add(operation);
    order.push({ operation, choice: 0 });
  }
  return costOf(sequence, timeOrder(sequence, order));
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
