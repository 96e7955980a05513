import type { PlanGround } from '@/core/teardown/plan/knowledgeOf';
import type { Tallies } from '@/data/tallies/readTallies';

const watchedDays = 60;
const daysPerMonth = 30;
const dayMs = 24 * 3600 * 1000;

/**
 * Stock and use of every interchange class: what one more part of it meets. Used are the parts that were set aside for a
 * build in the last days and not given back.
 */
export function classMarket({ stock, used }: Tallies<'stock' | 'used'>, now: Date): PlanGround['market'] {
  const first = new Date(now.getTime() - (watchedDays - 1) * dayMs).toISOString().slice(0, 10);
  const classes = new Map<string, { stock: number; used: number }>();
  const of = (interchange: string) => {
    const own = classes.get(interchange) ?? { stock: 0, used: 0 };
    classes.set(interchange, own);
    return own;
  };
  for (const { about, count } of stock) of(about).stock += count;
  for (const { about, more: day, count } of used) if (day >= first) of(about).used += count;
  return Object.fromEntries(
    [...classes].map(([interchange, own]) => [
      interchange,
      // Half a part more than was seen: nothing is unsalable for want of evidence.
      { stock: own.stock, usedPerMonth: ((own.used + 0.5) / watchedDays) * daysPerMonth },
    ]),
  );
}
