import { Chance } from '@/core/shared/chance';
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
export function drawRange(draw: (chance: Chance) => number): { readonly low: number; readonly high: number } {
  const chance = new Chance(20261126);
  return middle80(Array.from({ length: draws }, () => draw(chance)));
}

/** A share as it could be, from what is known of it: two halves of a normal that meet in the middle. */
export function drawShare({ share, low, high }: KnownYield, chance: Chance, least = 0, most = 1): number {
  const normal = Math.sqrt(-2 * Math.log(1 - chance.next())) * Math.cos(2 * Math.PI * chance.next());
  const spread = (normal > 0 ? high - share : share - low) / tenthsOfNormal;
  return Math.min(most, Math.max(least, share + normal * spread));
}

/** Hand minutes of some steps, each from its own triangle. */
export const drawMinutes = (steps: readonly { readonly minutes: Minutes }[], chance: Chance): number =>
  steps.reduce((sum, { minutes }) => sum + drawTriangle(minutes, chance), 0);
