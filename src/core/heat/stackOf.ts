import type { Model } from '@/core/procedure/model';
import type { Operation } from '@/core/procedure/operations';
import type { HeatSource } from '@/core/procedure/vocabulary';
import type { HeatGoal } from './heatPlan';
import type { Heater, HeatStack } from './thermalNetwork';

/** How well each source couples to a cover, W/K for a square metre: guesses, which a probe corrects. */
const couplings: Readonly<Record<HeatSource, number>> = { 'hot plate': 55, 'hot air': 65, dryer: 45 };

/** The adhesive gives this far below what warms it, K. */
const windowKelvin = 15;
const marginKelvin = 3;
/** A cell whose limit nobody wrote down. */
const cautiousLimit = 60;

/**
 * A cover of glass or plastic with its frame, the adhesive below its rim, the air gap and the cell: figures of common
 * materials, for a square metre.
 */
const commonLayers = [
  { name: 'cover', capacity: 2600, toNext: 420, toAmbient: 3 },
  { name: 'adhesive', capacity: 1100, toNext: 22, toAmbient: 2 },
  { name: 'cell', capacity: 9500, toNext: 0, toAmbient: 11 },
] as const;

export interface HeatQuestion {
  readonly stack: HeatStack;
  readonly heater: Heater;
  readonly goal: HeatGoal;
}

/**
 * What a step that warms something asks of the heat plan; null for one that does not.
 *
 * @param outParts  parts that are out: a cell among them bounds nothing any more
 */
export function heatQuestion(
  model: Model,
  operation: Operation,
  ambientCelsius: number,
  outParts: readonly string[] = [],
): HeatQuestion | null {
  const { heat } = operation;
  if (!heat) return null;
  const limits = model.parts.flatMap(({ id, heatLimitCelsius }) =>
    outParts.includes(id) ? [] : (heatLimitCelsius ?? []),
  );
  // With every cell out only what warms it bounds it.
  const isBare = limits.length === 0 && outParts.length > 0;
  return {
    stack: { layers: commonLayers, adhesive: 1, cell: 2, ambientCelsius },
    heater: { celsius: heat.celsius, coupling: couplings[heat.source] },
    goal: {
      fromCelsius: heat.celsius - windowKelvin,
      toCelsius: heat.celsius,
      limitCelsius: limits.length > 0 ? Math.min(...limits) : isBare ? heat.celsius + marginKelvin : cautiousLimit,
      marginKelvin,
    },
  };
}
