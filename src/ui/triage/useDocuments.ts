'use client';
import { useEffect, useRef, useState } from 'react';
import type { Unit } from '@/core/entities/entities';
import { modelAmong, type Model } from '@/core/procedure/model';
import type { ShopKnowledge } from '@/core/triage/knowledge';
import type { TriageDocument, TriageView } from '@/services/triage/readTriage';
import { send } from '@/ui/server/send';

type Key = Pick<Model, 'id' | 'version'>;

const isSame = (one: Key, other: Key): boolean => one.id === other.id && one.version === other.version;

export interface Documents {
  readonly models: readonly Model[];
  /** What is known, as far as it matters for a model. */
  readonly knowledgeOf: (model: Key) => ShopKnowledge;
  readonly fetchDocument: (model: Key) => Promise<void>;
}

/**
 * The documents this screen has, and a way to more: that of a model that nobody promised is fetched when it is chosen, while the
 * person still answers what the eye can tell.
 */
export function useDocuments(view: TriageView): Documents {
  const [fetched, setFetched] = useState<readonly TriageDocument[]>([]);
  const asked = useRef(new Set<string>());
  const models = [
    ...view.models,
    ...fetched.flatMap(({ model }) => (view.models.some((known) => isSame(known, model)) ? [] : [model])),
  ];
  const fetchDocument = async ({ id, version }: Key) => {
    const key = `${id}@${version}`;
    if (models.some((model) => isSame(model, { id, version })) || asked.current.has(key)) return;
    asked.current.add(key);
    const document = await send<TriageDocument>('GET', `/api/triage/models/${id}?version=${version}`);
    asked.current.delete(key);
    if (!document.ok) return;
    setFetched((before) => [...before.filter(({ model }) => !isSame(model, { id, version })), document.value]);
    // What waits for it goes on once the screen has it.
    await new Promise((done) => setTimeout(done));
  };
  return {
    models,
    knowledgeOf: (model) =>
      view.models.some((known) => isSame(known, model))
        ? view.knowledge
        : (fetched.find((own) => isSame(own.model, model))?.knowledge ?? view.knowledge),
    fetchDocument,
  };
}

/**
 * Fetches what is not here of the units that come next, and tries again with every page.
 *
 * @param next  the unit that is shown, and those after it
 */
export function useFetchedAhead({ models, fetchDocument }: Documents, view: TriageView, next: readonly Unit[]): void {
  const missing = next.flatMap((unit) =>
    unit.modelId !== null && unit.modelVersion !== null && !modelAmong(models, unit)
      ? [`${unit.modelId}@${unit.modelVersion}`]
      : [],
  );
  const latest = useRef(fetchDocument);
  useEffect(() => void (latest.current = fetchDocument));
  const wanted = [...new Set(missing)].join(' ');
  useEffect(() => {
    for (const key of wanted.split(' ').filter(Boolean)) {
      const [id = '', version] = key.split('@');
      void latest.current({ id, version: Number(version) });
    }
  }, [wanted, view]);
}
