import type { Model } from '@/core/procedure/model';
import type { Heat, Operation } from '@/core/procedure/operations';
import type { HeatSource } from '@/core/procedure/vocabulary';
import type { HeatGoal } from './heatPlan';
import { layersOf } from './materials';
import { atRest, coldestAdhesive, networkStep, type Heater, type HeatStack } from './thermalNetwork';

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
  const out = new Set(outParts);
  const cells = model.parts.filter(
    ({ category, heatLimitCelsius }) => category === 'battery' || heatLimitCelsius !== undefined,
  );
  const inside = cells.filter(({ id }) => !out.has(id));
  const stacked = layersNow(heat.layers ?? commonLayers, out, cells.length > 0 && inside.length === 0);
  // With no cell below it, only what warms it bounds it; what else is out has nothing to do with that.
  const hasCell = stacked.at(-1)?.material === 'cell';
  const limit = Math.min(...inside.map(({ heatLimitCelsius }) => heatLimitCelsius ?? cautiousLimit), Infinity);
  const heater = { celsius: heat.celsius, coupling: couplings[heat.source] };
  const fromCelsius = heat.softCelsius ?? heat.celsius - windowKelvin;
  return {
    stack: fineStack(stacked, ambientCelsius, heater, fromCelsius),
    isOwnStack: heat.layers !== undefined,
    heater,
    goal: {
      fromCelsius,
      toCelsius: heat.celsius,
      limitCelsius: hasCell ? (Number.isFinite(limit) ? limit : cautiousLimit) : heat.celsius + marginKelvin,
      marginKelvin,
    },
  };
}

/** The layers that are there now: one whose part is out is gone, and so is a cell that is out and the air before it. */
function layersNow(
  layers: NonNullable<Heat['layers']>,
  out: ReadonlySet<string>,
  areCellsOut: boolean,
): NonNullable<Heat['layers']> {
  const here = layers.filter(
    ({ material, part }) =>
      material === 'adhesive' || !(part === undefined ? material === 'cell' && areCellsOut : out.has(part)),
  );
  const inmost = here.findLastIndex(({ material }) => material !== 'air');
  return here.slice(0, inmost + 1);
}

const finest = 16;
/** Halving layers that changes the time until the adhesive is soft by no more than this changes nothing. */
const sameSeconds = 1;

/** Layers cut so fine that halving them once more changes nothing: the adhesive has a gradient, and its far side lags. */
function fineStack(
  stacked: NonNullable<Heat['layers']>,
  ambientCelsius: number,
  heater: Heater,
  softCelsius: number,
): HeatStack {
  let stack = cutInto(stacked, 1, ambientCelsius);
  let seconds = secondsUntilSoft(stack, heater, softCelsius);
  for (let parts = 2; parts <= finest; parts *= 2) {
    const finer = cutInto(stacked, parts, ambientCelsius);
    const finerSeconds = secondsUntilSoft(finer, heater, softCelsius);
    const isSame = Math.abs(finerSeconds - seconds) <= sameSeconds;
    [stack, seconds] = [finer, finerSeconds];
    if (isSame) break;
  }
  return stack;
}

function cutInto(stacked: NonNullable<Heat['layers']>, parts: number, ambientCelsius: number): HeatStack {
  const layers = layersOf(stacked, parts);
  return {
    layers,
    adhesive: layers.findLastIndex(({ name }) => name === 'adhesive'),
    adhesiveLayers: parts,
    cell: stacked.at(-1)?.material === 'cell' ? layers.length - parts : layers.length - 1,
    ambientCelsius,
  };
}

const longestLook = 3600;
function secondsUntilSoft(stack: HeatStack, heater: Heater, softCelsius: number): number {
  const on = networkStep(stack, heater, sameSeconds);
  let now = atRest(stack);
  let seconds = 0;
  while (coldestAdhesive(stack, now) < softCelsius && seconds < longestLook) {
    now = on(now);
    seconds += sameSeconds;
  }
  return seconds;
}
