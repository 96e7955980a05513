import type { Knex } from 'knex';

/** How many rows answer a query of which one page was read: a page that is not full, and not beyond the end, tells. */
export async function totalOf(query: Knex.QueryBuilder, from: number, read: number, limit: number): Promise<number> {
  if (read < limit && (read > 0 || from === 0)) return from + read;
  const row = (await query.clone().clearSelect().count({ n: '*' }).first()) as { n: number } | undefined;
  return Number(row?.n ?? 0);
}
