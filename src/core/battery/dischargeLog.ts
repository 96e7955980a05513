import { accept, refuse, type Outcome } from '@/core/shared/outcome';
import type { Sample } from './sample';
import { resistanceOf, type StepResistance } from './stepResistance';

/** A pause in the log that was bridged as if the current had gone on. */
export interface Gap {
  readonly fromS: number;
  readonly seconds: number;
  readonly ampHours: number;
}

export interface Discharge {
  /** Counted between full and the cut-off. */
  readonly ampHours: number;
  readonly wattHours: number;
  /** Half of the 95 % interval of the charge. */
  readonly plusMinusAmpHours: number;
  /** Sign that a discharge has in this log. */
  readonly sign: 1 | -1;
  readonly gaps: readonly Gap[];
  /** Times at which the analyser began to count anew. */
  readonly resets: number;
  readonly samples: number;
  /** False: it ended before the cut-off, and the cell holds more than was counted. */
  readonly isWhole: boolean;
  readonly meanAmpere: number;
  readonly meanCelsius: number | null;
  readonly resistance: StepResistance | null;
  /** What was integrated, for a curve: charge taken out so far against voltage, at most `curvePoints` of them. */
  readonly curve: readonly { readonly ampHours: number; readonly volt: number }[];
}

export interface DischargeLimits {
  /** The discharge is over when the voltage first falls to it. */
  readonly cutOffVolt: number;
  readonly ratedAmpHours: number;
}

/** Half of the 95 % interval of an analyser's current, as a share: what makers of such instruments state. */
const currentShare = 0.005;
/** An interval is a gap when it is so many times the usual one, and longer than a few seconds. */
const gapTimes = 5;
const gapSeconds = 5;
/** Less than this share of the usual current is a rest. */
const restShare = 0.05;
/** A rest within a discharge may be so long: a step to read the resistance. */
const longestRestS = 300;
const curvePoints = 400;

/**
 * Integrates a discharge between full and cut-off by the trapezoid rule on samples that need not be regular. The sign of the
 * current is found by what the voltage does; a clock that begins anew is taken on from where it was; gaps are bridged, named,
 * and widen the interval by what they may have hidden.
 *
 * @param samples  in the order of the log
 * @returns charge in ampere hours, energy in watt hours, with its interval
 * @refuses 'discharge-empty' for too little; 'log-too-low' for one that begins below its end; 'log-backwards' for a clock that runs backwards; 'log-charging' where a charge was
 *          recorded; 'log-units' where the figures cannot be volts and amperes of such a cell
 */
export function readDischarge(
  samples: readonly Sample[],
  { cutOffVolt, ratedAmpHours }: DischargeLimits,
): Outcome<Discharge> {
  if (samples.length < 10) return refuse('discharge-empty', { lines: samples.length });
  const timed = straighten(samples);
  if (typeof timed === 'number') return refuse('log-backwards', { line: timed + 1 });
  const { rows, resets, usualS } = timed;
  const flowing = median(rows.map(({ ampere }) => Math.abs(ampere)).filter((ampere) => ampere > 0)) || 0;
  if (flowing === 0) return refuse('discharge-empty', { lines: samples.length });
  // A cell is emptied in minutes to days; a figure a thousand times off is in milliunits.
  const hours = ratedAmpHours / flowing;
  if (hours < 0.05 || hours > 500 || rows.every(({ volt }) => volt > 60))
    return refuse('log-units', { ampere: flowing, volt: rows[0]?.volt ?? 0 });
  const sign = dischargeSign(rows, flowing);
  if (sign === null) return refuse('log-charging');
  const run = longestRun(rows, sign, flowing * restShare);
  if (!run) return refuse('log-charging');
  const begins = run[0]?.volt ?? 0;
  if (begins <= cutOffVolt) return refuse('log-too-low', { volt: begins, cutOff: cutOffVolt });
  return accept(integrate(run, { sign, cutOffVolt, usualS, resets }));
}

interface Straight {
  readonly rows: readonly Sample[];
  readonly resets: number;
  readonly usualS: number;
}

/** Times that only rise: a clock that began anew goes on; the place of the first that ran backwards otherwise. */
function straighten(samples: readonly Sample[]): Straight | number {
  const steps = samples.slice(1).map(({ s }, at) => s - (samples[at] as Sample).s);
  const usualS = median(steps.filter((step) => step > 0)) || 1;
  const rows: Sample[] = [];
  let [offset, resets] = [0, 0];
  for (const [at, sample] of samples.entries()) {
    const before = samples[at - 1];
    if (before && sample.s < before.s) {
      // It counts from nought again, or nearly; anything else is a log that was shuffled.
      if (sample.s > Math.max(2 * usualS, 2)) return at;
      offset += before.s + usualS - sample.s;
      resets += 1;
    }
    // The same second twice says nothing new of the time between.
    if (rows.length > 0 && sample.s + offset === rows.at(-1)?.s) continue;
    rows.push({ ...sample, s: sample.s + offset });
  }
  return { rows, resets, usualS };
}

/** The sign of current under which the voltage falls, weighed by how much of it flowed; null when it only rises. */
function dischargeSign(rows: readonly Sample[], flowing: number): 1 | -1 | null {
  const change = { 1: 0, [-1]: 0 };
  let first = 0;
  const signOf = (at: number): 1 | -1 | 0 => {
    const { ampere } = rows[at] as Sample;
    return Math.abs(ampere) < flowing * restShare ? 0 : ampere > 0 ? 1 : -1;
  };
  for (let at = 1; at <= rows.length; at += 1) {
    const sign = signOf(first);
    if (at < rows.length && signOf(at) === sign) continue;
    if (sign !== 0) change[sign] += (rows[at - 1] as Sample).volt - (rows[first] as Sample).volt;
    first = at;
  }
  const falls = ([1, -1] as const).filter((sign) => change[sign] < 0).sort((a, b) => change[a] - change[b]);
  return falls[0] ?? null;
}

/** The discharge in which most time passed, with short rests inside it. */
function longestRun(rows: readonly Sample[], sign: 1 | -1, rest: number): readonly Sample[] | null {
  let best: readonly Sample[] | null = null;
  let [first, last] = [-1, -1];
  const lasts = (run: readonly Sample[]) => (run.at(-1)?.s ?? 0) - (run[0]?.s ?? 0);
  const close = () => {
    if (first < 0) return;
    const run = rows.slice(first, last + 1);
    if (run.length > 1 && (!best || lasts(run) > lasts(best))) best = run;
    first = -1;
  };
  for (const [at, row] of rows.entries()) {
    const flows = row.ampere * sign;
    if (flows > rest) {
      if (first < 0) first = at;
      last = at;
    } else if (flows < -rest || (first >= 0 && row.s - (rows[last] as Sample).s > longestRestS)) close();
  }
  close();
  return best;
}

function integrate(
  run: readonly Sample[],
  { sign, cutOffVolt, usualS, resets }: { sign: 1 | -1; cutOffVolt: number; usualS: number; resets: number },
): Discharge {
  const gapS = Math.max(gapSeconds, gapTimes * usualS);
  let [charge, energy, hidden, celsius, warmth, rough] = [0, 0, 0, 0, 0, 0];
  const gaps: Gap[] = [];
  const [start] = run as readonly [Sample, ...Sample[]];
  const curve = [{ ampHours: 0, volt: start.volt }];
  let isWhole = false;
  let used = 1;
  for (let at = 1; at < run.length && !isWhole; at += 1) {
    const from = run[at - 1] as Sample;
    let to = run[at] as Sample;
    // Falls below the cut-off between two samples: it was reached in between. A rest lifts the voltage, so only flow counts.
    if (to.volt <= cutOffVolt && to.ampere * sign > 0) {
      const share =
        from.volt > to.volt ? Math.min(1, Math.max(0, (from.volt - cutOffVolt) / (from.volt - to.volt))) : 1;
      to = { ...to, s: from.s + share * (to.s - from.s), volt: cutOffVolt };
      isWhole = true;
    }
    const hours = (to.s - from.s) / 3600;
    const [a, b] = [from.ampere * sign, to.ampere * sign];
    const part = ((a + b) / 2) * hours;
    charge += part;
    energy += ((a * from.volt + b * to.volt) / 2) * hours;
    rough += (Math.abs(b - a) * hours) ** 2 / 12;
    if (to.s - from.s > gapS) {
      gaps.push({ fromS: from.s - start.s, seconds: to.s - from.s, ampHours: part });
      // Whatever flowed in it lay between a rest and the greater of both ends; usually it went on. A tenth of it is open.
      hidden += (0.1 * Math.abs(part)) ** 2;
    }
    if (to.celsius !== undefined) [celsius, warmth] = [celsius + to.celsius * hours, warmth + hours];
    curve.push({ ampHours: charge, volt: to.volt });
    used += 1;
  }
  const lastS = (run[used - 1] as Sample).s;
  return {
    ampHours: charge,
    wattHours: energy,
    plusMinusAmpHours: Math.hypot(currentShare * charge, Math.sqrt(hidden), 2 * Math.sqrt(rough)),
    sign,
    gaps,
    resets,
    samples: used,
    isWhole,
    meanAmpere: charge / Math.max(1e-9, (lastS - start.s) / 3600),
    meanCelsius: warmth > 0 ? celsius / warmth : null,
    resistance: resistanceOf(run.slice(0, used), sign),
    curve: thinned(curve),
  };
}

/** At most so many points, the first and the last among them. */
function thinned<T>(points: readonly T[]): readonly T[] {
  if (points.length <= curvePoints) return points;
  return Array.from({ length: curvePoints }, (_, at) => {
    return points[Math.round((at * (points.length - 1)) / (curvePoints - 1))] as T;
  });
}

function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}
