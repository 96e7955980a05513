import type { Model } from '@/core/procedure/model';
import type { Heat, Operation } from '@/core/procedure/operations';
import type { HeatSource } from '@/core/procedure/vocabulary';
import type { HeatGoal } from './heatPlan';
import { layersOf } from './materials';
import { multiply, type Matrix } from './matrixExponential';
import { advanced, atRest, coldestAdhesive, stepMatrix, type Heater, type HeatStack } from './thermalNetwork';

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
    stack: knownStack(stacked, ambientCelsius, heater, fromCelsius),
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

/** Stacks that were cut: a step asks again whenever it is drawn. */
const known = new Map<string, HeatStack>();
const mostKnown = 32;

function knownStack(...asked: Parameters<typeof fineStack>): HeatStack {
  const key = JSON.stringify(asked);
  const before = known.get(key);
  if (before) return before;
  if (known.size >= mostKnown) known.clear();
  const stack = fineStack(...asked);
  known.set(key, stack);
  return stack;
}

const finest = 16;
/** Halving layers that changes the time until the adhesive is soft by no more than this share changes nothing. */
const sameShare = 0.006;

/**
 * Layers cut so fine that halving them once more changes nothing: the adhesive has a gradient, and its far side lags. The
 * one layer whose halving changes most is halved next, so that few are cut and the network stays small.
 */
function fineStack(
  stacked: NonNullable<Heat['layers']>,
  ambientCelsius: number,
  heater: Heater,
  softCelsius: number,
): HeatStack {
  const parts = stacked.map(() => 1);
  const secondsOf = (cut: readonly number[]) =>
    secondsUntilSoft(cutInto(stacked, cut, ambientCelsius), heater, softCelsius);
  let seconds = secondsOf(parts);
  for (;;) {
    const halved = parts.flatMap((count, at) => {
      if (stacked[at]?.material === 'air' || count >= finest) return [];
      const cut = parts.map((own, other) => (other === at ? own * 2 : own));
      return [{ at, change: Math.abs(secondsOf(cut) - seconds) }];
    });
    const most = halved.reduce((best, one) => (one.change > best.change ? one : best), { at: -1, change: 0 });
    if (most.change <= Math.max(2 * stepSeconds, seconds * sameShare)) break;
    parts[most.at] = (parts[most.at] as number) * 2;
    seconds = secondsOf(parts);
  }
  return cutInto(stacked, parts, ambientCelsius);
}

function cutInto(stacked: NonNullable<Heat['layers']>, parts: readonly number[], ambientCelsius: number): HeatStack {
  const layers = layersOf(stacked, parts);
  return {
    layers,
    adhesive: layers.findLastIndex(({ name }) => name === 'adhesive'),
    adhesiveLayers: parts[stacked.findIndex(({ material }) => material === 'adhesive')] ?? 1,
    cell: stacked.at(-1)?.material === 'cell' ? layers.length - (parts.at(-1) ?? 1) : layers.length - 1,
    ambientCelsius,
  };
}

const longestLook = 3600;
const stepSeconds = 0.25;

/**
 * Seconds under the heater until the coldest of the adhesive is soft: what warms under one heater only gets warmer, so the
 * longest stretch is found by halves, each matrix being the square of the one before.
 */
function secondsUntilSoft(stack: HeatStack, heater: Heater, softCelsius: number): number {
  const steps: { readonly seconds: number; readonly matrix: Matrix }[] = [
    { seconds: stepSeconds, matrix: stepMatrix(stack, heater, stepSeconds) },
  ];
  for (let last = steps[0]; last && last.seconds < longestLook / 2; last = steps.at(-1))
    steps.push({ seconds: last.seconds * 2, matrix: multiply(last.matrix, last.matrix) });
  let now = atRest(stack);
  let seconds = 0;
  for (const step of steps.reverse()) {
    const next = advanced(step.matrix, now);
    if (coldestAdhesive(stack, next) >= softCelsius) continue;
    now = next;
    seconds += step.seconds;
  }
  return seconds;
}
