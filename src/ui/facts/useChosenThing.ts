'use client';
import { useState, useSyncExternalStore } from 'react';
import { useChosen } from '@/ui/keys/useChosen';
import { useShopStore } from './ShopProvider';

/** Which thing of a list is chosen; what was taken back comes to hand again, as soon as the list has it. */
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
  const again = takenBack === seen ? undefined : takenBack.find((id) => ids.includes(id));
  if (again !== undefined) {
    setSeen(takenBack);
    choose(again);
  }
  return { chosen: again ?? chosen, choose };
}

const nothing: readonly string[] = [];
