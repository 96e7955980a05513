import type { Wording } from '@/core/shared/message';
import {
  atRest,
  coldestAdhesive,
  networkStep,
  warmestAdhesive,
  type Heater,
  type HeatStack,
  type Temperatures,
} from './thermalNetwork';

/** When the adhesive is soft enough, and what the cell may not pass. */
export interface HeatGoal {
  /** °C at which the adhesive gives, and above which it smears or the cover suffers. */
  readonly fromCelsius: number;
  readonly toCelsius: number;
  readonly limitCelsius: number;
  /** K that the cell stays below its limit, by the estimate. */
  readonly marginKelvin: number;
}

export interface HeatPhase {
  readonly isOn: boolean;
  readonly seconds: number;
}

export interface HeatPlan {
  /** False when the adhesive does not get there within the hour with the cell below its limit. */
  readonly isReached: boolean;
  /** Heater on and off, in turns, until the adhesive is soft. */
  readonly phases: readonly HeatPhase[];
  readonly readySeconds: number;
  /** Seconds that it stays soft once the heater is off. */
  readonly softSeconds: number;
  /** The most that the cell comes to, also after the heater is off. */
  readonly peakCellCelsius: number;
  readonly bestAdhesiveCelsius: number;
  /** Temperatures of all layers, second by second, from the start. */
  readonly curve: readonly Temperatures[];
}

export const longestSeconds = 3600;
/** A hand switches no quicker than this. */
const shortestPhase = 5;
const hysteresisKelvin = 1.5;
const longestSoak = 900;
/** Adhesive that has given can be cut so far below the temperature at which it gives. */
const stillSoftKelvin = 10;
export const soakStep = 5;

/**
 * When to heat and when not, until the adhesive is soft while the cell stays below its limit.
 *
 * The heater stays on as long as the cell, if it were switched off now, would not pass its limit less the margin by the
 * heat that is still on its way. Otherwise it is off until the cell has fallen a little. Always an estimate: the probe
 * decides.
 *
 * @param start  temperatures at the start; everything at room temperature unless given
 * Cost: one step of the network a second, and a look ahead while the cell is near its limit
 * Source: exact solution of the linear network (thermalNetwork.ts); the switching rule is ours
 */
export function heatPlan(
  stack: HeatStack,
  heater: Heater,
  goal: HeatGoal,
  start: Temperatures = atRest(stack),
): HeatPlan {
  const on = networkStep(stack, heater, 1);
  const off = networkStep(stack, null, 1);
  const soak = networkStep(stack, null, soakStep);
  const most = goal.limitCelsius - goal.marginKelvin;
  const cellOf = (temperatures: Temperatures) => temperatures[stack.cell] as number;
  const softOf = (temperatures: Temperatures) => coldestAdhesive(stack, temperatures);
  const curve: Temperatures[] = [start];
  const phases: { isOn: boolean; seconds: number }[] = [];
  let now = start;
  let isOn = true;
  let peak = cellOf(start);
  while (softOf(now) < goal.fromCelsius && curve.length <= longestSeconds) {
    const phase = phases.at(-1);
    const mayTurn = !phase || phase.isOn !== isOn || phase.seconds >= shortestPhase;
    if (isOn) {
      const next = on(now);
      const isTooMuch = soakPeak(next, soak, stack.cell, most) > most || warmestAdhesive(stack, next) > goal.toCelsius;
      // Safety does not wait for the hand: off is at once.
      if (isTooMuch) isOn = false;
    } else if (mayTurn && soakPeak(now, soak, stack.cell, most) < most - hysteresisKelvin) isOn = true;
    now = isOn ? on(now) : off(now);
    peak = Math.max(peak, cellOf(now));
    curve.push(now);
    const last = phases.at(-1);
    if (last?.isOn === isOn) last.seconds += 1;
    else phases.push({ isOn, seconds: 1 });
  }
  const isReached = softOf(now) >= goal.fromCelsius;
  return {
    isReached,
    phases,
    readySeconds: curve.length - 1,
    softSeconds: isReached ? secondsSoft(now, off, softOf, goal.fromCelsius) : 0,
    peakCellCelsius: Math.max(peak, soakPeak(now, soak, stack.cell)),
    bestAdhesiveCelsius: Math.max(...curve.map(softOf)),
    curve,
  };
}

/**
 * The hottest that a layer gets from here on with the heater off, looked at every few seconds.
 *
 * @param soak     the network over `soakStep` seconds without a heater
 * @param unlessAt when nothing is hotter than this, neither will the layer be: its present temperature is returned
 */
export function soakPeak(
  from: Temperatures,
  soak: (from: Temperatures) => Temperatures,
  layer: number,
  unlessAt = Number.NEGATIVE_INFINITY,
): number {
  let now = from;
  let peak = now[layer] as number;
  if (Math.max(...now) <= unlessAt) return peak;
  for (let second = 0; second < longestSoak; second += soakStep) {
    now = soak(now);
    const value = now[layer] as number;
    // It falls while nothing is hotter than it was: then it only falls.
    if (value < peak && Math.max(...now) <= peak) break;
    peak = Math.max(peak, value);
  }
  return peak;
}

function secondsSoft(
  from: Temperatures,
  off: (from: Temperatures) => Temperatures,
  softOf: (temperatures: Temperatures) => number,
  celsius: number,
): number {
  // It is at the very edge when the plan ends: what has given is still cut a little below.
  const still = celsius - stillSoftKelvin;
  let now = from;
  let seconds = 0;
  while (softOf(now) >= still && seconds < longestSoak) {
    now = off(now);
    seconds += 1;
  }
  return seconds;
}

/** A stretch of the seam that is warmed and then opened. */
export interface HeatSegment {
  readonly warm: Wording<'heat'>;
  readonly workSeconds: number;
}

export interface SegmentPlan {
  readonly segment: HeatSegment;
  readonly plan: HeatPlan;
  /** K below its limit that the cell stays at most, over warming and work. */
  readonly cellMarginKelvin: number;
  /** The work takes longer than it stays soft: warm again in between. */
  readonly warmsAgain: boolean;
}

/**
 * The seam, stretch by stretch. Each begins with cold cover and adhesive, which is the longest it can take, while the
 * layers from the cell inwards keep the heat of the stretches before, which is the worst for the cell.
 */
export function heatSegments(
  stack: HeatStack,
  heater: Heater,
  goal: HeatGoal,
  segments: readonly HeatSegment[],
): readonly SegmentPlan[] {
  const off = networkStep(stack, null, 1);
  let start = atRest(stack);
  return segments.map((segment) => {
    const plan = heatPlan(stack, heater, goal, start);
    let end = plan.curve.at(-1) as Temperatures;
    for (let second = 0; second < segment.workSeconds; second += 1) end = off(end);
    start = end.map((value, layer) => (layer < stack.cell ? stack.ambientCelsius : value));
    return {
      segment,
      plan,
      cellMarginKelvin: goal.limitCelsius - plan.peakCellCelsius,
      warmsAgain: segment.workSeconds > plan.softSeconds,
    };
  });
}
