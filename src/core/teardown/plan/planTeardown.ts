import { authorOrder } from '@/core/procedure/authorOrder';
import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import { operationsFor, type Situation } from '@/core/procedure/situation';
import { modelBySchools } from '@/core/schools/modelBySchools';
import type { HouseRules } from '@/core/shared/houseRules';
import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import { expectedMinutes } from '../attendedMinutes';
import { takeable } from '../choice/closureProblem';
import { operationClauses } from '../choice/operationClauses';
import { chooseOperations } from '../chooseOperations';
import type { OrderBudget } from '../order/bestOrder';
import { sequenceOf, type OrderGround } from '../order/sequenceOf';
import { endOf, timeOrder, type SequenceProblem, type TimedStep } from '../order/sequenceProblem';
import { orderOperations } from '../orderOperations';
import { carriedWorth, withCarried } from '../worth/carriedWorth';
import { breakEvens, payingParts, type BreakEven, type ChoiceGround, type Prize } from '../worth/payingParts';
import { sparedBy } from '../worth/survival';
import { batchMinutes } from './batchMinutes';
import { curveAlong } from './curveAlong';
import type { OrderCost, PlanAim, PlanLine, PlanRequest, TeardownPlan, PartKnowledge } from './teardownPlan';
import { withSurvival } from './withSurvival';

/** What a planner may take: proves what devices come with. */
export const planBudget: OrderBudget = { states: 20_000 };

/**
 * How far to take a unit apart, which operations that needs, and in which order.
 *
 * The choice is exact in the additive model (see `payingParts`, `chooseOperations`); the order is the best of it (see
 * `bestOrder`). What operations risk for parts that are still in is then counted along the order, and where that changes
 * the answer the better plan is taken and the difference is said.
 *
 * @refuses 'targets-unreachable' for asked parts that nothing frees; 'no-worth' when it is asked what pays and nothing has
 * a worth
 */
export function planTeardown(
  written: Model,
  request: PlanRequest,
  rules: HouseRules,
  budget: OrderBudget = planBudget,
): Outcome<TeardownPlan> {
  const model = modelBySchools(written, rules);
  const { aim, findings } = request;
  const scrap = new Set(request.scrap);
  const choice: ChoiceGround = {
    operations: operationsFor(model, request),
    cost: (operation) => expectedMinutes(operation, findings) * rules.labourCentsPerMinute,
    isAllowed: ({ destroys = [] }) => destroys.every((part) => scrap.has(part)),
  };
  const freeable = freeableParts(choice);
  const isAtRisk = new Set(choice.operations.flatMap(({ risks = [] }) => risks.map(({ part }) => part)));
  // Only what something risks needs to know its own way.
  const ownWays = new Map(
    request.parts.flatMap(({ part }) => {
      const way = isAtRisk.has(part) && freeable.has(part) ? chosenFor(choice, [part]) : null;
      return way?.ok ? [[part, way.value] as const] : [];
    }),
  );
  const bare = request.parts.map((known) => onItsWay(known, ownWays.get(known.part) ?? []));
  const carried = carriedWorth(
    model,
    request,
    bare.filter(({ part }) => freeable.has(part) && !scrap.has(part)),
    rules,
  );
  const parts = withCarried(bare, carried);
  const prizes = prizesOf(model, { ...request, parts });
  if (aim.kind === 'pays' && prizes.every(({ soundCents }) => soundCents <= 0)) return refuse('no-worth');
  const ground: OrderGround = { postures: model.postures, findings };
  const reachable = prizes.filter(({ part }) => freeable.has(part));
  const everything = chosenFor(
    choice,
    reachable.map(({ part }) => part),
  );
  if (!everything.ok) return everything;

  const evens = new Map(breakEvens(choice, prizes).map((entry) => [entry.part, entry]));
  const valued = prizes.map(({ part, soundCents, chance }) => {
    const ownWay = new Set(ownWays.get(part)?.map(({ id }) => id));
    return { part, soundCents, chance, ownWay };
  });

  const first =
    aim.kind === 'pays' ? accept(payingParts(choice, prizes).operations) : chosenFor(choice, aimed(aim, reachable));
  if (!first.ok) return first;
  const { ordered, correction } = withSurvival(
    { chosen: first.value, ground: choice, prizes, valued, mayDrop: aim.kind === 'pays' },
    (chosen) => orderOperations(chosen, ground, rules, budget),
    rules.labourCentsPerMinute,
  );
  const timed = timedAs(ordered.operations, ground, rules);
  const rest = everything.value.filter(({ id }) => !ordered.operations.some((done) => done.id === id));
  const further = orderOperations(
    rest.filter(({ id }) => canFollow(id, [...ordered.operations, ...rest])),
    { ...ground, last: ordered.operations.at(-1), outParts: new Set(ordered.operations.flatMap(({ frees }) => frees)) },
    rules,
  );
  const curve = curveAlong([...ordered.operations, ...further.operations], parts, valued, ground, rules);
  const freed = new Set(ordered.operations.flatMap(({ frees }) => frees));
  const author = asWritten(model, request, ordered.operations);
  return accept({
    operations: ordered.operations,
    steps: timed.steps,
    cost: costOf(timed.problem, timed.steps),
    lowerBoundMinutes: ordered.lowerBound,
    isProven: ordered.isProven,
    authorCost: (({ problem, steps }) => costOf(problem, steps))(timedAs(author, ground, rules)),
    handMinutes: timed.steps.reduce((sum, { setUp, work }) => sum + setUp + work, 0),
    lines: bare.map((known) => ({
      ...lineOf(model, known, withoutCarried(evens.get(known.part), carried), freed, choice, findings),
      carriedCents: carried.get(known.part) ?? 0,
    })),
    netCents: curve[ordered.operations.length]?.cents ?? 0,
    curve,
    correction,
    batch: batchMinutes(timed.problem, timed.steps, request.units ?? 1, rules.moveMinutes),
  });
}

/** A part that was never sought comes out as often as an unseen one does, less what its own way risks. */
function onItsWay(known: PartKnowledge, ownWay: readonly Operation[]): PartKnowledge {
  if (known.isSeen) return known;
  const spared = sparedBy(ownWay, known.part);
  const { chance, lowChance, highChance } = known;
  return { ...known, chance: chance * spared, lowChance: lowChance * spared, highChance: highChance * spared };
}

/** A break-even as the price of the part alone. */
function withoutCarried(even: BreakEven | undefined, carried: ReadonlyMap<string, number>): BreakEven | undefined {
  if (!even?.payFromCents) return even;
  return { ...even, payFromCents: Math.max(0, even.payFromCents - (carried.get(even.part) ?? 0)) };
}

/** Parts that some operation can free, however dear that is. */
function freeableParts({ operations, isAllowed }: ChoiceGround): ReadonlySet<string> {
  const can = takeable(operations.length, operationClauses(operations), (index) =>
    isAllowed(operations[index] as Operation),
  );
  return new Set(can.flatMap((index) => operations[index]?.frees ?? []));
}

function prizesOf(model: Model, { parts, scrap }: PlanRequest): readonly Prize[] {
  return parts.map(({ part, soundCents, chance }) => {
    const boundTo = model.parts.find(({ id }) => id === part)?.boundTo;
    return {
      part,
      soundCents,
      chance: scrap.includes(part) ? 0 : chance,
      ...(boundTo !== undefined && parts.some((other) => other.part === boundTo) && { boundTo }),
    };
  });
}

const aimed = (aim: PlanAim, reachable: readonly Prize[]): readonly string[] =>
  aim.kind === 'parts' ? aim.parts : reachable.filter(({ chance }) => chance > 0).map(({ part }) => part);

function chosenFor(
  { operations, cost, isAllowed }: ChoiceGround,
  parts: readonly string[],
): Outcome<readonly Operation[]> {
  const chosen = chooseOperations(operations, parts, cost, isAllowed);
  if (!chosen.ok) return chosen;
  return accept(operations.filter(({ id }) => chosen.value.ids.includes(id)));
}

/** Whether an operation’s arcs can be met among some operations. */
const canFollow = (id: string, among: readonly Operation[]): boolean => {
  const ids = new Set(among.map((operation) => operation.id));
  return (
    among
      .find((operation) => operation.id === id)
      ?.after.every(({ any }) => any.some((other) => ids.has(other)) || any.every((other) => !ids.has(other))) ?? false
  );
};

function lineOf(
  model: Model,
  known: PartKnowledge,
  even: BreakEven | undefined,
  freed: ReadonlySet<string>,
  { operations }: ChoiceGround,
  findings: Situation['findings'],
): Omit<PlanLine, 'carriedCents'> {
  const payFromCents = even?.payFromCents ?? null;
  const extra = operations.filter(({ id }) => even?.extra.includes(id));
  const isReachable =
    operations.some(({ frees }) => frees.includes(known.part)) &&
    (payFromCents !== null || freed.has(known.part) || known.chance === 0);
  return {
    ...known,
    name: model.parts.find(({ id }) => id === known.part)?.name ?? known.part,
    payFromCents,
    isPriceProven: even?.isProven ?? true,
    extraMinutes: extra.reduce((sum, operation) => sum + expectedMinutes(operation, findings), 0),
    verdict: !isReachable ? 'unreachable' : !freed.has(known.part) ? 'leave' : payFromCents === 0 ? 'along' : 'free',
  };
}

/** The chosen operations in the author's order; one that only a short cut made possible comes where it can. */
function asWritten(model: Model, situation: Situation, chosen: readonly Operation[]): readonly Operation[] {
  const place = new Map(authorOrder(model, situation).map(({ id }, at) => [id, at]));
  const usual = chosen.map((operation) => model.operations.find(({ id }) => id === operation.id) ?? operation);
  const isKnown = usual.every(({ id }) => place.has(id));
  return isKnown ? [...usual].sort((a, b) => (place.get(a.id) as number) - (place.get(b.id) as number)) : chosen;
}

function timedAs(order: readonly Operation[], ground: OrderGround, rules: HouseRules) {
  const problem = sequenceOf(order, ground, rules);
  return {
    problem,
    steps: timeOrder(
      problem,
      order.map((_, operation) => ({ operation, choice: 0 })),
    ),
  };
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
