import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import type { PartCategory } from '@/core/procedure/vocabulary';
import { binsInUse } from '@/core/shelf/racks';
import { rackFills, type RackFill } from '@/core/shelf/roomLeft';
import type { ShelfPlace, ShelfQuery } from '@/core/shelf/shelfQuery';
import { suggestBins } from '@/core/shelf/suggestBin';
import { newestModels } from '@/data/models/modelRepository';
import { kindsAmong, partKinds } from '@/data/models/partKinds';
import { partsAt } from '@/data/parts/partRepository';
import { countToFetch } from '@/data/parts/shelfRows';
import { binStock } from '@/data/shelf/binStock';
import { listRacks } from '@/data/shelf/rackRepository';
import { readTallies } from '@/data/tallies/readTallies';
import { readShelfRows, type ShelfRowsView } from './readShelfRows';

export interface ShelfView extends ShelfRowsView {
  readonly query: ShelfQuery;
  /** What waits for a bin, with the one it should go in: none for what may not be stored, or has no room. */
  readonly toShelve: readonly { readonly part: Part; readonly bin: string | null }[];
  /** How many there are at each place of the shelf. */
  readonly counts: Readonly<Record<ShelfPlace, number>>;
  readonly racks: readonly RackFill[];
  /** Kinds of part that are on the shelf, and how many. */
  readonly categories: readonly { readonly category: PartCategory; readonly count: number }[];
  /** Models of which something may be asked that fits. */
  readonly models: readonly { readonly id: string; readonly name: string }[];
}

/** The shelf as it stands: what waits for a bin, the racks, and the first rows of a view. */
export async function readShelf(db: Knex, query: ShelfQuery, now: Date): Promise<ShelfView> {
  const [rows, waiting, racks, tallies, models, kinds, toFetch] = await Promise.all([
    readShelfRows(db, query, 0, now),
    partsAt(db, ['to-shelve']),
    listRacks(db),
    readTallies(db, ['bin', 'place', 'stock']),
    newestModels(db),
    partKinds(db, now),
    countToFetch(db),
  ]);
  const stock = binStock(tallies);
  const cleared = waiting.filter(({ isDataCleared }) => isDataCleared);
  const suggested = suggestBins(cleared, binsInUse(racks), stock);
  const binOf = new Map(cleared.map(({ id }, at) => [id, suggested[at] ?? null]));
  const at = (place: ShelfPlace) => tallies.place.find(({ about }) => about === place)?.count ?? 0;
  const byCategory = new Map<PartCategory, number>();
  for (const { more, count } of tallies.stock) {
    const category = more.split(' ')[1] as PartCategory;
    byCategory.set(category, (byCategory.get(category) ?? 0) + count);
  }
  return {
    ...rows,
    query,
    toShelve: waiting.map((part) => ({ part, bin: binOf.get(part.id) ?? null })),
    counts: { shelf: at('shelf'), reserved: at('reserved'), assigned: toFetch, lost: at('lost') },
    racks: rackFills(racks, stock),
    categories: [...byCategory].map(([category, count]) => ({ category, count })).sort((a, b) => b.count - a.count),
    models: models.map(({ id, name }) => ({ id, name })),
    kinds: { ...rows.kinds, ...kindsAmong(kinds, waiting) },
  };
}
