import { openDB } from 'idb';
import type { BenchEvent } from '@/core/bench/events';
import type { Overlaid } from './shopStore';
import type { Unsettled, UnsettledStore } from './unsettledFacts';
import { Away, type Answer, type FactStore, type Send } from './eventQueue';

const storeName = 'facts';
const refusedName = 'refused';
const laidName = 'laid';
const longestAnswerMs = 60_000;

const database = () =>
  openDB('plucky-parcel', 3, {
    upgrade: (db, before) => {
      if (before < 1)
        db.createObjectStore(storeName, { keyPath: 'order', autoIncrement: true }).createIndex('id', 'event.id');
      if (before < 2) db.createObjectStore(refusedName, { keyPath: 'event.id' });
      if (before < 3) db.createObjectStore(laidName);
    },
  });

/** What was laid over what the server last said, for a page that has to do without it. */
interface LaidStore {
  readonly loadLaid: () => Promise<readonly (readonly [string, Overlaid])[]>;
  readonly keepLaid: (id: string, overlaid: Overlaid | null) => Promise<void>;
  readonly dropLaid: () => Promise<void>;
}

/** Facts in this browser's own database, in the order in which they were made; and those that were refused. */
export function browserStore(): FactStore & UnsettledStore & LaidStore {
  const opened = database();
  return {
    load: async () => {
      const rows = (await (await opened).getAll(storeName)) as { event: BenchEvent }[];
      return rows.map(({ event }) => event);
    },
    keep: async (event) => void (await (await opened).put(storeName, { event })),
    drop: async (id) => {
      const db = await opened;
      const key = await db.getKeyFromIndex(storeName, 'id', id);
      if (key !== undefined) await db.delete(storeName, key);
    },
    loadUnsettled: async () => (await (await opened).getAll(refusedName)) as Unsettled[],
    keepUnsettled: async (unsettled) => void (await (await opened).put(refusedName, unsettled)),
    loadLaid: async () => {
      const db = await opened;
      const [ids, all] = await Promise.all([db.getAllKeys(laidName), db.getAll(laidName)]);
      return all.map((overlaid, at) => [ids[at] as string, overlaid as Overlaid] as const);
    },
    keepLaid: async (id, overlaid) => {
      const db = await opened;
      await (overlaid ? db.put(laidName, overlaid, id) : db.delete(laidName, id));
    },
    dropLaid: async () => void (await (await opened).clear(laidName)),
    dropUnsettled: async (id) => void (await (await opened).delete(refusedName, id)),
  };
}

/** Posts facts to the application. */
export const postFacts: Send = async (events) => {
  const response = await fetch('/api/events', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ events }),
    // A connection that hangs is one that is lost: sending again changes nothing.
    signal: AbortSignal.timeout(longestAnswerMs),
  }).catch(() => undefined);
  if (!response) throw new Away({ reason: 'server-away', facts: {} });
  if (response.status === 401) throw new Away({ reason: 'not-signed-in', facts: {} });
  if (response.status === 503) throw new Away({ reason: 'database-away', facts: {} });
  if (!response.ok) throw new Away({ reason: 'fault', facts: {} });
  return ((await response.json()) as { answers: readonly Answer[] }).answers;
};
