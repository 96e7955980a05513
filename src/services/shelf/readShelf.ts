import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import { suggestBin } from '@/core/shelf/suggestBin';
import { partKinds, type PartKind } from '@/data/models/partKinds';
import { binContents, listBins, partsAt, searchShelf } from '@/data/parts/partRepository';

export interface ShelfView {
  readonly toShelve: readonly { readonly part: Part; readonly bin: string | null }[];
  readonly parts: readonly Part[];
  readonly total: number;
  readonly page: number;
  readonly pages: number;
  readonly bins: readonly string[];
  readonly kinds: Readonly<Record<string, PartKind>>;
}

const pageRows = 60;
const binRoom = 12;

/** What waits for a bin, with the bin it should go in, and one page of what is stored. */
export async function readShelf(db: Knex, words: string, page: number, now: Date): Promise<ShelfView> {
  const [waiting, found, bins, contents, kinds] = await Promise.all([
    partsAt(db, ['to-shelve']),
    searchShelf(db, { words, from: page * pageRows, limit: pageRows }),
    listBins(db),
    binContents(db),
    partKinds(db, now),
  ]);
  const planned = [...contents];
  const toShelve = waiting.map((part) => {
    const bin = part.isDataCleared ? (suggestBin(part, planned, bins, binRoom) ?? null) : null;
    planned.push({ ...part, bin });
    return { part, bin };
  });
  return {
    toShelve,
    parts: found.parts,
    total: found.total,
    page,
    pages: Math.max(1, Math.ceil(found.total / pageRows)),
    bins,
    kinds,
  };
}
