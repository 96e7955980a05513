import type { IDBPDatabase } from 'idb';
import type { Letter, LetterStore } from './outbox';
import type { Refusal } from '@/core/shared/outcome';
import { whose, type Whose } from './whose';

const lettersName = 'letters';
const laidName = 'laid';

/** A kept letter: its key is the outbox that it is in and its own id. */
interface Row<L> {
  readonly box: string;
  readonly order: number;
  readonly letter: L;
  readonly refusal: Refusal | null;
  /** Who did it; not known of rows from before that was kept. */
  readonly by?: Whose | null;
}

let opened: Promise<IDBPDatabase> | undefined;

/** This browser's own database. Its package comes after the first load: nothing on a screen waits for it. */
const database = (): Promise<IDBPDatabase> => (opened ??= open());

async function open(): Promise<IDBPDatabase> {
  const { openDB } = await import('idb');
  return openDB('plucky-parcel', 4, {
    upgrade: async (db, before, _after, transaction) => {
      if (before < 3) db.createObjectStore(laidName);
      const letters = db.createObjectStore(lettersName, { keyPath: ['box', 'letter.id'] });
      if (before === 0) return;
      // What an older page kept: facts that wait, and those that were refused.
      const waiting = (await transaction.objectStore('facts').getAll()) as { fact: Letter }[];
      for (const [order, { fact }] of waiting.entries())
        await letters.put({ box: 'facts', order, letter: fact, refusal: null });
      db.deleteObjectStore('facts');
      if (before < 2) return;
      const refused = (await transaction.objectStore('refused').getAll()) as { fact: Letter; refusal: Refusal }[];
      for (const [order, { fact, refusal }] of refused.entries())
        await letters.put({ box: 'facts', order: order - refused.length, letter: fact, refusal });
      db.deleteObjectStore('refused');
    },
  });
}

/** A row that nobody knows whose it is waits for a person to say. */
const nobodys: Refusal = { reason: 'other-person', values: {} };

/** The letters of one outbox that this page's person made, in that order. What somebody else left waits for them. */
export function browserLetters<L extends Letter>(box: string): LetterStore<L> {
  let lastOrder = 0;
  return {
    load: async () => {
      const rows = (await (await database()).getAll(lettersName, IDBKeyRange.bound([box], [box, []]))) as Row<L>[];
      return rows
        .filter(({ by }) => !by || by.id === whose()?.id)
        .sort((a, b) => a.order - b.order)
        .map((row) => (row.by === undefined && whose() ? { ...row, refusal: row.refusal ?? nobodys } : row));
    },
    keep: async (letter, refusal) => {
      const order = (lastOrder = Math.max(Date.now(), lastOrder + 1));
      await (await database()).put(lettersName, { box, order, letter, refusal, by: whose() } satisfies Row<L>);
    },
    drop: async (id) => (await database()).delete(lettersName, [box, id]),
  };
}

/** Who else left something in this browser that waits for them, with how much, by name. */
export async function leftByOthers(): Promise<readonly { readonly name: string; readonly count: number }[]> {
  const rows = (await (await database()).getAll(lettersName)) as Row<Letter>[];
  const counts = new Map<string, number>();
  for (const { by, refusal } of rows)
    if (by && by.id !== whose()?.id && !refusal) counts.set(by.name, (counts.get(by.name) ?? 0) + 1);
  return [...counts].map(([name, count]) => ({ name, count })).sort((a, b) => a.name.localeCompare(b.name));
}

const tabPrefix = 'plucky-laid ';

/**
 * A copy of what is laid over in the tab's own storage: written before the screen is drawn, where the database comes a
 * moment later. A page that is loaded again in that moment shows nothing older than what was on it.
 */
const tabCopy = {
  keep: (id: string, laid: unknown): void => {
    try {
      if (laid) sessionStorage.setItem(tabPrefix + id, JSON.stringify(laid));
      else sessionStorage.removeItem(tabPrefix + id);
    } catch {
      // Full or forbidden: the database has it a moment later.
    }
  },
  ids: (): readonly string[] => {
    try {
      return Object.keys(sessionStorage).flatMap((key) =>
        key.startsWith(tabPrefix) ? [key.slice(tabPrefix.length)] : [],
      );
    } catch {
      return [];
    }
  },
};

/** What was laid over what the server last said, by the id of its thing, for a page that has to do without the server. */
export const browserLaid = {
  /** What this tab knows of it, at once. */
  now: <T>(): readonly (readonly [string, T])[] =>
    tabCopy.ids().map((id) => [id, JSON.parse(sessionStorage.getItem(tabPrefix + id) ?? 'null') as T] as const),
  load: async <T>(): Promise<readonly (readonly [string, T])[]> => {
    const db = await database();
    const [ids, all] = await Promise.all([db.getAllKeys(laidName), db.getAll(laidName)]);
    return all.map((laid, at) => [ids[at] as string, laid as T] as const);
  },
  keep: async (id: string, laid: unknown): Promise<void> => {
    tabCopy.keep(id, laid);
    const db = await database();
    await (laid ? db.put(laidName, laid, id) : db.delete(laidName, id));
  },
  clear: async (): Promise<void> => {
    for (const id of tabCopy.ids()) tabCopy.keep(id, null);
    await (await database()).clear(laidName);
  },
};
