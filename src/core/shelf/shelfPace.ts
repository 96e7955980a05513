import type { Tally } from '@/core/tallies/tally';
import type { ShelfPace } from './roomLeft';

const dayMs = 24 * 3600 * 1000;

/**
 * What was put on the shelf and taken from it of late: over so many days, or since the shop shelved its first part.
 *
 * @param counted  parts by day: shelved, scrapped from the shelf, and set aside for builds
 */
export function shelfPace(
  counted: Readonly<Record<'shelved' | 'unshelved' | 'used', readonly Tally[]>>,
  now: Date,
  mostDays: number,
): ShelfPace {
  const since = new Date(now.getTime() - mostDays * dayMs).toISOString().slice(0, 10);
  const sum = (rows: readonly Tally[], dayOf: (row: Tally) => string) =>
    rows.reduce((all, row) => (dayOf(row) > since ? all + row.count : all), 0);
  const [first] = counted.shelved.map(({ about }) => about).sort();
  const daysSince = first === undefined ? 0 : Math.ceil((now.getTime() - Date.parse(first)) / dayMs);
  return {
    stored: sum(counted.shelved, ({ about }) => about),
    taken: sum(counted.unshelved, ({ about }) => about) + sum(counted.used, ({ more }) => more),
    days: Math.min(mostDays, daysSince),
  };
}
