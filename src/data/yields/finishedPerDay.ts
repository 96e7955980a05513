import { shopDay } from '@/core/shared/shopDay';
import type { Knex } from 'knex';
import { standingFacts } from '@/data/facts/standingFacts';

export interface DayCount {
  /** ISO date, where the shop is. */
  readonly day: string;
  readonly released: number;
  readonly sent: number;
}

/** Units released for sale and sent on each day on which there were any, by the shop's own days. */
export async function finishedPerDay(db: Knex, since: Date, timeZone: string): Promise<readonly DayCount[]> {
  const rows = (await standingFacts(db)
    .whereIn('e.type', ['unit-proven', 'unit-sent'])
    .where('e.server_at', '>=', since)
    .select({ type: 'e.type', at: 'e.server_at' })) as { type: string; at: Date }[];
  const days = new Map<string, { released: number; sent: number }>();
  for (const { type, at } of rows) {
    const day = shopDay(at.getTime(), timeZone);
    const counts = days.get(day) ?? { released: 0, sent: 0 };
    counts[type === 'unit-sent' ? 'sent' : 'released'] += 1;
    days.set(day, counts);
  }
  return [...days].map(([day, counts]) => ({ day, ...counts })).sort((a, b) => a.day.localeCompare(b.day));
}
