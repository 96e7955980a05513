'use client';
import { useEffect, useState, useSyncExternalStore } from 'react';
import type { DraftView } from '@/services/drafts/readDraft';
import { send } from '@/ui/models/requests';
import { dropCopy, keepCopy, readCopy } from './draftCopy';
import { DraftStore, type DraftState } from './draftStore';

/** The draft of this page, with its saving; what a closed browser had not saved is fetched back. */
export function useDraft(view: DraftView): { readonly store: DraftStore; readonly state: DraftState } {
  const [store] = useState(
    () =>
      new DraftStore(view.document, view.version, {
        put: (document, expects, saveId) => send('PUT', `/api/drafts/${view.id}`, { document, expects, saveId }),
        keep: (copy) => keepCopy(view.id, copy),
        drop: () => dropCopy(view.id),
        later: (work, ms) => {
          const timer = setTimeout(work, ms);
          return () => clearTimeout(timer);
        },
      }),
  );
  useEffect(() => {
    const copy = readCopy(view.id);
    if (copy) store.restore(copy, view.savedBy);
    return () => void store.flush();
  }, [store, view]);
  const state = useSyncExternalStore(store.subscribe, store.read, store.read);
  return { store, state };
}
