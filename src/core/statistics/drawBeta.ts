import type { Chance } from '../shared/chance';

/**
 * A share drawn from Beta(a, b).
 *
 * @param a  above 0, as `b`
 * @throws RangeError for others
 * Source: as a ratio of two gamma draws; each by G. Marsaglia and W. W. Tsang, A simple method for generating gamma
 * variables, ACM TOMS 26 (2000), with their boost for shapes below 1.
 */
export function drawBeta(a: number, b: number, chance: Chance): number {
  if (!(a > 0 && b > 0)) throw new RangeError(`drawBeta: Beta(${a}, ${b})`);
  const [x, y] = [drawGamma(a, chance), drawGamma(b, chance)];
  // Shapes near nothing can both come out as nothing: then it is one end or the other, by their mean.
  return x + y > 0 ? x / (x + y) : Number(chance.happens(a / (a + b)));
}

function drawGamma(shape: number, chance: Chance): number {
  if (shape < 1) return drawGamma(shape + 1, chance) * (1 - chance.next()) ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = drawNormal(chance);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - chance.next()) < 0.5 * x * x + d - d * v + d * Math.log(v)) return d * v;
  }
}

/** From the normal distribution of mean 0 and variance 1. Source: G. E. P. Box and M. E. Muller (1958). */
export const drawNormal = (chance: Chance): number =>
  Math.sqrt(-2 * Math.log(1 - chance.next())) * Math.cos(2 * Math.PI * chance.next());
