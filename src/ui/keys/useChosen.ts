'use client';
import { useState } from 'react';
import { useKey } from './KeysProvider';

/**
 * Which line of a list is chosen, moved by the arrow keys. Kept by id, so that a line that comes or goes elsewhere does
 * not move the choice; when the chosen one goes, the one that takes its place is chosen.
 */
export function useChosen(
  ids: readonly string[],
  first?: string,
): { readonly chosen: string | undefined; readonly choose: (id: string) => void } {
  const [wanted, setWanted] = useState(first);
  const [lastIndex, setLastIndex] = useState(0);
  const found = wanted === undefined ? -1 : ids.indexOf(wanted);
  const index = found === -1 ? Math.min(lastIndex, ids.length - 1) : found;
  const chosen = ids[index];
  const choose = (id: string) => {
    setWanted(id);
    setLastIndex(Math.max(0, ids.indexOf(id)));
  };
  const move = (by: number) => {
    const next = ids[Math.min(ids.length - 1, Math.max(0, index + by))];
    if (next !== undefined) choose(next);
  };
  useKey('ArrowDown', 'Next line', () => move(1), ids.length > 1);
  useKey('ArrowUp', 'Line before', () => move(-1), ids.length > 1);
  return { chosen, choose };
}
