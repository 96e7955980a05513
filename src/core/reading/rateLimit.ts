/** What is left to somebody who asks again and again. */
export interface Bucket {
  readonly left: number;
  /** When it was filled last, in milliseconds since 1970. */
  readonly at: number;
}

/** So many questions at once, and so many a second after that. */
export const mostAtOnce = 60;
export const perSecond = 1;

export interface Pace {
  readonly mostAtOnce: number;
  readonly perSecond: number;
}

const ofReaders: Pace = { mostAtOnce, perSecond };

export interface Taken {
  readonly bucket: Bucket;
  readonly isAllowed: boolean;
  /** Seconds after which one more is allowed; 0 when this one is. */
  readonly waitSeconds: number;
}

/**
 * A token bucket: one question is taken from what is left, which fills up again as time goes by.
 *
 * @param bucket  undefined for somebody who asks for the first time
 * @param now     milliseconds since 1970; a clock that goes back fills nothing
 */
export function takeOne(bucket: Bucket | undefined, now: number, pace = ofReaders): Taken {
  const before = bucket ?? { left: pace.mostAtOnce, at: now };
  const passed = Math.max(0, now - before.at) / 1000;
  const at = Math.max(before.at, now);
  const left = Math.min(pace.mostAtOnce, before.left + passed * pace.perSecond);
  if (left < 1) return { bucket: { left, at }, isAllowed: false, waitSeconds: Math.ceil((1 - left) / pace.perSecond) };
  return { bucket: { left: left - 1, at }, isAllowed: true, waitSeconds: 0 };
}
