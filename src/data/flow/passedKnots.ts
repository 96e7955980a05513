import type { Knex } from 'knex';
import type { EventType } from '@/core/bench/events';
import type { Knot } from '@/core/bench/stages';
import { standingEvents } from '@/data/events/standingEvents';

/** The fact that says something went through a knot. */
const passing: Readonly<Partial<Record<EventType, Knot>>> = {
  'unit-decided': 'triage',
  'sheet-started': 'teardown',
  'part-graded': 'grade',
  'unit-matched': 'match',
  'gate-judged': 'rebuild',
  'unit-proven': 'prove',
  'unit-sent': 'send',
};

/** How many things went through each knot since a time. */
export async function passedKnots(db: Knex, since: Date): Promise<Readonly<Partial<Record<Knot, number>>>> {
  const rows = (await standingEvents(db)
    .whereIn('e.type', Object.keys(passing))
    .where('e.server_at', '>=', since)
    .select('e.type')
    .count({ n: '*' })
    .groupBy('e.type')) as { type: EventType; n: number }[];
  return Object.fromEntries(rows.map(({ type, n }) => [passing[type], n]));
}
