'use client';
import { useState, useSyncExternalStore } from 'react';
import { useChosen } from '@/ui/keys/useChosen';
import { useShopStore } from './ShopProvider';

/**
 * Which thing of a list is chosen; what was taken back comes to hand again, as soon as the list has it.
 *
 * @param first  what an address asks for; it may come into the list a moment after the page, when it was only just done
 */
export function useChosenThing(ids: readonly string[], first?: string): ReturnType<typeof useChosen> {
  // The store changes inside: only its version tells, which the compiler cannot know.
  'use no memo';
  const store = useShopStore();
  const takenBack = useSyncExternalStore(
    store.subscribe,
    () => store.takenBack,
    () => nothing,
  );
  const { chosen, choose } = useChosen(ids, first);
  const [seen, setSeen] = useState(takenBack);
  const [asked, setAsked] = useState(first);
  const again = takenBack === seen ? undefined : takenBack.find((id) => ids.includes(id));
  if (again !== undefined) {
    setSeen(takenBack);
    choose(again);
  }
  const came = asked === undefined ? first : undefined;
  if (came !== undefined) {
    setAsked(came);
    choose(came);
  }
  return { chosen: again ?? came ?? chosen, choose };
}

const nothing: readonly string[] = [];
