import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import type { KindWays, KnownWays } from '@/core/matching/kindWays';
import type { MatchStock } from '@/core/matching/matchStock';
import { stockKinds } from '@/core/matching/stockKinds';
import type { HouseRules } from '@/core/shared/houseRules';
import { inTransaction } from '@/data/transaction';
import { findWays, keepWays } from '@/data/match/wayRepository';

const hashOf = (key: string): string => createHash('sha256').update(key).digest('hex');
const dayMs = 24 * 3600 * 1000;
/** So long it is kept: a stock changes by the hour, and with it what it hangs on. */
const keptDays = 1;

/** What some server has worked out of the kinds of this stock already: it takes tens of milliseconds a kind. */
export async function readKnownWays(db: Knex, stock: MatchStock, rules: HouseRules): Promise<KnownWays> {
  const keys = stockKinds(stock, rules).kinds.map(({ key }) => [key, hashOf(key)] as const);
  const found = await findWays(
    db,
    keys.map(([, hash]) => hash),
  );
  return new Map(
    keys.flatMap(([key, hash]) => {
      const ways = found.get(hash);
      return ways ? [[key, ways] as const] : [];
    }),
  );
}

/** Keeps what was worked out for whoever asks next, on whichever server. */
export async function keepKnownWays(
  db: Knex,
  made: readonly (readonly [string, KindWays])[],
  now: Date,
): Promise<void> {
  if (made.length === 0) return;
  const day = (at: number) => new Date(at).toISOString().slice(0, 10);
  await inTransaction(db, (trx) =>
    keepWays(
      trx,
      made.map(([key, ways]) => [hashOf(key), ways] as const),
      { on: day(now.getTime()), letGoBefore: day(now.getTime() - keptDays * dayMs) },
    ),
  );
}
