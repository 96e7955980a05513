import type { Knex } from 'knex';
import type { FactType, Payloads } from '@/core/shop/facts';

interface ListedColumns {
  readonly id: string;
  readonly position: number;
  readonly person: string;
  readonly bench: string;
  readonly at: string;
  readonly tag: string | null;
  readonly isUndone: boolean;
  /** The model version its unit stands at, by which its ids are named. */
  readonly modelId: string | null;
  readonly modelVersion: number | null;
}

/** A fact as a list shows it. */
export type ListedFact = {
  [T in FactType]: ListedColumns & { readonly type: T; readonly payload: Payloads[T] };
}[FactType];

type ListedRow = ListedFact & { at: Date; undo: string | null; person: string | null };

/** The newest facts, of the whole shop or about one unit or part, newest first. */
export async function latestFacts(
  db: Knex,
  limit: number,
  about?: { readonly unitId?: string; readonly partId?: string },
): Promise<readonly ListedFact[]> {
  const query = db('facts as e')
    .leftJoin('people as p', 'p.id', 'e.person_id')
    .leftJoin('units as u', 'u.id', 'e.unit_id')
    .leftJoin('parts as t', 't.id', 'e.part_id')
    .leftJoin('facts as undo', 'undo.undoes', 'e.id')
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
      modelId: 'e.model_id',
      modelVersion: 'u.model_version',
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
  const rows = (await query) as ListedRow[];
  return rows.map(({ undo, at, person, ...row }) => ({
    ...row,
    person: person ?? '',
    at: at.toISOString(),
    isUndone: undo !== null,
  }));
}
