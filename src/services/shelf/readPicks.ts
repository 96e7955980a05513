import type { Knex } from 'knex';
import type { Part } from '@/core/entities/entities';
import { walk } from '@/core/shelf/walk';
import { kindsAmong, partKinds, type PartKind } from '@/data/models/partKinds';
import { countToFetch, partsToFetch } from '@/data/parts/shelfRows';
import { listRacks } from '@/data/shelf/rackRepository';

export interface PicksView {
  /** In walking order. */
  readonly picks: readonly (Part & { readonly unitTag: string })[];
  readonly total: number;
  readonly kinds: Readonly<Record<string, PartKind>>;
}

/** So many are fetched on one walk. */
const mostPicks = 200;

/** What was set aside for units and still lies in its bin, in the order in which one walks past it. */
export async function readPicks(db: Knex, now: Date): Promise<PicksView> {
  const [parts, total, racks, kinds] = await Promise.all([
    partsToFetch(db, mostPicks),
    countToFetch(db),
    listRacks(db),
    partKinds(db, now),
  ]);
  const order = new Map(
    walk(
      parts.map(({ bin }) => bin ?? ''),
      racks,
    ).map((bin, at) => [bin, at]),
  );
  const picks = parts.toSorted((a, b) => (order.get(a.bin ?? '') ?? 0) - (order.get(b.bin ?? '') ?? 0));
  return { picks, total, kinds: kindsAmong(kinds, picks) };
}
