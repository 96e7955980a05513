import type { Knex } from 'knex';
import type { FactType } from '@/core/shop/facts';
import type { LineStage } from '@/core/entities/stages';
import { standingFacts } from '@/data/facts/standingFacts';

/** The fact that says something went through a stage. */
const passing: Readonly<Partial<Record<FactType, LineStage>>> = {
  'unit-decided': 'triage',
  'sheet-started': 'teardown',
  'part-graded': 'grade',
  'unit-matched': 'match',
  'gate-judged': 'rebuild',
  'unit-proven': 'prove',
  'unit-sent': 'send',
};

/** How many things went through each stage since a time. */
export async function passedStages(db: Knex, since: Date): Promise<Readonly<Partial<Record<LineStage, number>>>> {
  const rows = (await standingFacts(db)
    .whereIn('e.type', Object.keys(passing))
    .where('e.server_at', '>=', since)
    .select('e.type')
    .count({ n: '*' })
    .groupBy('e.type')) as { type: FactType; n: number }[];
  return Object.fromEntries(rows.map(({ type, n }) => [passing[type], n]));
}
