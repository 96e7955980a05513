import type { Mark } from './reads';

/** A finger that points twice at one spot does not hit it twice: CSS pixels, about 5 mm. */
export const sameSpot = 30;

/** One thing that is wrong with a screen, however many patterns it was seen on. */
export interface Defect {
  readonly kind: 'dead' | 'stuck' | 'line' | 'patch' | 'burn';
  readonly x: number;
  readonly y: number;
  readonly marks: readonly Mark[];
}

/**
 * Marks as defects: those of a kind that lie within a finger of one another, one leading to the next, are one. A dot that shines
 * on black is stuck; any other is dead.
 */
export function defectsOf(marks: readonly Mark[]): readonly Defect[] {
  const open = [...marks];
  const defects: Defect[] = [];
  for (let first = open.shift(); first; first = open.shift()) {
    const own = [first];
    for (const mark of own)
      for (let at = open.length - 1; at >= 0; at -= 1) {
        const other = open[at] as Mark;
        if (other.kind === mark.kind && Math.hypot(other.x - mark.x, other.y - mark.y) <= sameSpot)
          own.push(...open.splice(at, 1));
      }
    const isStuck = own.some(({ pattern }) => pattern === 'black');
    defects.push({
      kind: first.kind === 'dot' ? (isStuck ? 'stuck' : 'dead') : first.kind,
      x: own.reduce((sum, { x }) => sum + x, 0) / own.length,
      y: own.reduce((sum, { y }) => sum + y, 0) / own.length,
      marks: own,
    });
  }
  return defects;
}
