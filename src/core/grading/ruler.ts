import { grades, type Grade } from '@/core/shared/grades';
import type { NumberAttribute } from './attributes';

/** A stretch of readings that have one grade; from worse to better. */
export interface Stretch {
  readonly grade: Grade;
  readonly from: number;
  readonly to: number;
}

/**
 * The ruler of an attribute, from scrap to A: a stretch for each grade that a reading can have, each as wide as the others, so
 * that the limits can be read whatever lies between them. Grades without a reading (their limits are equal) have none.
 */
export function rulerOf({ limits, low, high, better }: NumberAttribute): readonly Stretch[] {
  const [worst, best] = better === 'higher' ? [low, high] : [high, low];
  const borders = [worst, limits.D, limits.C, limits.B, limits.A, best];
  const stretches = grades.toReversed().map((grade, at) => ({
    grade,
    from: borders[at] as number,
    to: borders[at + 1] as number,
  }));
  // A limit at the end of what can be read is a single reading: that grade stays, X does not when nothing lies beyond D.
  return stretches.filter(({ grade, from, to }) => from !== to || grade === 'A');
}

/**
 * Where a reading stands on a ruler, from 0 (scrap) to 1 (A). The outermost stretches reach as far as an instrument can say, so
 * in them the way to the end shrinks: the last limit is near, the end of the scale far away.
 */
export function placeOn(ruler: readonly Stretch[], reading: number): number {
  const isRising = ruler.some(({ from, to }) => to > from);
  const reaches = (value: number) => (isRising ? reading >= value : reading <= value);
  const at = Math.max(
    0,
    ruler.findLastIndex(({ from }) => reaches(from)),
  );
  const { from, to } = ruler[at] as Stretch;
  const inner = ruler.slice(1, -1).map((stretch) => Math.abs(stretch.to - stretch.from));
  const usual = inner.length > 0 ? inner.reduce((sum, width) => sum + width, 0) / inner.length : Math.abs(to - from);
  const share = (): number => {
    if (to === from) return 0.5;
    const way = Math.abs(reading - from) / Math.abs(to - from);
    if (at > 0 && at < ruler.length - 1) return way;
    // Half of the stretch is what the others are wide, the rest what is left.
    const near = Math.min(0.5, usual / Math.abs(to - from) / 2);
    const fromLimit = at === 0 ? 1 - way : way;
    const bent = fromLimit <= near ? (fromLimit / near) * 0.5 : 0.5 + ((fromLimit - near) / (1 - near)) * 0.5;
    return at === 0 ? 1 - bent : bent;
  };
  return Math.min(1, Math.max(0, (at + share()) / ruler.length));
}
