import { useSyncExternalStore } from 'react';

/** A part of the application that comes after the screen is drawn. */
export interface Late<T> {
  /** Null until it is there. */
  readonly now: () => T | null;
  /** Settles when it is there, or could not be had; what could not be had is asked for again. */
  readonly load: () => Promise<void>;
  readonly subscribe: (tell: () => void) => () => void;
}

const onTheirWay = new Set<Promise<void>>();

/**
 * A part that is asked for as soon as the script that names it runs in a browser, and never on the server: the screen is
 * drawn and heard without it.
 */
export function late<T>(get: () => Promise<T>): Late<T> {
  let part: T | null = null;
  let loading: Promise<void> | null = null;
  const listeners = new Set<() => void>();
  const load = (): Promise<void> => {
    loading ??= get()
      .then(
        (got) => {
          part = got;
          for (const tell of listeners) tell();
        },
        // Away and not kept: asked for again the next time.
        () => void (loading = null),
      )
      .finally(() => onTheirWay.delete(asked));
    const asked = loading;
    onTheirWay.add(asked);
    return asked;
  };
  if (typeof window !== 'undefined') void load();
  return {
    now: () => part,
    load,
    subscribe: (tell) => {
      listeners.add(tell);
      return () => listeners.delete(tell);
    },
  };
}

/** When everything that was asked for so far is there, or could not be had. */
export const allHere = async (): Promise<void> => void (await Promise.all(onTheirWay));

/** A late part, and null until it is there. */
export const useLate = <T>({ subscribe, now }: Late<T>): T | null => useSyncExternalStore(subscribe, now, () => null);
