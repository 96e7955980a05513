'use client';
import { useEffect } from 'react';

/** Keeps the screen on while a sheet is open: both hands are busy, and nobody touches it for minutes. */
export function useAwake(): void {
  useEffect(() => {
    let lock: { readonly release: () => Promise<void> } | undefined;
    let isOver = false;
    const ask = async () => {
      if (document.hidden || !('wakeLock' in navigator)) return;
      // Refused on a low battery: then the screen does as it is set.
      lock = await navigator.wakeLock.request('screen').catch(() => undefined);
      if (isOver) await lock?.release();
    };
    void ask();
    const again = () => void ask();
    document.addEventListener('visibilitychange', again);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, []);
}
