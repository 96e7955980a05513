import { Chance } from '@/core/shared/chance';
import { drawBeta, drawNormal } from '@/core/statistics/drawBeta';
import { middle80 } from '@/core/statistics/middle80';
import { drawTriangle } from '@/core/statistics/triangle';
import type { Minutes } from '@/core/procedure/operations';
import type { KnownYield } from './knownYields';

const draws = 400;
const tenthsOfNormal = 1.2815515655446004;

/**
 * The middle 80 % of what a choice brings, by drawing it: sums of parts that come out or not have no shape that a formula
 * would know. The same draws each time, so that a figure moves only when something behind it does.
 *
 * Cost: 400 draws
 */
export const drawRange: RangeOf = (draw) => {
  const chance = new Chance(20261126);
  return middle80(Array.from({ length: draws }, () => draw(chance)));
};

/** How the middle 80 % of what is drawn is found. */
export type RangeOf = (draw: (chance: Chance) => number) => { readonly low: number; readonly high: number };

/**
 * A share as it could be: drawn from the belief itself, a Beta of its mean and its weight, so that the mean of many draws is
 * the share. One without a weight is certain.
 */
export function drawShare({ share, weight }: Pick<KnownYield, 'share' | 'weight'>, chance: Chance): number {
  if (weight === undefined || share <= 0 || share >= 1) return share;
  return drawBeta(share * weight, (1 - share) * weight, chance);
}

/**
 * An amount as it could be, of which the mean and the ends of the middle 80 % are known: two halves of a normal that meet
 * off the mean by what the longer one would draw it.
 */
export function drawAmount(
  { mean, low, high }: { readonly mean: number; readonly low: number; readonly high: number },
  chance: Chance,
): number {
  const [down, up] = [mean - low, high - mean].map((width) => Math.max(0, width) / tenthsOfNormal) as [number, number];
  const normal = drawNormal(chance);
  return mean - (up - down) / Math.sqrt(2 * Math.PI) + normal * (normal > 0 ? up : down);
}

/** Hand minutes of some steps, each from its own triangle. */
export const drawMinutes = (steps: readonly { readonly minutes: Minutes }[], chance: Chance): number =>
  steps.reduce((sum, { minutes }) => sum + drawTriangle(minutes, chance), 0);
