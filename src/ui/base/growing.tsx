import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import * as words from '@/words/catalogue/base';

const usual = { atFirst: 20, step: 60 };
/** So many rows stand below the chosen one, so that the arrow keys never run into the end. */
const below = 12;

/** The first rows of a list, and how to get at the rest. */
export interface Growing<T> {
  readonly shown: readonly T[];
  readonly left: number;
  readonly grow: () => void;
}

/**
 * Draws the first rows of a list that may be long; more come as somebody nears the end of them, by the arrow keys or by
 * scrolling (`MoreRows` stands there). Nothing is left out: the list says how many there are.
 *
 * @param isChosen  which row is chosen; it is always among those shown
 * @param many      how many are drawn at first, and with each step
 */
export function useGrowing<T>(
  rows: readonly T[],
  isChosen: (row: T) => boolean = () => false,
  many = usual,
): Growing<T> {
  const [most, setMost] = useState(many.atFirst);
  const shown = rows.slice(0, Math.max(most, rows.findIndex(isChosen) + below));
  return { shown, left: rows.length - shown.length, grow: () => setMost(shown.length + many.step) };
}

/** The end of the rows that are drawn: it draws more when it comes into view, and says how many there are. */
export function MoreRows({ left, grow }: Pick<Growing<unknown>, 'left' | 'grow'>) {
  const end = useRef<HTMLButtonElement>(null);
  const more = useRef(grow);
  useEffect(() => void (more.current = grow));
  useEffect(() => {
    if (!end.current) return undefined;
    const watcher = new IntersectionObserver(
      (entries) => entries.some((entry) => entry.isIntersecting) && more.current(),
    );
    watcher.observe(end.current);
    return () => watcher.disconnect();
  }, [left]);
  if (left <= 0) return null;
  return (
    <Box as="button" ref={end} onClick={grow} color="action" textDecoration="underline" p="12px 14px" cursor="pointer">
      {words.moreRows({ left })}
    </Box>
  );
}
