import type { Model } from '@/core/procedure/model';
import type { Heat, Operation } from '@/core/procedure/operations';
import type { HeatSource } from '@/core/procedure/vocabulary';
import type { HeatGoal } from './heatPlan';
import { layersOf } from './materials';
import type { Heater, HeatStack } from './thermalNetwork';

/** How well each source couples to a cover, W/K for a square metre: guesses, which a probe corrects. */
const couplings: Readonly<Record<HeatSource, number>> = { 'hot plate': 70, 'hot air': 65, dryer: 45 };

/** The adhesive gives this far below what warms it, K. */
const windowKelvin = 15;
const marginKelvin = 3;
/** A cell whose limit nobody wrote down. */
const cautiousLimit = 60;

/** Where the model does not say what lies there: a glass cover, the adhesive below its rim, an air gap and the cell. */
const commonLayers: NonNullable<Heat['layers']> = [
  { material: 'glass', mm: 1 },
  { material: 'adhesive', mm: 0.4 },
  { material: 'air', mm: 0.6 },
  { material: 'cell', mm: 4 },
];

export interface HeatQuestion {
  readonly stack: HeatStack;
  /** False where the model does not say its layers, and common ones were taken. */
  readonly isOwnStack: boolean;
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
  const stacked = heat.layers ?? commonLayers;
  const layers = layersOf(stacked);
  // With no cell below it, or every cell out, only what warms it bounds it.
  const isBare = stacked.at(-1)?.material !== 'cell' || (limits.length === 0 && outParts.length > 0);
  return {
    stack: {
      layers,
      adhesive: layers.findIndex(({ name }) => name === 'adhesive'),
      cell: layers.length - 1,
      ambientCelsius,
    },
    isOwnStack: heat.layers !== undefined,
    heater: { celsius: heat.celsius, coupling: couplings[heat.source] },
    goal: {
      fromCelsius: heat.softCelsius ?? heat.celsius - windowKelvin,
      toCelsius: heat.celsius,
      limitCelsius: isBare ? heat.celsius + marginKelvin : limits.length > 0 ? Math.min(...limits) : cautiousLimit,
      marginKelvin,
    },
  };
}
