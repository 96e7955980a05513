import type { LinearModel } from './linearModel';

/** What a solver made of a model. */
export interface Solved {
  readonly is: 'optimal' | 'stopped' | 'impossible';
  /** Of the columns; null where it found none. */
  readonly values: Float64Array | null;
  readonly gain: number;
  /** No choice brings more. */
  readonly bound: number;
  /** Of a relaxed model: what one more of each column would change. */
  readonly reduced: Float64Array | null;
  /** Of a relaxed model: what one more of each row's bound is worth; a column's reduced cost is its gain less those of its rows. */
  readonly duals: Float64Array | null;
}

export interface SolveHow {
  /** Fractions of whole things are allowed. */
  readonly isRelaxed?: boolean;
  /** Bounds other than the model's own, by column. */
  readonly fixed?: ReadonlyMap<number, number>;
  /** Where to begin. */
  readonly start?: ArrayLike<number>;
  readonly seconds: number;
}

/** A solver of integer programmes: the core has none of its own. */
export type Solver = (model: LinearModel, how: SolveHow) => Solved;

/** How a solve went: what was found, and how good that is. */
export interface PlanSolution {
  readonly values: Float64Array | null;
  readonly gain: number;
  /** Nothing brings more than this. */
  readonly bound: number;
  readonly isProven: boolean;
  readonly isImpossible: boolean;
  /** How often the smaller model was solved. */
  readonly rounds: number;
}

/** Money is whole cents: less than one apart is the same. */
const sameCents = 0.9;
/** Of the relaxed value: columns whose reduced cost is larger stay where the relaxed model has them. */
const firstShare = 2e-5;
/** Below so many whole columns fixing takes longer than it saves. */
const smallModel = 60;

/**
 * Solves a model with reduced-cost fixing: relaxed it is worth L; a whole column whose reduced cost is more than δ stays where it
 * is; what is left is solved to v. Any plan that moves such a column brings less than L − δ: where L − v ≤ δ, v is proven for the whole
 * model; else δ grows to what is missing.
 *
 * @param seconds  for all of it; what was found by then is given, with the gap that is left
 * @param start  a plan that held before something changed: it need not hold any more
 * Source: Nemhauser and Wolsey, Integer and Combinatorial Optimization, II.5.2 (reduced cost fixing)
 */
export function solvePlan(
  model: LinearModel,
  solve: Solver,
  { seconds, now, start }: { readonly seconds: number; readonly now: () => number; readonly start?: ArrayLike<number> },
): PlanSolution {
  if (model.columns.length === 0) return nothingToChoose(model);
  const end = now() + seconds * 1000;
  const left = () => Math.max(0.05, (end - now()) / 1000);
  const relaxed = solve(model, { isRelaxed: true, seconds: left() });
  const nothing = { values: null, gain: -Infinity, isProven: false, rounds: 0 } as const;
  if (relaxed.is === 'impossible') return { ...nothing, bound: -Infinity, isImpossible: true };
  if (relaxed.is !== 'optimal' || !relaxed.values || !relaxed.reduced)
    return { ...nothing, bound: relaxed.bound, isImpossible: false };
  const { values: at, reduced, gain: most } = relaxed;
  const wholes = model.columns.flatMap(({ isWhole }, column) => (isWhole ? [column] : []));
  let best: Pick<Solved, 'values' | 'gain'> = { values: null, gain: -Infinity };
  let begin = start;
  let bound = most;
  let delta = wholes.length < smallModel ? Infinity : Math.max(100, firstShare * Math.abs(most));
  for (let rounds = 1; ; rounds += 1) {
    const fixed = new Map(
      wholes
        .filter((column) => Math.abs(reduced[column] as number) > delta && isWholeValue(at[column] as number))
        .map((column) => [column, Math.round(at[column] as number)] as const),
    );
    const solved = solve(model, { fixed, seconds: left(), ...(begin && { start: begin }) });
    if (solved.values && solved.gain > best.gain) best = { values: solved.values, gain: solved.gain };
    begin = best.values ?? begin;
    const restBound = solved.is === 'impossible' ? -Infinity : solved.bound;
    bound = Math.min(bound, fixed.size === 0 ? restBound : Math.max(restBound, most - delta));
    const found = { ...best, bound: Math.max(bound, best.gain), rounds };
    if (solved.is === 'stopped') return { ...found, isProven: false, isImpossible: false };
    if (best.values && bound - best.gain <= sameCents)
      return { ...found, bound: best.gain, isProven: true, isImpossible: false };
    if (fixed.size === 0) {
      const isImpossible = solved.is === 'impossible';
      return { ...found, isProven: !isImpossible, isImpossible };
    }
    if (now() >= end) return { ...found, isProven: false, isImpossible: false };
    delta = best.values ? Math.max(1.01 * (most - best.gain), 2 * delta) : delta * 10;
  }
}

/** Where there is nothing to choose there is one plan, unless a row asks for something. */
function nothingToChoose({ rows }: LinearModel): PlanSolution {
  const isImpossible = rows.some(({ low, high }) => low > 0 || high < 0);
  const gain = isImpossible ? -Infinity : 0;
  const values = isImpossible ? null : new Float64Array(0);
  return { values, gain, bound: gain, isProven: !isImpossible, isImpossible, rounds: 0 };
}

const isWholeValue = (value: number): boolean => Math.abs(value - Math.round(value)) < 1e-6;
