import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import { partCategories } from '@/core/procedure/vocabulary';
import { streamOfPart, streams, type Stream } from '@/core/shelf/streams';
import { kindsAmong, partKinds, type PartKind } from '@/data/models/partKinds';
import { countLeaving, partsLeaving } from '@/data/parts/leavingParts';

export interface LeavingList {
  readonly stream: Stream | 'hazard';
  readonly count: number;
  /** The first of them. */
  readonly parts: readonly Part[];
}

export interface LeavingView {
  readonly lists: readonly LeavingList[];
  readonly kinds: Readonly<Record<string, PartKind>>;
}

/** So many are handed over at a time. */
const mostShown = 60;

/** What nobody can use again, by the way it leaves the shop: what is dangerous first. */
export async function readLeaving(db: Knex, now: Date): Promise<LeavingView> {
  const [counts, kinds] = await Promise.all([countLeaving(db), partKinds(db, now)]);
  const ways = [
    { stream: 'hazard' as const, place: 'hazard' as const, categories: partCategories },
    ...streams.map((stream) => ({
      stream,
      place: 'scrap' as const,
      categories: partCategories.filter((category) => streamOfPart(category) === stream),
    })),
  ];
  const lists = await Promise.all(
    ways.map(async ({ stream, place, categories }): Promise<LeavingList> => {
      const count = counts
        .filter((row) => row.place === place && categories.includes(row.category))
        .reduce((sum, row) => sum + row.count, 0);
      return { stream, count, parts: count === 0 ? [] : await partsLeaving(db, place, categories, mostShown) };
    }),
  );
  const shown = lists.filter(({ count }) => count > 0);
  return {
    lists: shown,
    kinds: kindsAmong(
      kinds,
      shown.flatMap(({ parts }) => parts),
    ),
  };
}
