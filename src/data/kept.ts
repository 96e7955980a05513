import type { Knex } from 'knex';

/** A memory of what never changes once it is written: one for each database that this process reads. */
export function memory<T>(): (db: Knex) => Map<string, T> {
  const all = new WeakMap<object, Map<string, T>>();
  return (db) => {
    // A transaction has a client of its own, and its database's configuration.
    const config = db.client.config as object;
    const own = all.get(config) ?? new Map<string, T>();
    all.set(config, own);
    return own;
  };
}
