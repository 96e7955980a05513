import { formulate } from '@/core/matchPlan/formulate';
import { mostWanted, withOneMore, type Wanted } from '@/core/matchPlan/oneMore';
import { evaluate } from '@/core/matchPlan/evaluate';
import type { MatchPlan } from '@/core/matchPlan/plan';
import type { MatchProblem, SlotWish, Wish } from '@/core/matchPlan/problem';
import { unitByUnit } from '@/core/matchPlan/unitByUnit';
import type { KindWays, KnownWays } from '@/core/matching/kindWays';
import type { MatchStock } from '@/core/matching/matchStock';
import { stockGround, type StockGround } from '@/core/matching/stockGround';
import { stockProblem, type MatchTerms } from '@/core/matching/stockProblem';
import { hands } from '@/core/matching/waysToBuild';
import type { HouseRules } from '@/core/shared/houseRules';
import { highsSolver, type Watch } from './highsSolver';
import { solveProblem, type SolvedPlan } from './solveProblem';

/** A plan for the whole stock, and what it is measured by. */
export interface ShopPlan extends SolvedPlan {
  readonly problem: MatchProblem;
  /** What a careful person gets unit by unit, and the best without donors. */
  readonly unitByUnitCents: number;
  readonly noDonorsCents: number;
  /** What one more hour at the benches would bring; null where hours do not run short. */
  readonly hourCents: number | null;
  /** What a plan would bring that heeds nothing that was accepted before; null where nothing was. */
  readonly anewCents: number | null;
  readonly proposed: StockGround['proposed'];
  readonly lapsed: StockGround['lapsed'];
  /** What was worked out now of kinds of units, for whoever asks next. */
  readonly made: readonly (readonly [key: string, ways: KindWays])[];
  /** Orders that cannot be met, where there is no plan; empty where it is the wishes or the minutes. */
  readonly blocking: readonly { readonly order: string; readonly count: number }[];
  /** Where orders cannot be met: what one more of would bring them nearer. */
  readonly helps: readonly Wanted[];
}

/** The next best plan where one choice is forbidden. */
export interface WithoutIt {
  /** Less than with it; null where there is no plan without it. */
  readonly lossCents: number | null;
  readonly plan: MatchPlan | null;
  readonly isProven: boolean;
}

/** Who is told how far a plan is. */
export interface PlanWatch extends Watch {
  /** Kinds of units that were looked at. */
  readonly onKinds?: (progress: { readonly kinds: number; readonly outOf: number }) => void;
}

/** Who may re-solve how long: measures are worth less than the plan. */
const measureSeconds = 5;
const missCents = 100_000_000;

/** Makes the problem of a stock and solves it. */
export async function planStock(
  stock: MatchStock,
  terms: MatchTerms,
  rules: HouseRules,
  seconds: number,
  watch: PlanWatch = {},
  ways: KnownWays = new Map(),
): Promise<ShopPlan> {
  const { ground, made } = groundOf(stock, terms.purchaseDays, rules, watch, ways);
  const problem = stockProblem(ground, terms, rules);
  const solved = await solveProblem(problem, seconds, watch);
  const { keeps, ...free } = problem;
  const anew = keeps && solved.plan ? await solveProblem(free, measureSeconds, watch) : null;
  const { proposed, lapsed } = ground;
  const measured = {
    ...{ problem, proposed, lapsed, made },
    unitByUnitCents: evaluate(problem, unitByUnit(problem)).cents,
    anewCents: anew && Math.max(anew.cents, solved.cents),
  };
  if (!solved.plan) {
    // One that was called off, or out of time, is not impossible.
    const why = solved.isImpossible ? await whatBlocks(problem) : { blocking: [], helps: [] };
    return { ...solved, ...measured, noDonorsCents: 0, hourCents: null, ...why };
  }
  const without = { ...problem, units: problem.units.map((group) => ({ ...group, levels: [] })) };
  const noDonors = await solveProblem(without, measureSeconds, watch);
  return {
    ...solved,
    ...measured,
    noDonorsCents: noDonors.cents,
    hourCents: await worthOfAnHour(problem, solved, watch),
    blocking: [],
    helps: [],
  };
}

/** The last one: whoever wishes something else of the same stock does not wait for it again, and of another only for what changed. */
let known: { readonly of: string; readonly ground: StockGround } | undefined;

/** @param ways  what others have worked out */
function groundOf(
  stock: MatchStock,
  purchaseDays: number,
  rules: HouseRules,
  watch: PlanWatch,
  ways: KnownWays,
): { readonly ground: StockGround; readonly made: ShopPlan['made'] } {
  const of = JSON.stringify([{ ...stock, lost: [...stock.lost] }, purchaseDays, rules]);
  if (known?.of === of) return { ground: known.ground, made: [] };
  const before: KnownWays = new Map([...(known?.ground.ways ?? []), ...ways]);
  const onKind = (kinds: number, outOf: number) => watch.onKinds?.({ kinds, outOf });
  const ground = stockGround(stock, purchaseDays, rules, { known: before, onKind });
  known = { of, ground };
  return { ground, made: [...ground.ways].filter(([key]) => !ways.has(key)) };
}

async function worthOfAnHour(
  problem: MatchProblem,
  { cents, isProven }: SolvedPlan,
  watch: Watch,
): Promise<number | null> {
  if (!isProven || !problem.resources.some(({ id }) => id === hands)) return null;
  const resources = problem.resources.map((own) => (own.id === hands ? { ...own, minutes: own.minutes + 60 } : own));
  const more = await solveProblem({ ...problem, resources }, measureSeconds, watch);
  return more.isProven ? more.cents - cents : null;
}

/**
 * Which firm orders stand in the way of any plan, and what one more of would bring them nearer: what is still missing where each
 * that is missing costs a fortune.
 */
export async function whatBlocks(problem: MatchProblem): Promise<Pick<ShopPlan, 'blocking' | 'helps'>> {
  const orders = problem.orders.map((order) => (order.isFirm ? { ...order, isFirm: false, missCents } : order));
  const soft = { ...problem, orders };
  const firm = new Set(problem.orders.filter(({ isFirm }) => isFirm).map(({ id }) => id));
  const missingIn = (plan: MatchPlan | null) => plan?.missing.filter(({ order }) => firm.has(order)) ?? [];
  const lacks = (plan: MatchPlan | null) => missingIn(plan).reduce((sum, { count }) => sum + count, 0);
  const { plan } = await solveProblem(soft, measureSeconds);
  const helps: Wanted[] = [];
  for (const wanted of lacks(plan) > 0 ? await shortlist(soft, helpsOf, measureSeconds) : []) {
    const more = await solveProblem(withOneMore(soft, wanted), measureSeconds);
    if (more.plan && lacks(more.plan) < lacks(plan)) helps.push(wanted);
  }
  return { blocking: missingIn(plan), helps };
}

/** What is lost when one choice of a plan is forbidden: the difference of the two best plans. */
export async function planWithout(
  problem: MatchProblem,
  cents: number,
  { wishes = [], slotWishes = [] }: { readonly wishes?: readonly Wish[]; readonly slotWishes?: readonly SlotWish[] },
  seconds: number,
  watch: Watch = {},
): Promise<WithoutIt> {
  const other = await solveProblem(
    {
      ...problem,
      wishes: [...problem.wishes, ...wishes],
      slotWishes: [...problem.slotWishes, ...slotWishes],
    },
    seconds,
    watch,
  );
  return { lossCents: other.plan ? cents - other.cents : null, plan: other.plan, isProven: other.isProven };
}

/** What one more of something would bring, over what it is worth by itself. */
export interface OneMore {
  readonly wanted: Wanted;
  /** The most that it would pay to give for it. */
  readonly cents: number;
}

const oneMoreOf = { parts: 6, units: 3 } as const;
const helpsOf = { parts: 3, units: 2 } as const;

/** What it pays to look at one more of, as the relaxed programme has it. */
async function shortlist(
  problem: MatchProblem,
  most: Parameters<typeof mostWanted>[3],
  seconds: number,
): Promise<readonly Wanted[]> {
  const solver = await highsSolver();
  const formulation = formulate(problem);
  const { duals } = solver(formulation.model, { isRelaxed: true, seconds });
  return duals ? mostWanted(problem, formulation, duals, most) : [];
}

/** Where one more part, or one more unit, would bring most: re-solves with it, the best first. */
export async function worthOfMore(
  problem: MatchProblem,
  cents: number,
  seconds: number,
  watch: Watch = {},
): Promise<readonly OneMore[]> {
  const end = performance.now() + seconds * 1000;
  const found: OneMore[] = [];
  for (const wanted of await shortlist(problem, oneMoreOf, seconds)) {
    const left = (end - performance.now()) / 1000;
    if (left < 0.1 || watch.isCancelled?.()) break;
    const more = await solveProblem(withOneMore(problem, wanted), left, watch);
    const own = wanted.is === 'part' ? wanted.worthCents : 0;
    if (more.isProven && more.cents > cents) found.push({ wanted, cents: more.cents - cents + own });
  }
  return found.sort((a, b) => b.cents - a.cents);
}
