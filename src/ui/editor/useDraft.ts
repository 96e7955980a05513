'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { DraftView } from '@/services/drafts/readDraft';
import { browserLetters } from '@/ui/server/browserKeeps';
import { send } from '@/ui/server/send';
import { DraftStore, type DraftState } from './draftStore';

/** The draft of this page, with its saving; what a closed browser had not saved is fetched back. */
export function useDraft(view: DraftView): { readonly store: DraftStore; readonly state: DraftState } {
  const [store] = useState(
    () =>
      new DraftStore(view.id, view.document, view.version, {
        store: browserLetters(`draft ${view.id}`),
        put: ({ document, expects, saveId }) => send('PUT', `/api/drafts/${view.id}`, { document, expects, saveId }),
        later: (work, ms) => void setTimeout(work, ms),
      }),
  );
  useEffect(() => {
    void store.resume();
    return () => void store.flush();
  }, [store]);
  const state = useSyncExternalStore(store.subscribe, store.read, store.read);
  return { store, state };
}
