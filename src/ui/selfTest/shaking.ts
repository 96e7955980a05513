/** Fewer readings than that are none: some browsers send a single empty one. */
const fewest = 5;

/**
 * How much the unit shakes: the root mean square of how far its acceleration is from its mean.
 *
 * @returns m/s²; null where the browser does not say
 */
export function feelShaking(ms: number): Promise<number | null> {
  const felt: number[] = [];
  const onMotion = ({ acceleration, accelerationIncludingGravity }: DeviceMotionEvent) => {
    const { x, y, z } = acceleration?.x == null ? (accelerationIncludingGravity ?? {}) : acceleration;
    if (x != null && y != null && z != null) felt.push(Math.hypot(x, y, z));
  };
  window.addEventListener('devicemotion', onMotion);
  return new Promise((done) => {
    setTimeout(() => {
      window.removeEventListener('devicemotion', onMotion);
      if (felt.length < fewest) return done(null);
      const mean = felt.reduce((sum, own) => sum + own, 0) / felt.length;
      return done(Math.sqrt(felt.reduce((sum, own) => sum + (own - mean) ** 2, 0) / felt.length));
    }, ms);
  });
}
