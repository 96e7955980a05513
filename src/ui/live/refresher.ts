/** What a refresher needs of the page, so that it can be tested without one. */
export interface RefresherDoors {
  /** @param follows  nobody here asked for it: somebody else did something */
  readonly refresh: (follows: boolean) => void;
  readonly now: () => number;
  readonly later: (work: () => void, ms: number) => unknown;
  readonly isHidden: () => boolean;
}

/** News often comes in twos, as the answer to an own fact and over the stream. */
export const gatherMs = 120;
/** A refresh costs the server a whole screen: one a second is soon enough to see what others do. */
export const leastGapMs = 1000;

/**
 * Makes one refresh of much news: soon after the first, never more often than the gap, and not at all while nobody looks.
 * `seen` is called when the page is looked at again. News of others comes with the gap that the server asks for, news of one's own
 * without any.
 */
export function makeRefresher({ refresh, now, later, isHidden }: RefresherDoors): {
  readonly news: (gapMs?: number) => void;
  readonly seen: () => void;
} {
  let last = Number.NEGATIVE_INFINITY;
  let isPlanned = false;
  let isOwed = false;
  let follows = true;
  const run = () => {
    isPlanned = false;
    if (isHidden()) {
      isOwed = true;
      return;
    }
    last = now();
    refresh(follows);
    follows = true;
  };
  const news = (gapMs?: number) => {
    if (gapMs === undefined) follows = false;
    if (isPlanned) return;
    isPlanned = true;
    later(run, Math.max(gatherMs, last + (gapMs ?? leastGapMs) - now()));
  };
  return {
    news,
    seen: () => {
      if (!isOwed) return;
      isOwed = false;
      news();
    },
  };
}
