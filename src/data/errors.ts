/** The server's error number; numbers are the same for every driver, names are not. */
const errnoOf = (error: unknown): number | undefined =>
  typeof error === 'object' && error !== null && 'errno' in error && typeof error.errno === 'number'
    ? error.errno
    : undefined;

/** Deadlock, lock wait, snapshot conflict, and a Galera node that is not ready: try the whole transaction again. */
const passing: ReadonlySet<number> = new Set([1213, 1205, 1020, 1047]);
export const isPassing = (error: unknown): boolean => passing.has(errnoOf(error) ?? 0);

/** A unique key is there already. */
export const isDuplicate = (error: unknown): boolean => errnoOf(error) === 1062;

/** A text was held against a key that cannot hold its letters: nothing of ours is called so. */
export const isNobodysName = (error: unknown): boolean => errnoOf(error) === 1267;

/** Server shutting down (1053, 1927), no connection to be had from the pool (45028), or one lost on the way. */
const awayNumbers: ReadonlySet<number> = new Set([1053, 1927, 2002, 2006, 2013, 45009, 45028, 45012, 45013, 45026]);
const awayCodes: ReadonlySet<string> = new Set(['ECONNREFUSED', 'ENOENT', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT']);

/** True when the database did not answer at all, so that nothing is known to be wrong with what was asked. */
export function isDatabaseAway(error: unknown): boolean {
  if (typeof error !== 'object' || error === null) return false;
  const { code, name, cause } = error as { code?: unknown; name?: unknown; cause?: unknown };
  return (
    (typeof code === 'string' && awayCodes.has(code)) ||
    awayNumbers.has(errnoOf(error) ?? 0) ||
    name === 'KnexTimeoutError' ||
    isDatabaseAway(cause)
  );
}
