import type { Knex } from 'knex';
import type { KindWays } from '@/core/matching/kindWays';
import type { MatchWayRow } from '@/data/rows';

/** What kinds of units can become, by the hash of everything that it hangs on, where somebody has worked it out. */
export async function findWays(db: Knex, hashes: readonly string[]): Promise<ReadonlyMap<string, KindWays>> {
  const rows = (await db('match_ways').whereIn('hash', hashes)) as MatchWayRow[];
  return new Map(rows.map(({ hash, ways }) => [hash, JSON.parse(ways) as KindWays]));
}

const together = 200;

/** Keeps what was worked out; what was worked out long ago is let go. Two who worked out the same keep it once. */
export async function keepWays(
  db: Knex,
  ways: readonly (readonly [hash: string, ways: KindWays])[],
  kept: { readonly on: string; readonly letGoBefore: string },
): Promise<void> {
  for (let from = 0; from < ways.length; from += together)
    await db('match_ways')
      .insert(
        ways.slice(from, from + together).map(([hash, own]) => ({ hash, ways: JSON.stringify(own), made_on: kept.on })),
      )
      .onConflict('hash')
      .merge(['made_on']);
  await db('match_ways').where('made_on', '<', kept.letGoBefore).delete();
}
