import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import { binsInUse } from '@/core/shelf/racks';
import { suggestBins } from '@/core/shelf/suggestBin';
import { kindsAmong, partKinds, type PartKind } from '@/data/models/partKinds';
import { partsAt, searchShelf } from '@/data/parts/partRepository';
import { binStock } from '@/data/shelf/binStock';
import { listRacks } from '@/data/shelf/rackRepository';
import { readTallies } from '@/data/tallies/readTallies';

export interface ShelfView {
  readonly toShelve: readonly { readonly part: Part; readonly bin: string | null }[];
  readonly parts: readonly Part[];
  readonly total: number;
  readonly page: number;
  readonly pages: number;
  readonly kinds: Readonly<Record<string, PartKind>>;
}

const pageRows = 60;

/** What waits for a bin, with the bin it should go in (none for what may not be stored, or has no room), and one page of what is stored. */
export async function readShelf(db: Knex, words: string, page: number, now: Date): Promise<ShelfView> {
  const [waiting, found, racks, tallies, kinds] = await Promise.all([
    partsAt(db, ['to-shelve']),
    searchShelf(db, { words, from: page * pageRows, limit: pageRows }),
    listRacks(db),
    readTallies(db, ['bin', 'place']),
    partKinds(db, now),
  ]);
  // All that lies there is counted already.
  const total = found.total ?? tallies.place.find(({ about }) => about === 'shelf')?.count ?? 0;
  const cleared = waiting.filter(({ isDataCleared }) => isDataCleared);
  const suggested = suggestBins(cleared, binsInUse(racks), binStock(tallies));
  const binOf = new Map(cleared.map(({ id }, at) => [id, suggested[at] ?? null]));
  return {
    toShelve: waiting.map((part) => ({ part, bin: binOf.get(part.id) ?? null })),
    parts: found.parts,
    total,
    page,
    pages: Math.max(1, Math.ceil(total / pageRows)),
    kinds: kindsAmong(kinds, [...waiting, ...found.parts]),
  };
}
