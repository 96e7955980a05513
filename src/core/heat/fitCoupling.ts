import { atRest, networkStep, type Heater, type HeatStack, type Temperatures } from './thermalNetwork';

/** A probe on the outermost layer. */
export interface ProbeReading {
  /** Since the heater was switched on. */
  readonly seconds: number;
  readonly celsius: number;
}

/** The heater went on or off; it is on from the start unless a switch at 0 says otherwise. */
export interface HeaterSwitch {
  readonly seconds: number;
  readonly isOn: boolean;
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
 * @param switches  in order of time, when the heater went off and on again meanwhile
 * @returns null when there is nothing to fit
 * Source: least squares over one coefficient on a grid in its logarithm, then golden section
 */
export function fitCoupling(
  stack: HeatStack,
  heater: Heater,
  readings: readonly ProbeReading[],
  start: Temperatures = atRest(stack),
  switches: readonly HeaterSwitch[] = [],
): CouplingFit | null {
  const sorted = [...readings]
    .filter(({ seconds, celsius }) => seconds > 0 && Number.isFinite(celsius))
    .sort((a, b) => a.seconds - b.seconds);
  if (sorted.length < 2) return null;
  const run = (coupling: number) => follow(stack, { ...heater, coupling }, sorted, start, switches);
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

function follow(
  stack: HeatStack,
  heater: Heater,
  sorted: readonly ProbeReading[],
  start: Temperatures,
  switches: readonly HeaterSwitch[],
) {
  const advance = advancer(stack, heater);
  let now = start;
  let squares = 0;
  let [at, isOn, next] = [0, true, 0];
  const goTo = (seconds: number) => {
    now = advance(now, isOn, seconds - at);
    at = seconds;
  };
  for (const { seconds, celsius } of sorted) {
    for (let turn = switches[next]; turn && turn.seconds <= seconds; turn = switches[(next += 1)]) {
      goTo(Math.max(at, turn.seconds));
      ({ isOn } = turn);
    }
    goTo(seconds);
    squares += ((now[0] as number) - celsius) ** 2;
  }
  return { now, squares };
}

/** Steps of any length, with the heater on or off. Readings come evenly as a rule: a matrix is made once. */
function advancer(stack: HeatStack, heater: Heater) {
  const steps = new Map<number, (from: Temperatures) => Temperatures>();
  return (from: Temperatures, isOn: boolean, seconds: number): Temperatures => {
    const stretch = Math.round(seconds * 1000) / 1000;
    if (stretch <= 0) return from;
    const key = isOn ? stretch : -stretch;
    const step = steps.get(key) ?? networkStep(stack, isOn ? heater : null, stretch);
    steps.set(key, step);
    return step(from);
  };
}

/**
 * Temperatures after a while of a heater that went on and off.
 *
 * @param seconds  since it first came on
 */
export function temperaturesAt(
  stack: HeatStack,
  heater: Heater,
  switches: readonly HeaterSwitch[],
  seconds: number,
): Temperatures {
  return follow(stack, heater, [{ seconds, celsius: 0 }], atRest(stack), switches).now;
}
