'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { patientRefresh } from './patientRefresh';
import { makeRefresher } from './refresher';

type Refresher = ReturnType<typeof makeRefresher>;

/** One for the whole browser page, whoever asks for it. */
let shared: Refresher | undefined;

/** Whether the refresh that was just asked for follows others: the server lets those wait for their turn. */
let isFollowing = false;

/** While a refresh is to come the page says so, for those who wait until it stands still. */
function noted(work: () => void, ms: number): void {
  const page = document.documentElement.dataset;
  page.news = 'coming';
  setTimeout(() => {
    work();
    delete page.news;
  }, ms);
}

function startRefresher(refresh: (follows: boolean) => void): Refresher {
  if (typeof window !== 'undefined') {
    window.fetch = patientRefresh({
      fetch: window.fetch.bind(window),
      here: () => location.href,
      wait: (ms) => new Promise((done) => setTimeout(done, ms)),
      follows: () => {
        const own = isFollowing;
        isFollowing = false;
        return own;
      },
    });
  }
  return makeRefresher({ refresh, now: () => performance.now(), later: noted, isHidden: () => document.hidden });
}

/** Says that there is news of the shop; the screen is read again when it is time. */
export function useRefresher(): Refresher {
  const router = useRouter();
  const [refresher] = useState(
    () =>
      (shared ??= startRefresher((follows) => {
        isFollowing = follows;
        router.refresh();
      })),
  );
  useEffect(() => {
    document.addEventListener('visibilitychange', refresher.seen);
    return () => document.removeEventListener('visibilitychange', refresher.seen);
  }, [refresher]);
  return refresher;
}
