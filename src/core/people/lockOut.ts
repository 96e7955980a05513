/** Wrong PINs before a person is locked out, and for how long. */
export const pinTries = 5;
export const lockMinutes = 5;

export interface PinState {
  readonly failedCount: number;
  readonly lockedUntil: Date | null;
}

export const isLocked = ({ lockedUntil }: PinState, now: Date): boolean => lockedUntil !== null && lockedUntil > now;

/** The state after a wrong PIN: every fifth in a row locks. */
export function afterWrongPin({ failedCount }: PinState, now: Date): PinState {
  const failed = failedCount + 1;
  return failed >= pinTries
    ? { failedCount: 0, lockedUntil: new Date(now.getTime() + lockMinutes * 60_000) }
    : { failedCount: failed, lockedUntil: null };
}
