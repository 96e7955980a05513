'use client';
import { createContext, useContext, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from 'react';
import { v4 as makeId } from 'uuid';
import type { Entities, Parcel, Part, Unit } from '@/core/bench/entities';
import type { EventType, Payloads } from '@/core/bench/events';
import type { Outcome } from '@/core/shared/outcome';
import { useRefresher } from '@/ui/live/useRefresher';
import { pageKeptAt } from '@/ui/offline/keptPages';
import { browserStore, postFacts } from './browserDoors';
import { EventQueue } from './eventQueue';
import { ShopStore, type Seeds } from './shopStore';
import { UnsettledFacts } from './unsettledFacts';

const ShopContext = createContext<ShopStore | null>(null);

declare global {
  interface Window {
    /** For `npm run bench`: how long facts took to be acknowledged. */
    pluckyAcknowledgedMs?: readonly number[];
  }
}

/** Holds what this browser knows ahead of the server, over all screens. */
export function ShopProvider({ children }: { readonly children: ReactNode }) {
  const { news } = useRefresher();
  const [{ store, start, settle }] = useState(() => {
    const holder: { queue?: EventQueue; unsettled?: UnsettledFacts; kept?: ReturnType<typeof browserStore> } = {};
    const made: ShopStore = new ShopStore(
      () => holder.queue as EventQueue,
      makeId,
      () => new Date(),
      news,
      (unsettled) => holder.unsettled?.add(unsettled),
      // Only a convenience for a page without a server: a browser that keeps nothing does without.
      (id, overlaid) => void holder.kept?.keepLaid(id, overlaid).catch(() => undefined),
    );
    const begin = () => {
      const kept = browserStore();
      holder.kept = kept;
      const keptAt = pageKeptAt();
      made.setKeptAt(keptAt);
      // A page from the server knows better than what was laid over an earlier one.
      if (keptAt === null) void kept.dropLaid().catch(() => undefined);
      else
        void kept.loadLaid().then(
          (laid) => made.recall(laid),
          () => undefined,
        );
      const unsettled = new UnsettledFacts(kept, () => made.setUnsettled(unsettled.all));
      holder.unsettled = unsettled;
      void unsettled.resume();
      const queue = new EventQueue({
        store: kept,
        send: postFacts,
        later: (work, ms) => void setTimeout(work, ms),
        onAnswer: (event, answer) => made.answered(event, answer),
        onState: (state) => made.setQueueState(state),
      });
      holder.queue = queue;
      window.pluckyAcknowledgedMs = made.acknowledgedMs;
      void queue.resume();
      const tryNow = () => void queue.flush();
      window.addEventListener('online', tryNow);
      return () => window.removeEventListener('online', tryNow);
    };
    return { store: made, start: begin, settle: (id: string) => holder.unsettled?.settle(id) };
  });
  useEffect(() => start(), [start]);
  return (
    <ShopContext.Provider value={store}>
      <SettleContext.Provider value={settle}>{children}</SettleContext.Provider>
    </ShopContext.Provider>
  );
}

const SettleContext = createContext<(id: string) => void>(() => undefined);

/** Takes a refused fact off the list, once a person has settled it. */
export const useSettle = (): ((id: string) => void) => useContext(SettleContext);

export function useShopStore(): ShopStore {
  const store = useContext(ShopContext);
  if (!store) throw new Error('useShopStore: no ShopProvider above');
  return store;
}

export interface Shop {
  readonly parcels: readonly Parcel[];
  readonly units: readonly Unit[];
  /** Units that were changed here, whether or not the screen shows them. */
  readonly madeUnits: readonly Unit[];
  readonly parts: readonly Part[];
  readonly act: <T extends EventType>(type: T, subjectId: string, payload: Payloads[T]) => Outcome<string>;
  readonly takeBack: (about?: string) => Outcome<string>;
}

/** The things of a screen, with what was done here laid over them, and a way to make facts about them. */
export function useShop(seeds: Seeds): Shop {
  // The store changes inside: only its version tells, which the compiler cannot know.
  'use no memo';
  const store = useShopStore();
  const snapshot = useSyncExternalStore(store.subscribe, store.snapshot, () => 0);
  return useMemo(() => {
    void snapshot;
    const laidOver = <K extends 'unit' | 'part'>(kind: K, served: readonly Entities[K][]): readonly Entities[K][] => [
      ...served.flatMap((entity) => store.merged(kind, entity) ?? []),
      ...store.madeHere(kind).filter(({ id, tag }) => tag === '…' && !served.some((entity) => entity.id === id)),
    ];
    return {
      parcels: (seeds.parcels ?? []).flatMap((parcel) => store.merged('parcel', parcel) ?? []),
      units: laidOver('unit', seeds.units ?? []),
      madeUnits: store.madeHere('unit'),
      parts: laidOver('part', seeds.parts ?? []),
      act: (type, subjectId, payload) => store.act(seeds, type, subjectId, payload),
      takeBack: (about) => store.takeBack(seeds, about),
    };
  }, [store, seeds, snapshot]);
}
