import { useEffect, useState } from 'react';
import type { MatchView, Offered } from '@/services/match/readMatch';

const none: Offered = { parts: [], models: [] };

/**
 * The parts that may be offered to the unit that is chosen, and its model, where the page has come without them: null while
 * they are on their way. They are asked for anew with every page.
 */
export function useOffered(view: MatchView, tag: string | undefined): Offered | null {
  const [got, setGot] = useState<{ readonly tag: string; readonly offered: Offered }>();
  const isHere = tag === undefined || view.offered === 'all' || view.offered === tag;
  useEffect(() => {
    if (isHere) return undefined;
    const away = new AbortController();
    const ask = async () => {
      const response = await fetch(`/api/match/${tag}`, { signal: away.signal });
      if (response.ok) setGot({ tag, offered: (await response.json()) as Offered });
    };
    // Who runs through the list with the arrow keys asks for the one they stop at.
    const timer = setTimeout(() => void ask().catch(() => undefined), 80);
    return () => {
      clearTimeout(timer);
      away.abort();
    };
  }, [view, tag, isHere]);
  if (isHere) return none;
  // Of the page before they are still right, all but what has just been taken: better than nothing for a moment.
  return got?.tag === tag ? got.offered : null;
}
