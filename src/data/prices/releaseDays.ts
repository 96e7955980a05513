import type { Knex } from 'knex';
import { standingFacts } from '@/data/facts/standingFacts';

/** When units were last released for sale, by unit: the prices of that day are theirs. */
export async function releaseDays(db: Knex, unitIds: readonly string[]): Promise<ReadonlyMap<string, Date>> {
  const rows = (await standingFacts(db)
    .where('e.type', 'unit-proven')
    .whereIn('e.unit_id', [...unitIds])
    .groupBy('e.unit_id')
    .select({ unitId: 'e.unit_id' })
    .max({ at: 'e.server_at' })) as { unitId: string; at: Date }[];
  return new Map(rows.map(({ unitId, at }) => [unitId, at]));
}
