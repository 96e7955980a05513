import type { Triangle } from './triangle';

/**
 * Share of a triangle that lies up to a value; of one without width, all of it from there on. Two parabolas: the package
 * that has them brings a power function of eight kilobytes to the bench, and holds these to account in the test.
 */
export function triangleShare({ low, likely, high }: Triangle, at: number): number {
  if (at < low) return 0;
  if (at >= high) return 1;
  return at < likely
    ? (at - low) ** 2 / ((high - low) * (likely - low))
    : 1 - (high - at) ** 2 / ((high - low) * (high - likely));
}
