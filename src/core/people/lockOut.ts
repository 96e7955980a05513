/** Wrong PINs in a row from one place before that place waits, and for how long. */
export const pinTries = 5;
export const lockMinutes = 5;

/** Seconds that pass after so many wrong ones before the next is looked at: a slip costs nothing, guessing does. */
const pauseSeconds: readonly number[] = [0, 0, 2, 5, 10];

/** Wrong PINs of one person within an hour, from all places that never had a right one: then these wait, whoever they are. */
export const strangersTries = 30;
export const strangersMinutes = 60;

/** What is known of wrong PINs of one person from one place. */
export interface PinState {
  readonly failedCount: number;
  readonly lastAt: Date;
  readonly lockedUntil: Date | null;
}

/** Until when nothing from a place is looked at, if that is still to come; whether as a pause or as a lock. */
export function heldUntil(
  { failedCount, lastAt, lockedUntil }: PinState,
  now: Date,
): { readonly until: Date; readonly isLock: boolean } | undefined {
  if (lockedUntil !== null && lockedUntil > now) return { until: lockedUntil, isLock: true };
  const until = new Date(lastAt.getTime() + (pauseSeconds[failedCount] ?? 0) * 1000);
  return until > now ? { until, isLock: false } : undefined;
}

/** The state after a wrong PIN: every fifth in a row locks. */
export function afterWrongPin({ failedCount }: Pick<PinState, 'failedCount'>, now: Date): PinState {
  const failed = failedCount + 1;
  return failed >= pinTries
    ? { failedCount: 0, lastAt: now, lockedUntil: new Date(now.getTime() + lockMinutes * 60_000) }
    : { failedCount: failed, lastAt: now, lockedUntil: null };
}
