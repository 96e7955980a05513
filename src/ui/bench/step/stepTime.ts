/** How long a step has taken so far, kept over reloads. Times are milliseconds of the browser's clock. */
export interface StepTime {
  readonly stepId: string;
  readonly sinceMs: number;
  /** Breaks that are over. */
  readonly awayMs: number;
  /** Since when there is a break, if there is one. */
  readonly awaySinceMs: number | null;
  readonly seenMs: number;
  /** The page was gone for a while, or the clock jumped: what happened then nobody knows. */
  readonly isUnsure: boolean;
  /** Somebody said that it is work, however long it takes. */
  readonly isWork: boolean;
}

/** The page looks at the clock this often; a longer silence means that it was closed, asleep, or that the clock jumped. */
export const lookEveryMs = 5000;
const longestSilenceMs = 30_000;

export const startStep = (stepId: string, nowMs: number): StepTime => ({
  stepId,
  sinceMs: nowMs,
  awayMs: 0,
  awaySinceMs: null,
  seenMs: nowMs,
  isUnsure: false,
  isWork: false,
});

/** Takes note of the time. A silence, or a clock that went back, is left out of the work and remembered as unsure. */
export function look(time: StepTime, nowMs: number): StepTime {
  const silence = nowMs - time.seenMs;
  if (silence >= 0 && silence <= longestSilenceMs) return { ...time, seenMs: nowMs };
  // A break goes on through a silence: that one is known.
  if (time.awaySinceMs !== null && silence > 0) return { ...time, seenMs: nowMs };
  return {
    ...time,
    sinceMs: time.sinceMs + silence,
    awaySinceMs: time.awaySinceMs === null ? null : time.awaySinceMs + silence,
    seenMs: nowMs,
    isUnsure: true,
  };
}

/** Work or break, and back. */
export const toggleBreak = (time: StepTime, nowMs: number): StepTime =>
  time.awaySinceMs === null
    ? { ...time, awaySinceMs: nowMs }
    : { ...time, awaySinceMs: null, awayMs: time.awayMs + (nowMs - time.awaySinceMs) };

/** The whole stretch since the step came up was a break. */
export const allWasBreak = (time: StepTime, nowMs: number): StepTime => ({
  ...time,
  awayMs: nowMs - time.sinceMs,
  awaySinceMs: null,
});

export const awayMs = (time: StepTime, nowMs: number): number =>
  time.awayMs + (time.awaySinceMs === null ? 0 : nowMs - time.awaySinceMs);

export const workedMs = (time: StepTime, nowMs: number): number =>
  Math.max(0, nowMs - time.sinceMs - awayMs(time, nowMs));

const tenths = (ms: number): number => Math.round(ms / 100) / 10;

/** So many times the usual, without a word about it, is hardly all work. */
const doubtful = 3;

/**
 * What is recorded of a step: seconds of work and of breaks. A stretch that nobody explained is censored: it took at
 * least as long as usual steps do.
 *
 * @param usualMs  what nine steps of ten take at most
 */
export function recordOf(
  time: StepTime,
  nowMs: number,
  usualMs: number,
): { readonly seconds: number; readonly awaySeconds?: number; readonly isCensored?: boolean } {
  const worked = workedMs(time, nowMs);
  const away = awayMs(time, nowMs);
  const isIdle = !time.isWork && worked > doubtful * usualMs;
  return {
    seconds: tenths(isIdle ? usualMs : worked),
    ...(away > 0 && { awaySeconds: tenths(away) }),
    ...((isIdle || time.isUnsure) && { isCensored: true }),
  };
}

/** What was kept of a unit's step, if it is this step and can be read. */
export function readKept(text: string | null, stepId: string): StepTime | null {
  try {
    const kept = JSON.parse(text ?? 'null') as StepTime | null;
    const isWhole = kept !== null && Number.isFinite(kept.sinceMs) && Number.isFinite(kept.seenMs);
    return isWhole && kept.stepId === stepId ? kept : null;
  } catch {
    return null;
  }
}
