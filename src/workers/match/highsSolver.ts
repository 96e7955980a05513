import loadHighs, { type Highs, type Model, type ModelStatusCode } from 'highs';
import type { LinearModel } from '@/core/matchPlan/linearModel';
import type { SolveHow, Solved, Solver } from '@/core/matchPlan/solvePlan';

/** Statuses of the library that are told apart here. */
const optimal: ModelStatusCode = 7;
const impossible: ModelStatusCode = 8;
const unboundedOrNot: ModelStatusCode = 9;

/** Whole cents: what differs by less is the same plan. */
const absoluteGap = 0.9;

let loading: Promise<Highs> | undefined;

/** The columns of a model as packed lists, once for each model: it is solved several times. */
interface Packed {
  readonly starts: Int32Array;
  readonly indices: Int32Array;
  readonly values: Float64Array;
}
const packedOf = new WeakMap<LinearModel, Packed>();

function packed(model: LinearModel): Packed {
  const known = packedOf.get(model);
  if (known) return known;
  const { rows } = model;
  const starts = new Int32Array(rows.length + 1);
  for (const [at, { terms }] of rows.entries()) starts[at + 1] = (starts[at] as number) + terms.length;
  const indices = new Int32Array(starts.at(-1) ?? 0);
  const values = new Float64Array(indices.length);
  let next = 0;
  for (const { terms } of rows)
    for (const [column, factor] of terms) {
      indices[next] = column;
      values[next] = factor;
      next += 1;
    }
  const made = { starts, indices, values };
  packedOf.set(model, made);
  return made;
}

/** What a run is asked between its steps. */
export interface Watch {
  /** True ends the run with what it has. */
  readonly isCancelled?: () => boolean;
  readonly onProgress?: (progress: { readonly gain: number; readonly bound: number }) => void;
}

/** The library, compiled once a thread; the first model takes longest. */
export async function highsSolver(watch: Watch = {}): Promise<Solver> {
  const highs = await (loading ??= loadHighs());
  const { maximize } = highs.constants.objectiveSense;
  return (model, how) => {
    try {
      return highs.withModel((own): Solved => run(own, maximize, model, how, watch));
    } catch (error) {
      // Out of memory, or worse: nothing in it can be relied on any more. The next question loads it anew.
      loading = undefined;
      throw error;
    }
  };
}

function run(
  own: Model,
  sense: Highs['constants']['objectiveSense']['maximize'],
  model: LinearModel,
  { isRelaxed, fixed, start, seconds }: SolveHow,
  watch: Watch,
): Solved {
  const { columns, rows } = model;
  const value = (column: number, bound: number) => fixed?.get(column) ?? bound;
  own.options.set({
    output_flag: watch.onProgress !== undefined,
    log_to_console: false,
    time_limit: seconds,
    mip_rel_gap: 0,
    mip_abs_gap: absoluteGap,
    random_seed: 19,
  });
  own.passModel({
    numCols: columns.length,
    numRows: rows.length,
    sense,
    colCost: columns.map(({ gain }) => gain),
    colLower: columns.map(({ low }, column) => value(column, low)),
    colUpper: columns.map(({ high }, column) => value(column, high)),
    rowLower: rows.map(({ low }) => low),
    rowUpper: rows.map(({ high }) => high),
    matrix: { format: 'csr', numRows: rows.length, numCols: columns.length, ...packed(model) },
    ...(!isRelaxed && { integrality: Int32Array.from(columns, ({ isWhole }) => Number(isWhole)) }),
  });
  if (start && !isRelaxed) own.setSolution({ colValue: Float64Array.from(start) });
  const { modelStatus } = own.run({
    2: (event) => {
      if (watch.isCancelled?.()) event.interrupt();
      return undefined;
    },
    1: (event) => {
      if (watch.isCancelled?.()) event.interrupt();
      return undefined;
    },
    6: (event) => {
      if (watch.isCancelled?.()) event.interrupt();
      const { mip_primal_bound: gain, mip_dual_bound: bound } = event.data;
      if (gain !== undefined && bound !== undefined) watch.onProgress?.({ gain, bound });
      return undefined;
    },
  });
  if (modelStatus === impossible || modelStatus === unboundedOrNot)
    return { is: 'impossible', values: null, gain: -Infinity, bound: -Infinity, reduced: null, duals: null };
  const is = modelStatus === optimal ? 'optimal' : 'stopped';
  const hasOne = is === 'optimal' || Number(own.info.get('primal_solution_status')) === 2;
  const { colValue, colDual, rowDual } = own.getSolution();
  const gain = hasOne ? own.getObjectiveValue() : -Infinity;
  const bound = isRelaxed ? (is === 'optimal' ? gain : Infinity) : Number(own.info.get('mip_dual_bound'));
  return {
    is,
    values: hasOne ? Float64Array.from(colValue) : null,
    gain,
    bound,
    reduced: isRelaxed && hasOne ? Float64Array.from(colDual) : null,
    duals: isRelaxed && hasOne ? Float64Array.from(rowDual) : null,
  };
}
