import { atRest, networkStep, type Heater, type HeatStack, type Temperatures } from './thermalNetwork';

/** A probe on the outermost layer. */
export interface ProbeReading {
  /** Since the heater was switched on. */
  readonly seconds: number;
  readonly celsius: number;
}

export interface CouplingFit {
  readonly heater: Heater;
  /** Root of the mean square of what is left, K. */
  readonly rmsKelvin: number;
  /** Temperatures at the last reading, by the fit. */
  readonly now: Temperatures;
}

/** The film between heater and cover is known no better than this. */
const spread = 8;
const gridPoints = 33;
const narrowings = 40;
const golden = (Math.sqrt(5) - 1) / 2;

/**
 * How well the heater really couples, from what the probe reads: the one coefficient for which the network's outermost
 * layer runs closest to the readings, by least squares.
 *
 * @param readings  in any order; with fewer than two nothing is fitted
 * @returns null when there is nothing to fit
 * Source: least squares over one coefficient on a grid in its logarithm, then golden section
 */
export function fitCoupling(
  stack: HeatStack,
  heater: Heater,
  readings: readonly ProbeReading[],
  start: Temperatures = atRest(stack),
): CouplingFit | null {
  const sorted = [...readings]
    .filter(({ seconds, celsius }) => seconds > 0 && Number.isFinite(celsius))
    .sort((a, b) => a.seconds - b.seconds);
  if (sorted.length < 2) return null;
  const run = (coupling: number) => follow(stack, { ...heater, coupling }, sorted, start);
  const errorAt = (log: number) => run(Math.exp(log)).squares;
  const [low, high] = [Math.log(heater.coupling / spread), Math.log(heater.coupling * spread)];
  const width = (high - low) / (gridPoints - 1);
  const grid = Array.from({ length: gridPoints }, (_, at) => low + at * width);
  const errors = grid.map(errorAt);
  const best = grid[errors.indexOf(Math.min(...errors))] as number;
  let [a, b] = [Math.max(low, best - width), Math.min(high, best + width)];
  for (let narrowing = 0; narrowing < narrowings; narrowing += 1) {
    const [left, right] = [b - golden * (b - a), a + golden * (b - a)];
    if (errorAt(left) < errorAt(right)) b = right;
    else a = left;
  }
  const coupling = Math.exp((a + b) / 2);
  const { squares, now } = run(coupling);
  return { heater: { ...heater, coupling }, rmsKelvin: Math.sqrt(squares / sorted.length), now };
}

function follow(stack: HeatStack, heater: Heater, sorted: readonly ProbeReading[], start: Temperatures) {
  let now = start;
  let at = 0;
  let squares = 0;
  // Readings come evenly as a rule: the matrix of the same stretch is made once.
  const steps = new Map<number, (from: Temperatures) => Temperatures>();
  for (const { seconds, celsius } of sorted) {
    const stretch = Math.round((seconds - at) * 1000) / 1000;
    if (stretch > 0) {
      const step = steps.get(stretch) ?? networkStep(stack, heater, stretch);
      steps.set(stretch, step);
      now = step(now);
    }
    at = seconds;
    squares += ((now[0] as number) - celsius) ** 2;
  }
  return { now, squares };
}
