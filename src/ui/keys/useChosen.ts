'use client';
import { useState } from 'react';
import { keepChoice, type Kept } from './choice';
import { useKey } from './KeysProvider';
import * as words from '@/words/catalogue/keys';

/**
 * Which line of a list is chosen, moved by the arrow keys. Kept by id, so that a line that comes or goes elsewhere does
 * not move the choice; when the chosen one goes, the one that takes its place is chosen.
 */
export function useChosen(
  ids: readonly string[],
  first?: string,
): { readonly chosen: string | undefined; readonly choose: (id: string) => void } {
  const [kept, setKept] = useState<Kept>({ id: first, place: 0 });
  const now = keepChoice(ids, kept);
  // Remembered while drawing: what is shown as chosen is what stays chosen.
  if (now.id !== kept.id || now.place !== kept.place) setKept(now);
  const choose = (id: string) => setKept({ id, place: Math.max(0, ids.indexOf(id)) });
  const move = (by: number) => {
    const next = ids[Math.min(ids.length - 1, Math.max(0, now.place + by))];
    if (next !== undefined) choose(next);
  };
  useKey('ArrowDown', words.nextLine(), () => move(1), ids.length > 1);
  useKey('ArrowUp', words.previousLine(), () => move(-1), ids.length > 1);
  return { chosen: now.id, choose };
}
