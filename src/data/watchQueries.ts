import type { Knex } from 'knex';

interface Asked {
  readonly __knexQueryUid: string;
  readonly sql: string;
}

/** Tells of each query, with placeholders where values go, how long it took. Milliseconds. */
export function watchQueries(db: Knex, told: (sql: string, ms: number) => void): void {
  const begun = new Map<string, number>();
  const over = ({ __knexQueryUid: id, sql }: Asked) => {
    const since = begun.get(id);
    begun.delete(id);
    if (since !== undefined) told(sql, performance.now() - since);
  };
  db.on('query', ({ __knexQueryUid: id }: Asked) => void begun.set(id, performance.now()));
  db.on('query-response', (_response: unknown, asked: Asked) => over(asked));
  db.on('query-error', (_error: unknown, asked: Asked) => over(asked));
}
