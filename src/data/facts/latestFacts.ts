import type { Knex } from 'knex';
import type { FactType, Payloads } from '@/core/shop/facts';
import { narrow, type FactFilter } from './factFilter';

interface ListedColumns {
  readonly id: string;
  readonly position: number;
  /** Name of who did it. */
  readonly person: string;
  /** Name of whose sign-in it was recorded under, where that was somebody else's. */
  readonly signedIn: string | null;
  /** Name of the bench; its id where there is no such bench any more. */
  readonly bench: string;
  readonly at: string;
  /** Seconds that the clock of the bench was ahead, by which `at` was put right; null when it was right. */
  readonly clockOffS: number | null;
  /** Tag of its part, else of its unit. */
  readonly tag: string | null;
  readonly parcel: { readonly id: string; readonly code: string } | null;
  readonly isUndone: boolean;
  /** The model version its unit stands at, by which its ids are named. */
  readonly modelId: string | null;
  readonly modelVersion: number | null;
}

/** A fact as a list shows it. */
export type ListedFact = {
  [T in FactType]: ListedColumns & { readonly type: T; readonly payload: Payloads[T] };
}[FactType];

type ListedRow = ListedFact & {
  readonly at: Date;
  readonly undo: string | null;
  readonly parcelId: string | null;
  readonly parcelCode: string | null;
};

/** The newest facts that answer, newest first. */
export async function latestFacts(db: Knex, limit: number, filter: FactFilter = {}): Promise<readonly ListedFact[]> {
  const query = db('facts as e')
    .leftJoin('doers as d', 'd.fact_id', 'e.id')
    .joinRaw('left join people as p on p.id = coalesce(d.person_id, e.person_id)')
    .leftJoin('people as s', 's.id', 'e.person_id')
    .leftJoin('benches as b', 'b.id', 'e.bench')
    .leftJoin('units as u', 'u.id', 'e.unit_id')
    .leftJoin('parts as t', 't.id', 'e.part_id')
    .leftJoin('parcels as l', 'l.id', 'e.parcel_id')
    .leftJoin('facts as undo', 'undo.undoes', 'e.id')
    .orderBy('e.position', 'desc')
    .limit(limit)
    .select({
      id: 'e.id',
      position: 'e.position',
      type: 'e.type',
      at: 'e.client_at',
      clockOffS: 'e.clock_off_s',
      payload: 'e.payload',
      undo: 'undo.id',
      modelId: 'e.model_id',
      modelVersion: 'u.model_version',
      parcelId: 'l.id',
      parcelCode: 'l.code',
    })
    .select({
      tag: db.raw('coalesce(t.tag, u.tag)'),
      person: db.raw(`coalesce(p.name, '')`),
      signedIn: db.raw('if(d.fact_id is null, null, s.name)'),
      bench: db.raw('coalesce(b.name, e.bench)'),
    });
  const rows = (await (await narrow(db, query, filter)).query) as ListedRow[];
  return rows.map(({ undo, at, parcelId, parcelCode, ...row }) => ({
    ...row,
    parcel: parcelId !== null && parcelCode !== null ? { id: parcelId, code: parcelCode } : null,
    at: at.toISOString(),
    isUndone: undo !== null,
  }));
}
