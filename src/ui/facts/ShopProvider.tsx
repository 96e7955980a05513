'use client';
import {
  createContext,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { v4 as makeId } from 'uuid';
import type { Entities, Parcel, Part, Unit } from '@/core/entities/entities';
import type { Fact, FactType, Payloads } from '@/core/shop/facts';
import { accept, type Outcome } from '@/core/shared/outcome';
import type { Acknowledged } from '@/services/facts/recordFact';
import { useHouseRules } from '@/ui/rules/RulesProvider';
import { useRefresher } from '@/ui/live/useRefresher';
import { pageKeptAt } from '@/ui/offline/keptPages';
import { browserLaid, browserLetters, leftByOthers } from '@/ui/server/browserKeeps';
import { Outbox, type Answer } from '@/ui/server/outbox';
import { send } from '@/ui/server/send';
import { setWhose, type Whose } from '@/ui/server/whose';
import { judge } from './judge';
import { askClock, clockOffS, shopNow } from '@/ui/server/shopClock';
import { ShopStore, type FactOutbox, type Overlaid, type Seeds } from './shopStore';

const ShopContext = createContext<ShopStore | null>(null);

declare global {
  interface Window {
    /** For `npm run bench`: how long facts took to be acknowledged. */
    pluckyAcknowledgedMs?: readonly number[];
  }
}

/** Holds what this browser knows ahead of the server, over all screens. */
export function ShopProvider({ person, children }: { readonly person: Whose; readonly children: ReactNode }) {
  const { news } = useRefresher();
  const rules = useHouseRules();
  const [{ store, start, settle }] = useState(() => {
    // Before anything is kept or sent from this page.
    if (typeof window !== 'undefined') setWhose(person);
    const holder: { outbox?: FactOutbox } = {};
    const made: ShopStore = new ShopStore(
      judge.now,
      () => holder.outbox as FactOutbox,
      rules,
      makeId,
      () => ({ at: new Date(shopNow()).toISOString(), ...(clockOffS() !== 0 && { clockOffS: clockOffS() }) }),
      news,
      // Only a convenience for a page without a server: a browser that keeps nothing does without.
      (id, overlaid) => void browserLaid.keep(id, overlaid).catch(() => undefined),
      person.bench,
    );
    const begin = () => {
      const keptAt = pageKeptAt();
      made.setKeptAt(keptAt);
      // A page from the server knows better than what was laid over an earlier one.
      if (keptAt === null) void browserLaid.clear().catch(() => undefined);
      else {
        made.recall(browserLaid.now<Overlaid>());
        void browserLaid.load<Overlaid>().then(
          (laid) => made.recall(laid),
          () => undefined,
        );
      }
      const outbox: FactOutbox = new Outbox({
        store: browserLetters<Fact>('facts'),
        post: postFacts,
        later: (work, ms) => void setTimeout(work, ms),
        onAnswer: (fact, answer) => made.answered(fact, answer),
        onState: (state) => made.setOutbox(state),
      });
      holder.outbox = outbox;
      window.pluckyAcknowledgedMs = made.acknowledgedMs;
      // Before anything is dated here, and for timers that others began.
      void askClock();
      void outbox.resume();
      void leftByOthers().then(
        (left) => made.setLeftByOthers(left),
        () => undefined,
      );
      const tryNow = () => void outbox.flush();
      window.addEventListener('online', tryNow);
      return () => window.removeEventListener('online', tryNow);
    };
    return { store: made, start: begin, settle: (id: string) => holder.outbox?.discard(id) };
  });
  useEffect(() => start(), [start]);
  useEffect(() => store.setRules(rules), [store, rules]);
  return (
    <ShopContext.Provider value={store}>
      <SettleContext.Provider value={settle}>{children}</SettleContext.Provider>
    </ShopContext.Provider>
  );
}

async function postFacts(facts: readonly Fact[]): Promise<Outcome<readonly Answer<Acknowledged>[]>> {
  const outcome = await send<{ answers: readonly Answer<Acknowledged>[] }>('POST', '/api/facts', {
    facts,
    sentAt: new Date(shopNow()).toISOString(),
  });
  return outcome.ok ? accept(outcome.value.answers) : outcome;
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
  readonly act: <T extends FactType>(type: T, subjectId: string, payload: Payloads[T]) => Outcome<string>;
  readonly takeBack: (about?: string) => Outcome<string>;
}

/** The things of a screen, with what was done here laid over them, and a way to make facts about them. */
export function useShop(seeds: Seeds): Shop {
  // The store changes inside: only its version tells, which the compiler cannot know.
  'use no memo';
  const store = useShopStore();
  const snapshot = useSyncExternalStore(store.subscribe, store.snapshot, () => 0);
  // Kept before the frame that shows it: a page loaded again right after is not older than that.
  useLayoutEffect(() => store.served(seeds), [store, seeds]);
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
