'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { makeRefresher } from './refresher';

type Refresher = ReturnType<typeof makeRefresher>;

/** One for the whole browser page, whoever asks for it. */
let shared: Refresher | undefined;

/** While a refresh is to come the page says so, for those who wait until it stands still. */
function noted(work: () => void, ms: number): void {
  const page = document.documentElement.dataset;
  page.news = 'coming';
  setTimeout(() => {
    work();
    delete page.news;
  }, ms);
}

/** Says that there is news of the shop; the screen is read again when it is time. */
export function useRefresher(): Refresher {
  const router = useRouter();
  const [refresher] = useState(
    () =>
      (shared ??= makeRefresher({
        refresh: () => router.refresh(),
        now: () => performance.now(),
        later: noted,
        isHidden: () => document.hidden,
      })),
  );
  useEffect(() => {
    document.addEventListener('visibilitychange', refresher.seen);
    return () => document.removeEventListener('visibilitychange', refresher.seen);
  }, [refresher]);
  return refresher;
}
