import type { Screw } from '@/core/procedure/joints';

/**
 * The order in which the screws of one part are tightened: by the model's own numbers where it gives them, else crosswise,
 * each next one the farthest from the last, so that a plate comes down level.
 *
 * Ties go to the one farthest from the one before the last, then to the order of the document. Starts with the screw
 * farthest from the middle of them all.
 *
 * Cost: O(n²)
 */
export function tighteningOrder(screws: readonly Screw[]): readonly Screw[] {
  if (screws.every(({ tightenAt }) => tightenAt !== undefined)) {
    return [...screws].sort((a, b) => (a.tightenAt as number) - (b.tightenAt as number));
  }
  const middle = {
    xMm: screws.reduce((sum, { xMm }) => sum + xMm, 0) / Math.max(1, screws.length),
    yMm: screws.reduce((sum, { yMm }) => sum + yMm, 0) / Math.max(1, screws.length),
  };
  const left = [...screws];
  const order: Screw[] = [];
  while (left.length > 0) {
    const [last, before] = [order.at(-1) ?? middle, order.at(-2)];
    const next = left.reduce((best, screw) => {
      const gain = distance(screw, last) - distance(best, last);
      if (Math.abs(gain) > 1e-9) return gain > 0 ? screw : best;
      return before && distance(screw, before) > distance(best, before) + 1e-9 ? screw : best;
    });
    order.push(next);
    left.splice(left.indexOf(next), 1);
  }
  return order;
}

type Place = Pick<Screw, 'xMm' | 'yMm'>;
const distance = (a: Place, b: Place): number => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);
