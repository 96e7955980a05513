import type { Knex } from 'knex';
import { factKinds, type FactType } from '@/core/shop/facts';
import type { HistoryQuery } from '@/core/shop/historyQuery';
import { shopDayStart } from '@/core/shared/shopDay';

/** Which facts are asked for; all that is said must be true of them. */
export interface FactFilter {
  readonly unitId?: string;
  readonly partId?: string;
  readonly personId?: string;
  /** Id of the bench. */
  readonly bench?: string;
  readonly types?: readonly FactType[];
  /** From this instant of the bench's clock, and before that one. */
  readonly from?: Date;
  readonly until?: Date;
  /** Only facts before this position of the log. */
  readonly before?: number;
}

const dayMs = 24 * 3600 * 1000;

/** What somebody asks of the history, as the log is asked for it. @param timeZone the shop's */
export function filterOf({ kind, day, ...asked }: HistoryQuery, timeZone: string): FactFilter {
  const nextDay = day && new Date(Date.parse(`${day}T00:00:00Z`) + dayMs).toISOString().slice(0, 10);
  return {
    ...asked,
    ...(kind && { types: factKinds[kind] }),
    ...(day && { from: new Date(shopDayStart(day, timeZone)) }),
    ...(nextDay && { until: new Date(shopDayStart(nextDay, timeZone)) }),
  };
}

/** Narrows a query of facts, which it calls `e`. */
export async function narrow<Q extends Knex.QueryBuilder>(
  db: Knex,
  query: Q,
  filter: FactFilter,
): Promise<{ readonly query: Q }> {
  if (filter.partId)
    query.whereRaw('e.position in (select position from fact_parts where part_id = ?)', [filter.partId]);
  if (filter.unitId) query.where('e.unit_id', filter.unitId);
  if (filter.personId) await byPerson(db, query, filter.personId);
  if (filter.bench) query.where('e.bench', filter.bench);
  if (filter.types) query.whereIn('e.type', [...filter.types]);
  if (filter.from) query.where('e.client_at', '>=', filter.from);
  if (filter.until) query.where('e.client_at', '<', filter.until);
  if (filter.before !== undefined) query.where('e.position', '<', filter.before);
  // Wrapped, since a query that is awaited is sent.
  return { query };
}

/** What somebody did: what was recorded under their sign-in and not put right, and the few facts that were put right to them. */
async function byPerson(db: Knex, query: Knex.QueryBuilder, personId: string): Promise<void> {
  const others = (await db('doers').where({ person_id: personId }).pluck('fact_id')) as string[];
  query.where((either) => {
    either.where((own) =>
      own.where('e.person_id', personId).whereRaw('not exists (select 1 from doers d where d.fact_id = e.id)'),
    );
    if (others.length > 0) either.orWhereIn('e.id', others);
  });
}
