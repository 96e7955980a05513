import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import type { ShelfQuery } from '@/core/shelf/shelfQuery';
import { classesOfModel } from '@/data/models/modelRepository';
import { kindsAmong, partKinds, type PartKind } from '@/data/models/partKinds';
import { shelfRows } from '@/data/parts/shelfRows';

/** Some rows of a view of the shelf, with what their parts are called and worth. */
export interface ShelfRowsView {
  readonly parts: readonly Part[];
  readonly total: number;
  readonly kinds: Readonly<Record<string, PartKind>>;
}

/** So many rows come with a page, and with each answer after it. */
export const rowsAtOnce = 100;

/** Rows of a view of the shelf from one on; an unknown model has nothing that fits it. @param known  as in `shelfRows` */
export async function readShelfRows(
  db: Knex,
  query: ShelfQuery,
  from: number,
  now: Date,
  known?: number,
): Promise<ShelfRowsView> {
  const [classes, kinds] = await Promise.all([
    query.fits === null ? null : classesOfModel(db, query.fits),
    partKinds(db, now),
  ]);
  const { parts, total } = await shelfRows(db, query, classes, { from, limit: rowsAtOnce, known });
  return { parts, total, kinds: kindsAmong(kinds, parts) };
}
