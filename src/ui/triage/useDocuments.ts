'use client';
import { useState } from 'react';
import type { ModelIdentity } from '@/core/procedure/identity';
import { send } from '@/ui/server/send';
import type { Model } from '@/core/procedure/model';

/**
 * The documents this screen has, and a way to more: a model that nobody promised is fetched when it is chosen, while the
 * person still answers what the eye can tell. A version never changes, so the browser keeps it.
 */
export function useDocuments(known: readonly Model[]): {
  readonly models: readonly Model[];
  readonly fetchDocument: (identity: Pick<ModelIdentity, 'id' | 'version'>) => Promise<void>;
} {
  const [fetched, setFetched] = useState<readonly Model[]>([]);
  const isHere = ({ id, version }: Pick<ModelIdentity, 'id' | 'version'>) =>
    [...known, ...fetched].some((model) => model.id === id && model.version === version);
  return {
    models: [
      ...known,
      ...fetched.filter((model) => !known.some(({ id, version }) => id === model.id && version === model.version)),
    ],
    fetchDocument: async (identity) => {
      if (isHere(identity)) return;
      const model = await send<Model>('GET', `/api/models/${identity.id}?version=${identity.version}`);
      if (!model.ok) return;
      setFetched((before) => [...before, model.value]);
      // What waits for it goes on once the screen has it.
      await new Promise((done) => setTimeout(done));
    },
  };
}
