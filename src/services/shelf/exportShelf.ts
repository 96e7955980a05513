import { stringify } from 'csv-stringify/sync';
import type { Knex } from 'knex';
import type { ShelfQuery } from '@/core/shelf/shelfQuery';
import { classesOfModel } from '@/data/models/modelRepository';
import { shelfRows } from '@/data/parts/shelfRows';
import { safeCell } from '@/files/safeCell';

const columns = [
  'tag',
  'bin',
  'part',
  'model',
  'class',
  'kind',
  'grade',
  'limited_by',
  'reserved_for',
  'since',
  'bought_from',
  'warranty_until',
];
const chunk = 1000;

/** A view of the shelf as CSV text, some lines at a time, without prices. */
export async function* exportShelf(db: Knex, query: ShelfQuery): AsyncGenerator<string, undefined> {
  const classes = query.fits === null ? null : await classesOfModel(db, query.fits);
  yield stringify([columns]);
  let known: number | undefined;
  for (let from = 0; ; from += chunk) {
    const { parts, total } = await shelfRows(db, query, classes, { from, limit: chunk, known });
    known = total;
    if (parts.length > 0)
      yield stringify(
        parts.map((part) =>
          [
            part.tag,
            part.bin ?? '',
            part.partRef,
            part.modelId,
            part.interchange,
            part.category,
            part.grade ?? '',
            part.limiting ?? '',
            part.reservedFor ?? '',
            part.storedAt ?? '',
            part.bought?.supplier ?? '',
            part.bought?.warrantyUntil ?? '',
          ].map(safeCell),
        ),
      );
    if (parts.length < chunk) return undefined;
  }
}
