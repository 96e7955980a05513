import type { Knex } from 'knex';
import { standingEvents } from '@/data/events/standingEvents';

export interface DayCount {
  /** ISO date, UTC. */
  readonly day: string;
  readonly released: number;
  readonly sent: number;
}

/** Units released for sale and sent on each day on which there were any. */
export async function finishedPerDay(db: Knex, since: Date): Promise<readonly DayCount[]> {
  const rows = (await standingEvents(db)
    .whereIn('e.type', ['unit-proven', 'unit-sent'])
    .where('e.server_at', '>=', since)
    .select({ day: db.raw(`date_format(e.server_at, '%Y-%m-%d')`) })
    .select({
      released: db.raw(`cast(sum(e.type = 'unit-proven') as signed)`),
      sent: db.raw(`cast(sum(e.type = 'unit-sent') as signed)`),
    })
    .groupBy('day')
    .orderBy('day')) as DayCount[];
  return rows.map(({ day, released, sent }) => ({ day, released: Number(released), sent: Number(sent) }));
}
