import type { Knex } from 'knex';
import type { EventType } from '@/core/bench/events';

export interface Fact {
  readonly id: string;
  readonly position: number;
  readonly type: EventType;
  readonly person: string;
  readonly bench: string;
  readonly at: string;
  readonly tag: string | null;
  readonly payload: unknown;
  readonly isUndone: boolean;
}

interface FactRow extends Omit<Fact, 'at' | 'isUndone'> {
  at: Date;
  undo: string | null;
}

/** The newest facts, of the whole shop or about one unit or part, newest first. */
export async function latestFacts(
  db: Knex,
  limit: number,
  about?: { readonly unitId?: string; readonly partId?: string },
): Promise<readonly Fact[]> {
  const query = db('events as e')
    .leftJoin('people as p', 'p.id', 'e.person_id')
    .leftJoin('units as u', 'u.id', 'e.unit_id')
    .leftJoin('parts as t', 't.id', 'e.part_id')
    .leftJoin('events as undo', 'undo.undoes', 'e.id')
    .orderBy('e.position', 'desc')
    .limit(limit)
    .select({
      id: 'e.id',
      position: 'e.position',
      type: 'e.type',
      person: 'p.name',
      bench: 'e.bench',
      at: 'e.client_at',
      payload: 'e.payload',
      undo: 'undo.id',
    })
    .select({ tag: db.raw('coalesce(t.tag, u.tag)') });
  if (about?.partId)
    query.where((either) =>
      either
        .where('e.part_id', about.partId as string)
        .orWhereRaw(`json_search(e.payload, 'one', ?) is not null`, [about.partId as string]),
    );
  else if (about?.unitId) query.where({ 'e.unit_id': about.unitId });
  else query.whereNotIn('e.type', ['lines-expected']);
  const rows = (await query) as FactRow[];
  return rows.map(({ undo, at, person, ...row }) => ({
    ...row,
    person: person ?? '',
    at: at.toISOString(),
    isUndone: undo !== null,
  }));
}
