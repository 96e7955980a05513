import type { Discharge } from './dischargeLog';

/** A figure with half of its 95 % interval. */
export interface Figure {
  readonly value: number;
  readonly plusMinus: number;
}

/** Capacities and resistances are compared at this temperature. */
export const referenceCelsius = 25;
/** Share of its charge that a lithium cell gives less for each degree below the reference, and how sure that is. */
const chargePerDegree = 0.006;
/** Its resistance falls by this share for each degree above the reference. */
const resistancePerDegree = 0.03;
/** Half of what is put right by a rule of thumb stays open. */
const openShare = 0.5;

export interface Health {
  /** Charge at the reference temperature, in ampere hours. */
  readonly ampHours: Figure;
  /** In % of what the label says. */
  readonly capacityShare: Figure;
  readonly resistanceMilliOhm: Figure | null;
  /** Share of charge that the temperature was put right by; 0 where none was recorded. */
  readonly putRight: number;
}

/**
 * State of health from a discharge: its charge against the label's, both at 25 °C. What the correction adds is half open, which
 * widens the interval.
 *
 * @param ratedAmpHours  off the label
 */
export function healthOf(discharge: Discharge, ratedAmpHours: number): Health {
  const { ampHours, plusMinusAmpHours, meanCelsius, resistance } = discharge;
  const degrees = meanCelsius === null ? 0 : meanCelsius - referenceCelsius;
  // Warmer than the reference a cell gives hardly more.
  const putRight = chargePerDegree * Math.max(0, -degrees);
  const corrected = ampHours / (1 - putRight);
  const half = Math.hypot(plusMinusAmpHours / (1 - putRight), openShare * (corrected - ampHours));
  const share = (value: number) => (100 * value) / ratedAmpHours;
  return {
    ampHours: { value: corrected, plusMinus: half },
    capacityShare: { value: share(corrected), plusMinus: share(half) },
    resistanceMilliOhm: resistance && correctedResistance(resistance.milliOhm, resistance.plusMinus, degrees),
    putRight,
  };
}

function correctedResistance(milliOhm: number, plusMinus: number, degrees: number): Figure {
  const value = milliOhm * Math.exp(resistancePerDegree * degrees);
  return { value, plusMinus: Math.hypot((plusMinus * value) / milliOhm, openShare * (value - milliOhm)) };
}

/** What the shop knows of a unit's own gauge: how far it read over the analyser on others of its model. */
export interface GaugeRecord {
  /** Own reading less the analyser's, in points of a hundred, one for each cell that had both. */
  readonly over: readonly number[];
}

export interface Fused extends Figure {
  /** What the own gauge was taken to read, put right by its record. */
  readonly gauge: Figure;
  /** Share that the analyser has in what is believed. */
  readonly analyserWeight: number;
  /** The two are further apart than both intervals allow. */
  readonly disagree: boolean;
}

/** A gauge nobody has compared is taken to be right within this, in points of a hundred. */
const unknownGauge = 8;
const enoughRecords = 5;

/**
 * The analyser's state of health and the unit's own reading as one figure, each weighed by its trust (the inverse of its
 * variance). The own gauge is first put right by how far it read over the analyser on other cells of the model.
 *
 * @param own  the unit's own reading, in % of the label
 */
export function fuse(analyser: Figure, own: number, { over }: GaugeRecord): Fused {
  const isKnown = over.length >= enoughRecords;
  const mean = isKnown ? over.reduce((sum, each) => sum + each, 0) / over.length : 0;
  const variance = isKnown ? over.reduce((sum, each) => sum + (each - mean) ** 2, 0) / (over.length - 1) : 0;
  const gauge = { value: own - mean, plusMinus: isKnown ? Math.max(1, 1.96 * Math.sqrt(variance)) : unknownGauge };
  const [a, b] = [1 / analyser.plusMinus ** 2, 1 / gauge.plusMinus ** 2];
  return {
    value: (a * analyser.value + b * gauge.value) / (a + b),
    plusMinus: 1 / Math.sqrt(a + b),
    gauge,
    analyserWeight: a / (a + b),
    disagree: Math.abs(analyser.value - gauge.value) > Math.hypot(analyser.plusMinus, gauge.plusMinus),
  };
}
