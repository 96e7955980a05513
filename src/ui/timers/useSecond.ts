'use client';
import { useSyncExternalStore } from 'react';
import { shopNow } from '@/ui/server/shopClock';

const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | undefined;

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  timer ??= setInterval(() => listeners.forEach((tell) => tell()), 1000);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    clearInterval(timer);
    timer = undefined;
  };
}

/** Draws anew every second by the clock of the shop, by which facts are dated: for how long something has waited. */
export const useShopSecond = (): number =>
  useSyncExternalStore(
    subscribe,
    () => Math.floor(shopNow() / 1000),
    () => 0,
  );

/** Draws anew every minute by the clock of the shop; the number is that minute, 0 before it runs in the browser. */
export const useShopMinute = (): number =>
  useSyncExternalStore(
    subscribe,
    () => Math.floor(shopNow() / 60_000),
    () => 0,
  );

/** Draws anew every second; one clock for all that do. The number is the browser's second, 0 before it runs there. */
export const useSecond = (): number =>
  useSyncExternalStore(
    subscribe,
    () => Math.floor(Date.now() / 1000),
    () => 0,
  );
