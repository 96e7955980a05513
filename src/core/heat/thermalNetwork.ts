import { matrixExponential, type Matrix } from './matrixExponential';

/** A layer of what lies over the cell, from the outside in. All figures are for a square metre. */
export interface HeatLayer {
  readonly name: string;
  /** J/K */
  readonly capacity: number;
  /** W/K to the next layer inwards; the last one has no next. */
  readonly toNext: number;
  /** W/K to the air of the room. */
  readonly toAmbient: number;
}

export interface HeatStack {
  readonly layers: readonly HeatLayer[];
  /** Index of the layer that is to soften; of its innermost one where it is cut into several. */
  readonly adhesive: number;
  /** Into how many layers the adhesive is cut; 1 when left out. */
  readonly adhesiveLayers?: number;
  /** Index of the cell; of its outermost layer, which is the warmest. */
  readonly cell: number;
  readonly ambientCelsius: number;
}

/** What warms the outermost layer: a temperature behind a film. */
export interface Heater {
  readonly celsius: number;
  /** W/K for a square metre */
  readonly coupling: number;
}

/** Temperatures of the layers, °C. */
export type Temperatures = readonly number[];

export const atRest = ({ layers, ambientCelsius }: HeatStack): Temperatures => layers.map(() => ambientCelsius);

/**
 * How temperatures go on over a stretch of time, exactly: the network is linear, so one matrix does it.
 *
 * @param heater   null while nothing warms it
 * @param seconds  the stretch, above 0
 * @throws RangeError for a stack that cannot be
 * Cost: one matrix exponential, then n² a stretch
 */
export function networkStep(
  stack: HeatStack,
  heater: Heater | null,
  seconds: number,
): (from: Temperatures) => Temperatures {
  const step = stepMatrix(stack, heater, seconds);
  return (from) => advanced(step, from);
}

/** The matrix of a step, with the constant drive as its last column: squared, it is that of a step twice as long. */
export const stepMatrix = (stack: HeatStack, heater: Heater | null, seconds: number): Matrix =>
  matrixExponential(augmented(stack, heater).map((row) => row.map((value) => value * seconds)));

/** Temperatures after the step of a matrix. */
export function advanced(step: Matrix, from: Temperatures): Temperatures {
  const count = from.length;
  return from.map((_, row) => {
    const factors = step[row] as readonly number[];
    let sum = factors[count] as number;
    for (let column = 0; column < count; column += 1) sum += (from[column] as number) * (factors[column] as number);
    return sum;
  });
}

/** Rates of all layers, with the constant drive as one more column: d/dt (T, 1) = M (T, 1). */
function augmented({ layers, ambientCelsius, adhesive, cell }: HeatStack, heater: Heater | null): Matrix {
  const count = layers.length;
  const isWhole = (index: number) => Number.isInteger(index) && index >= 0 && index < count;
  if (!isWhole(adhesive) || !isWhole(cell))
    throw new RangeError('networkStep: adhesive or cell is no layer of the stack');
  if (layers.some(({ capacity, toNext, toAmbient }) => !(capacity > 0 && toNext >= 0 && toAmbient >= 0)))
    throw new RangeError('networkStep: a layer has no capacity, or loses less than nothing');
  const rows = layers.map((layer, at) => {
    const row = Array.from({ length: count + 1 }, () => 0);
    const couple = (other: number, conductance: number) => {
      row[other] = (row[other] as number) + conductance / layer.capacity;
      row[at] = (row[at] as number) - conductance / layer.capacity;
    };
    if (at + 1 < count) couple(at + 1, layer.toNext);
    if (at > 0) couple(at - 1, (layers[at - 1] as HeatLayer).toNext);
    const drive = (conductance: number, celsius: number) => {
      row[at] = (row[at] as number) - conductance / layer.capacity;
      row[count] = (row[count] as number) + (conductance * celsius) / layer.capacity;
    };
    drive(layer.toAmbient, ambientCelsius);
    if (at === 0 && heater) drive(heater.coupling, heater.celsius);
    return row;
  });
  return [...rows, Array.from({ length: count + 1 }, () => 0)];
}

/** The coldest place through the adhesive: it is soft when that is. */
export const coldestAdhesive = ({ adhesive, adhesiveLayers = 1 }: HeatStack, now: Temperatures): number =>
  Math.min(...now.slice(adhesive - adhesiveLayers + 1, adhesive + 1));

/** The warmest place through the adhesive: it smears when that is too hot. */
export const warmestAdhesive = ({ adhesive, adhesiveLayers = 1 }: HeatStack, now: Temperatures): number =>
  Math.max(...now.slice(adhesive - adhesiveLayers + 1, adhesive + 1));
