'use client';
import { useCallback, useSyncExternalStore } from 'react';

/** Whether a media query holds now. @param atFirst  what is taken on the server, which has no window */
export function useMedia(query: string, atFirst: boolean): boolean {
  const follow = useCallback(
    (changed: () => void) => {
      const media = window.matchMedia(query);
      media.addEventListener('change', changed);
      return () => media.removeEventListener('change', changed);
    },
    [query],
  );
  return useSyncExternalStore(
    follow,
    () => window.matchMedia(query).matches,
    () => atFirst,
  );
}
